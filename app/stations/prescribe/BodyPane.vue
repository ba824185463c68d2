<script setup lang="ts">
import { computed } from 'vue'
import { BODY_AMOUNTS, type BodyKind } from '../../../core/kinds/body/all'
import { BODY_GROUPS, type BodyAmount } from '../../../core/kinds/body/definition'
import { POSTS } from '../../../core/kinds/posts/all'
import type { PostAmount, PostDefinition, PostOf } from '../../../core/kinds/posts/definition'
import { fitBlanks } from '../../../core/device/blanks'
import { NO_COVER } from '../../../core/tables/materials'
import { isStabilised } from '../../../core/device/shell'
import { postHeightMm } from '../../../core/device/sizeSense'
import { soleParameters } from '../../../core/device/soleParameters'
import { comfortOf, forceOf } from '../../../core/mechanics/shell/comfort'
import type { Device } from '../../../core/record/schema'
import { DEVICE_KINDS, SIDES, type DeviceKind, type Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import type { useEffects } from './useEffects'
import { postEdit, type useStudio } from './useStudio'

/** Kind, blank, shell, cover, base, outline, posts and lift of both feet. */
const { studio, estimates } = defineProps<{
  studio: ReturnType<typeof useStudio>
  estimates: ReturnType<typeof useEffects>
}>()
const { fitting } = studio
type Edit = (d: Device) => Device
interface Row {
  name: string
  note: string
  unit: 'mm' | '°'
  step: number
  min: number
  max: number
  start: number
  label: string
  value: (d: Device) => number | null
  edit: (v: number) => Edit
  beside?: (side: Side, v: number) => string
}
const table = computed(() => fitting.norms)
const soleOf = (side: Side) => soleParameters(fitting.record.feet[side]!, table.value)?.parameters
const shell =
  (change: Partial<Device['shell']>): Edit =>
  (d) => ({ ...d, shell: { ...d.shell, ...change } })
const post = (d: Device, at: PostOf['at']) => d.posts.find((p) => p.at === at)

/** What stands beside some numbers of the body: what they come to. */
const BESIDE: Partial<Record<BodyKind, Row['beside']>> = {
  shellThickness: (side) => stiffWords(side),
  castAngle: (_, v) => (v > 0 ? `cast inverted ${table.value.castPerHeelDeg * v}°` : ''),
}
const bodyRow = (amount: BodyAmount<BodyKind>): Row => ({
  name: amount.name,
  note: amount.note,
  unit: amount.unit === '°' ? '°' : 'mm',
  step: amount.step,
  min: amount.range[0],
  max: amount.range[1],
  start: amount.start,
  label: amount.name.startsWith('its') ? amount.full : amount.name,
  value: (d) => amount.read(d) ?? null,
  edit: (v) => (d) => amount.write(d, v),
  beside: BESIDE[amount.kind],
})
/** What tilts a foot is told as a height over its width. */
const heightWords = (side: Side, over: 'heel' | 'forefoot', deg: number) => {
  const sole = soleOf(side)
  if (!sole) return ''
  const widthMm = over === 'heel' ? sole.heelWidthMm : sole.forefootWidthMm
  return `${postHeightMm(deg, widthMm).toFixed(1)} mm`
}
const postRow = (kind: PostDefinition, amount: PostAmount): Row => ({
  name: amount.name,
  note: amount.note,
  unit: amount.unit === '°' ? '°' : 'mm',
  step: amount.step,
  min: amount.range[0],
  max: amount.range[1],
  start: amount.start,
  label: amount.name.startsWith('its') ? `${kind.name} ${amount.name}` : amount.name,
  value: (d) => post(d, kind.at)?.[amount.key] ?? null,
  edit: (v) =>
    postEdit({ at: kind.at, [amount.key]: v === 0 && amount.key !== 'angleDeg' ? undefined : v }),
  ...(amount.key === 'angleDeg' && {
    beside: (side: Side, v: number) => heightWords(side, kind.over, v),
  }),
})
/** Posts by place, with the numbers of either style. */
const PLACES_OF_POSTS = ['rearfoot', 'forefoot'] as const
const postRows = PLACES_OF_POSTS.flatMap((at) => {
  const kind = POSTS.all.find((p) => p.at === at && p.style === 'extrinsic')!
  return kind.amounts.map((amount) => postRow(kind, amount))
})
const groups = BODY_GROUPS.map((name) => {
  const amounts = BODY_AMOUNTS.all.filter((a) => a.group === name && a.unit !== 'N·mm')
  const rows = amounts.map(bodyRow)
  return {
    name,
    rows: name === 'Posts and lift' ? [...rows.slice(0, 1), ...postRows, ...rows.slice(1)] : rows,
  }
})
/** what is not rigid can lie below a shell */
const BASE_MATERIALS = computed(() => [
  ...table.value.shellMaterials.filter((m) => !m.rigid),
  ...table.value.coverMaterials.filter((m) => m.id !== NO_COVER),
])
function stiffWords(side: Side) {
  const arch = estimates.arch[side]
  return arch
    ? `${comfortOf(arch.archNPerMm, arch.forceN, forceOf(fitting.record), table.value).class}, est.`
    : ''
}
const KIND_WORDS: Record<DeviceKind, string> = {
  none: 'none',
  'trim-to-fit': 'trim-to-fit',
  'heat-moulded': 'heat-moulded',
  'full-custom': 'full custom',
}
const blanks = (side: Side) => {
  const { kind } = studio.device(side)
  return kind === 'trim-to-fit' || kind === 'heat-moulded'
    ? fitBlanks(fitting.record.feet[side]!, fitting.tables.blanks, kind, table.value).slice(0, 8)
    : []
}
const blankOf = (side: Side) =>
  blanks(side).find(
    (b) =>
      b.blank.id === studio.device(side).blank?.id &&
      b.blank.sizeMm === studio.device(side).blank?.sizeMm,
  )
const pick = (event: Event) => (event.target as HTMLSelectElement).value
function setBlank(side: Side, text: string) {
  const [id, size] = text.split('/')
  studio.keep(
    side,
    (d) => ({ ...d, blank: id ? { id, sizeMm: Number(size) } : undefined }),
    'blank',
  )
}
const stylePost = (side: Side, at: 'rearfoot' | 'forefoot') =>
  post(studio.device(side), at)?.style ?? 'extrinsic'
</script>

<template>
  <div class="bodypane">
    <div class="head">
      <span class="bold">Device</span><SideMark side="left" word /><SideMark side="right" word />
    </div>
    <div class="scroll body">
      <div class="row">
        <span class="what"><b>Kind</b></span
        ><select
          v-for="s in SIDES"
          :key="s"
          class="field"
          :aria-label="`${s} kind of device`"
          :value="studio.device(s).kind"
          :disabled="fitting.readOnly"
          @change="studio.keep(s, (d) => ({ ...d, kind: pick($event) as DeviceKind }), 'kind')"
        >
          <option v-for="k in DEVICE_KINDS" :key="k" :value="k">{{ KIND_WORDS[k] }}</option>
        </select>
      </div>
      <div v-if="SIDES.some((s) => blanks(s).length)" class="row tall">
        <span class="what"><b>Blank</b><span class="note">by arch length, best first</span></span>
        <span v-for="s in SIDES" :key="s" class="blank"
          ><template v-if="blanks(s).length"
            ><select
              class="field"
              :aria-label="`${s} blank`"
              :disabled="fitting.readOnly"
              :value="
                studio.device(s).blank
                  ? `${studio.device(s).blank!.id}/${studio.device(s).blank!.sizeMm}`
                  : ''
              "
              @change="setBlank(s, pick($event))"
            >
              <option value="">choose …</option>
              <option
                v-for="b in blanks(s)"
                :key="`${b.blank.id}/${b.blank.sizeMm}`"
                :value="`${b.blank.id}/${b.blank.sizeMm}`"
              >
                {{ b.blank.name }} {{ b.blank.sizeMm }}: {{ b.words }}
              </option></select
            ><small v-if="blankOf(s)" :class="`${blankOf(s)!.verdict}-text`"
              >{{
                blankOf(s)!.verdict === 'good' ? '●' : blankOf(s)!.verdict === 'watch' ? '▲' : '⬣'
              }}
              {{ blankOf(s)!.words }}</small
            ></template
          ></span
        >
      </div>
      <div class="row">
        <span class="what"><b>Material</b></span
        ><select
          v-for="s in SIDES"
          :key="s"
          class="field"
          :aria-label="`${s} shell material`"
          :value="studio.device(s).shell.material"
          :disabled="fitting.readOnly"
          @change="studio.keep(s, shell({ material: pick($event) }), 'material')"
        >
          <option v-for="m in table.shellMaterials" :key="m.id" :value="m.id">{{ m.name }}</option>
        </select>
      </div>
      <div class="row">
        <span class="what"><b>Cover</b></span
        ><select
          v-for="s in SIDES"
          :key="s"
          class="field"
          :aria-label="`${s} cover`"
          :value="`${studio.device(s).outline.cover}/${studio.device(s).shell.cover.material}`"
          :disabled="fitting.readOnly"
          @change="
            studio.keep(
              s,
              (d) => {
                const [cover, material] = pick($event).split('/') as ['full', string]
                return {
                  ...d,
                  outline: { ...d.outline, cover },
                  shell: { ...d.shell, cover: { ...d.shell.cover, material } },
                }
              },
              'cover',
            )
          "
        >
          <template v-for="m in table.coverMaterials" :key="m.id"
            ><option
              v-for="c in ['full', 'sulcus', 'shell'] as const"
              :key="c"
              :value="`${c}/${m.id}`"
            >
              {{ m.name }},
              {{ c === 'full' ? 'full length' : c === 'sulcus' ? 'to the sulcus' : 'shell only' }}
            </option></template
          >
        </select>
      </div>
      <template v-for="group in groups" :key="group.name">
        <h3>{{ group.name }}</h3>
        <div v-for="row in group.rows" :key="row.name" class="row">
          <span class="what"
            ><b>{{ row.name }}</b
            ><span class="note">{{ row.note }}</span></span
          >
          <AmountStepper
            v-for="s in SIDES"
            :key="s"
            :value="row.value(studio.device(s))"
            :unit="row.unit"
            :step="row.step"
            :min="row.min"
            :max="row.max"
            :start="row.start"
            :label="`${s} ${row.label}`"
            :disabled="fitting.readOnly"
            :beside="
              row.beside && row.value(studio.device(s)) !== null
                ? row.beside(s, row.value(studio.device(s))!)
                : ''
            "
            @draft="(v: number) => studio.show(s, row.edit(v))"
            @keep="(v: number) => studio.keep(s, row.edit(v), `${row.name.toLowerCase()} ${v}`)"
          />
        </div>
        <template v-if="group.name === 'Posts and lift'">
          <div v-for="at in ['rearfoot', 'forefoot'] as const" :key="at" class="row">
            <span class="what"
              ><b>{{ at === 'rearfoot' ? 'Rearfoot' : 'Forefoot' }} post is</b></span
            ><select
              v-for="s in SIDES"
              :key="s"
              class="field"
              :aria-label="`${s} ${at} post style`"
              :value="stylePost(s, at)"
              :disabled="fitting.readOnly || !post(studio.device(s), at)"
              @change="
                studio.keep(s, postEdit({ at, style: pick($event) as 'extrinsic' }), 'post style')
              "
            >
              <option value="extrinsic">extrinsic</option>
              <option value="intrinsic">intrinsic</option>
            </select>
          </div>
          <div class="row">
            <span class="what"
              ><b>Heel stabiliser</b><span class="note">underside flat, does not rock</span></span
            ><label v-for="s in SIDES" :key="s" class="check"
              ><input
                type="checkbox"
                :aria-label="`${s} heel stabiliser`"
                :checked="isStabilised(studio.device(s))"
                :disabled="fitting.readOnly"
                @change="
                  studio.keep(
                    s,
                    (d) => ({ ...d, heelStabiliser: !isStabilised(d) }),
                    'heel stabiliser',
                  )
                "
              />
              flat</label
            >
          </div>
        </template>
        <div v-if="group.name === 'Shell and cover'" class="row">
          <span class="what"><b>Base of</b></span
          ><select
            v-for="s in SIDES"
            :key="s"
            class="field"
            :aria-label="`${s} base`"
            :disabled="fitting.readOnly || !studio.device(s).shell.base"
            :value="
              studio.device(s).shell.base
                ? `${studio.device(s).shell.base!.reach}/${studio.device(s).shell.base!.material}`
                : ''
            "
            @change="
              studio.keep(
                s,
                (d) => {
                  const [reach, material] = pick($event).split('/') as ['shell', string]
                  return {
                    ...d,
                    shell: { ...d.shell, base: { ...d.shell.base!, reach, material } },
                  }
                },
                'base',
              )
            "
          >
            <option value="" disabled>no base</option>
            <template v-for="m in BASE_MATERIALS" :key="m.id"
              ><option
                v-for="r in ['shell', 'sulcus', 'full'] as const"
                :key="r"
                :value="`${r}/${m.id}`"
              >
                {{ m.name }},
                {{ r === 'full' ? 'full length' : r === 'sulcus' ? 'to the sulcus' : 'shell only' }}
              </option></template
            >
          </select>
        </div>
        <div
          v-if="
            group.name === 'Shell and cover' && SIDES.some((s) => studio.device(s).shell.graded)
          "
          class="row"
        >
          <span class="what" /><button
            v-for="s in SIDES"
            :key="s"
            class="plainbtn"
            :disabled="fitting.readOnly || !studio.device(s).shell.graded"
            @click="studio.keep(s, shell({ graded: undefined }), 'one thickness')"
          >
            one thickness
          </button>
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.bodypane {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head,
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 156px 156px;
  gap: 6px;
  align-items: center;
  padding: 3px 8px;
  border-bottom: 1px solid var(--hairline);
}
.body {
  flex: 1;
  min-height: 0;
}
.what {
  line-height: 17px;
  min-width: 0;
}
.note {
  display: block;
  font-size: 12px;
  color: var(--muted);
}
h3 {
  font-size: 13px;
  padding: 8px 8px 3px;
  font-weight: 700;
  background: var(--paper);
}
select.field {
  font-size: 14px;
  padding: 0 6px;
  height: 42px;
}
.blank {
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-width: 0;
}
.blank small {
  font-size: 12px;
  line-height: 14px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
}
.check input {
  width: 20px;
  height: 20px;
  accent-color: var(--spruce);
}
.plainbtn {
  min-height: 36px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  text-align: center;
}
@media (max-width: 1179px) {
  .head,
  .row {
    grid-template-columns: minmax(0, 1fr) 134px 134px;
  }
}
</style>
