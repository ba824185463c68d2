<script setup lang="ts">
import { computed } from 'vue'
import { fitBlanks } from '../../../core/device/blanks'
import { COVER_MATERIALS } from '../../../core/device/materials'
import { isStabilised } from '../../../core/device/shell'
import { postHeightMm } from '../../../core/device/sizeSense'
import { soleParameters } from '../../../core/device/soleParameters'
import { comfortOf, forceOf } from '../../../core/mechanics/shell/comfort'
import { normsOf } from '../../../core/measure/normsTable'
import type { Device } from '../../../core/record/schema'
import { DEVICE_KINDS, SIDES, type DeviceKind, type Side } from '../../../core/record/vocabulary'
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
  value: (d: Device) => number | null
  edit: (v: number) => Edit
  beside?: (side: Side, v: number) => string
}
const heel = (side: Side) => soleParameters(fitting.record.feet[side]!)?.parameters.heelWidthMm
const ball = (side: Side) => soleParameters(fitting.record.feet[side]!)?.parameters.forefootWidthMm
const outline =
  (change: Partial<Device['outline']>): Edit =>
  (d) => ({ ...d, outline: { ...d.outline, ...change } })
const shell =
  (change: Partial<Device['shell']>): Edit =>
  (d) => ({ ...d, shell: { ...d.shell, ...change } })
const graded =
  (key: 'heelMm' | 'archMm' | 'frontMm') =>
  (v: number): Edit =>
  (d) => ({ ...d, shell: { ...d.shell, graded: { ...d.shell.graded, [key]: v } } })
/** About so many degrees of cast inversion give one at the heel (Blake 1986). */
const CAST_PER_HEEL_DEG = 5
const post = (d: Device, at: 'rearfoot' | 'forefoot') => d.posts.find((p) => p.at === at)
const groups = computed<{ name: string; rows: Row[] }[]>(() => [
  {
    name: 'Shell and cover',
    rows: [
      {
        name: 'Shell',
        note: 'thickness',
        unit: 'mm',
        step: 0.5,
        min: 0.5,
        max: 20,
        start: 4,
        value: (d) => d.shell.thicknessMm,
        edit: (v) => shell({ thicknessMm: v }),
        beside: (side) => stiffWords(side),
      },
      {
        name: 'under the heel',
        note: 'graded',
        unit: 'mm',
        step: 0.5,
        min: 0.5,
        max: 20,
        start: 4,
        value: (d) => d.shell.graded?.heelMm ?? null,
        edit: graded('heelMm'),
      },
      {
        name: 'under the arch',
        note: 'graded',
        unit: 'mm',
        step: 0.5,
        min: 0.5,
        max: 20,
        start: 3,
        value: (d) => d.shell.graded?.archMm ?? null,
        edit: graded('archMm'),
      },
      {
        name: 'at the front edge',
        note: 'graded',
        unit: 'mm',
        step: 0.5,
        min: 0.5,
        max: 20,
        start: 3,
        value: (d) => d.shell.graded?.frontMm ?? null,
        edit: graded('frontMm'),
      },
      {
        name: 'Cover',
        note: 'top',
        unit: 'mm',
        step: 0.5,
        min: 0,
        max: 20,
        start: 2,
        value: (d) => d.shell.cover.thicknessMm,
        edit: (v) => (d) => ({
          ...d,
          shell: { ...d.shell, cover: { ...d.shell.cover, thicknessMm: v } },
        }),
      },
      {
        name: 'Base',
        note: 'below the shell',
        unit: 'mm',
        step: 0.5,
        min: 0,
        max: 20,
        start: 2,
        value: (d) => d.shell.base?.thicknessMm ?? null,
        edit: (v) => (d) => ({
          ...d,
          shell: {
            ...d.shell,
            base:
              v === 0
                ? undefined
                : { material: 'eva-60', reach: 'shell', ...d.shell.base, thicknessMm: v },
          },
        }),
      },
    ],
  },
  {
    name: 'Outline',
    rows: [
      {
        name: 'Heel cup',
        note: '8 low, 12–14 usual, 16–18 deep',
        unit: 'mm',
        step: 1,
        min: 0,
        max: 40,
        start: 14,
        value: (d) => d.outline.heelCupMm,
        edit: (v) => outline({ heelCupMm: v }),
      },
      {
        name: 'Inner top line',
        note: 'beside the midfoot',
        unit: 'mm',
        step: 1,
        min: 0,
        max: 40,
        start: 8,
        value: (d) => d.outline.medialTopMm ?? null,
        edit: (v) => outline({ medialTopMm: v === 0 ? undefined : v }),
      },
      {
        name: 'Outer top line',
        note: 'beside the midfoot',
        unit: 'mm',
        step: 1,
        min: 0,
        max: 40,
        start: 8,
        value: (d) => d.outline.lateralTopMm ?? null,
        edit: (v) => outline({ lateralTopMm: v === 0 ? undefined : v }),
      },
      {
        name: 'Front edge',
        note: 'behind the heads',
        unit: 'mm',
        step: 1,
        min: -20,
        max: 60,
        start: 5,
        value: (d) => d.outline.distal.behindHeadsMm,
        edit: (v) => outline({ distal: { behindHeadsMm: v } }),
      },
    ],
  },
  {
    name: 'Posts and lift',
    rows: [
      {
        name: 'Cast balanced to',
        note: '+ inverted',
        unit: '°',
        step: 1,
        min: -45,
        max: 45,
        start: 2,
        value: (d) => d.castAngleDeg,
        edit: (v) => (d) => ({ ...d, castAngleDeg: v }),
        beside: (_, v) => (v > 0 ? `cast inverted ${CAST_PER_HEEL_DEG * v}°` : ''),
      },
      {
        name: 'Rearfoot post',
        note: '+ varus, tilts out',
        unit: '°',
        step: 1,
        min: -45,
        max: 45,
        start: 2,
        value: (d) => post(d, 'rearfoot')?.angleDeg ?? null,
        edit: (v) => postEdit({ angleDeg: v }),
        beside: (side, v) => (heel(side) ? `${postHeightMm(v, heel(side)!).toFixed(1)} mm` : ''),
      },
      {
        name: 'its length',
        note: 'from the heel',
        unit: 'mm',
        step: 5,
        min: 10,
        max: 140,
        start: 60,
        value: (d) => post(d, 'rearfoot')?.lengthMm ?? null,
        edit: (v) => postEdit({ lengthMm: v }),
      },
      {
        name: 'its motion',
        note: 'inner base ground up',
        unit: '°',
        step: 1,
        min: 0,
        max: 12,
        start: 4,
        value: (d) => post(d, 'rearfoot')?.motionDeg ?? null,
        edit: (v) => postEdit({ motionDeg: v === 0 ? undefined : v }),
      },
      {
        name: 'Forefoot post',
        note: '+ varus',
        unit: '°',
        step: 1,
        min: -45,
        max: 45,
        start: 2,
        value: (d) => post(d, 'forefoot')?.angleDeg ?? null,
        edit: (v) => postEdit({ at: 'forefoot', angleDeg: v }),
        beside: (side, v) => (ball(side) ? `${postHeightMm(v, ball(side)!).toFixed(1)} mm` : ''),
      },
      {
        name: 'Heel lift',
        note: 'runs out to the ball',
        unit: 'mm',
        step: 1,
        min: 0,
        max: 40,
        start: 3,
        value: (d) => d.heelLiftMm,
        edit: (v) => (d) => ({ ...d, heelLiftMm: v }),
      },
      {
        name: 'its taper',
        note: 'length in front of the heel',
        unit: 'mm',
        step: 10,
        min: 20,
        max: 200,
        start: 100,
        value: (d) => d.liftTaperMm ?? null,
        edit: (v) => (d) => ({ ...d, liftTaperMm: v }),
      },
    ],
  },
])
const table = computed(() => normsOf(fitting.record))
/** what is not rigid can lie below a shell */
const BASE_MATERIALS = computed(() => [
  ...table.value.shellMaterials.filter((m) => !m.rigid),
  ...COVER_MATERIALS.filter((m) => m.id !== 'none'),
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
    ? fitBlanks(fitting.record.feet[side]!, table.value.blanks, kind).slice(0, 8)
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
          <template v-for="m in COVER_MATERIALS" :key="m.id"
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
            :label="`${s} ${row.name.startsWith('its') ? `${group.name} ${row.name}` : row.name}`"
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
