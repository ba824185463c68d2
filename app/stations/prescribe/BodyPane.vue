<script setup lang="ts">
import { VCheckboxBtn, VSelect } from 'vuetify/components'
import { computed } from 'vue'
import { BODY_AMOUNTS, type BodyKind } from '../../../core/kinds/body/all'
import { BODY_GROUPS, type BodyAmount } from '../../../core/kinds/body/definition'
import { POSTS, POST_PLACES } from '../../../core/kinds/posts/all'
import type { PostAmount, PostDefinition, PostOf } from '../../../core/kinds/posts/definition'
import { fitBlanks, fromBlank, withBestBlank } from '../../../core/device/blanks'
import { NO_COVER, SHELL_MAKINGS } from '../../../core/tables/materials'
import { madeOf } from '../../../core/device/shellMaking'
import { isStabilised } from '../../../core/device/blocks'
import { postHeightMm } from '../../../core/device/sizeSense'
import { soleParameters } from '../../../core/device/soleParameters'
import { comfortOf, forceOf } from '../../../core/mechanics/plate/comfort'
import type { Device, Post } from '../../../core/record/schema'
import { DEVICE_KINDS, SIDES, type DeviceKind, type Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import type { useEffects } from './useEffects'
import { dropPost, postEdit, type useStudio } from './useStudio'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf, namedChoices } from '~/browser/choices'

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
  invertedCast: (_, v) =>
    v > 0 ? `about ${(v / table.value.castPerHeelDeg).toFixed(0)}° expected` : '',
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
const postRows = POST_PLACES.flatMap((at) => {
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
function setBlank(side: Side, text: string) {
  const [id, size] = text.split('/')
  const found = fitting.tables.blanks.find((b) => b.id === id && b.sizeMm === Number(size))
  studio.keep(side, (d) => (found ? fromBlank(d, found) : { ...d, blank: undefined }), 'blank')
}
/** Another kind of device: one from a blank begins with the blank that lies best. */
function setKind(side: Side, kind: DeviceKind) {
  const { blanks: shelf } = fitting.tables
  const foot = fitting.record.feet[side]!
  studio.keep(
    side,
    ({ blank: _, ...d }) => withBestBlank({ ...d, kind }, foot, shelf, table.value),
    'kind',
  )
}
const NO_POST = 'none'
const stylePost = (side: Side, at: Post['at']) => post(studio.device(side), at)?.style ?? NO_POST
const withStyle =
  (at: Post['at'], style: string): Edit =>
  (d) =>
    style === NO_POST ? dropPost(at)(d) : postEdit({ at, style: style as Post['style'] })(d)
/** Which half a block stands under, and whether it is a piece of its own. */
const POST_BUILDS = (['whole', 'medial', 'lateral'] as const).flatMap((half) =>
  [false, true].map((glued) => ({
    value: `${half}/${glued}`,
    title: `${half === 'whole' ? 'whole' : `${half} half`}, ${glued ? 'glued on' : 'of the shell'}`,
  })),
)
const buildOf = (side: Side, at: Post['at']) => {
  const p = post(studio.device(side), at)
  return p ? `${p.half ?? 'whole'}/${p.glued ?? false}` : null
}
const withBuild = (at: Post['at'], key: string): Edit => {
  const [half, glued] = key.split('/')
  return postEdit({ at, half: half as Post['half'], glued: glued === 'true' || undefined })
}
/** Where a lift lies, and under which half of the heel. */
const LIFT_BUILDS = [
  { value: 'whole/shell', title: 'whole, below' },
  { value: 'medial/shell', title: 'medial half, below' },
  { value: 'lateral/shell', title: 'lateral half, below' },
  { value: 'whole/cover', title: 'in the cover' },
]
const liftOf = (side: Side) => {
  const { half = 'whole', in: place = 'shell' } = studio.device(side).heelLift ?? {}
  return `${half}/${place}`
}
const withLift =
  (key: string): Edit =>
  (d) => {
    const [half, place] = key.split('/')
    return { ...d, heelLift: { half, in: place } as Device['heelLift'] }
  }
const AS_SHELL = ''
const postMaterials = computed(() => [
  { value: AS_SHELL, title: 'as the shell' },
  ...namedChoices(table.value.shellMaterials),
])
const isBlock = (side: Side, at: Post['at']) => post(studio.device(side), at)?.style === 'extrinsic'
const KINDS = choicesOf(DEVICE_KINDS, (kind) => KIND_WORDS[kind])
const POST_STYLES = [NO_POST, 'extrinsic', 'intrinsic']

const blockPlaces = computed(() => POST_PLACES.filter((at) => SIDES.some((s) => isBlock(s, at))))

/** A line that stands for two things at once has both in its value. */
const APART = '/'
const both = (...parts: (string | number)[]) => parts.join(APART)

type Way = ReturnType<typeof madeOf>['way']
/** A device from a blank is made as the blank was. */
const wayOf = (side: Side): Way => madeOf(studio.device(side), table.value).way
const makings = (side: Side): readonly Way[] =>
  wayOf(side) === 'blank' ? ['blank'] : SHELL_MAKINGS
const setMaking = (side: Side, making: Way) =>
  making !== 'blank' && studio.keep(side, shell({ making }), 'made')
const NO_BLANK = ''
const blankKey = (blank: Device['blank']) => (blank ? both(blank.id, blank.sizeMm) : NO_BLANK)
const blankChoices = computed(() => {
  const of = (side: Side) => [
    { value: NO_BLANK, title: 'choose …' },
    ...blanks(side).map(({ blank, words }) => ({
      value: both(blank.id, blank.sizeMm),
      title: `${blank.name} ${blank.sizeMm}: ${words}`,
    })),
  ]
  return { left: of('left'), right: of('right') }
})

type Reach = Device['outline']['cover']
const REACHES = { full: 'full length', sulcus: 'to the sulcus', shell: 'shell only' } as const
const reaching = (materials: readonly { id: string; name: string }[], reaches: Reach[]) =>
  materials.flatMap(({ id, name }) =>
    reaches.map((reach) => ({ value: both(reach, id), title: `${name}, ${REACHES[reach]}` })),
  )
const COVERS = computed(() => reaching(table.value.coverMaterials, ['full', 'sulcus', 'shell']))
const coverKey = (d: Device) => both(d.outline.cover, d.shell.cover.material)
const withCover =
  (key: string): Edit =>
  (d) => {
    const [cover, material] = key.split(APART) as [Reach, string]
    return {
      ...d,
      outline: { ...d.outline, cover },
      shell: { ...d.shell, cover: { ...d.shell.cover, material } },
    }
  }
const BASES = computed(() => reaching(BASE_MATERIALS.value, ['shell', 'sulcus', 'full']))
const baseKey = ({ shell: { base } }: Device) => (base ? both(base.reach, base.material) : null)
const withBase =
  (key: string): Edit =>
  (d) => {
    const [reach, material] = key.split(APART) as [Reach, string]
    return { ...d, shell: { ...d.shell, base: { ...d.shell.base!, reach, material } } }
  }
</script>

<template>
  <div class="bodypane">
    <div class="head">
      <span class="bold">Device</span><SideMark side="left" word /><SideMark side="right" word />
    </div>
    <div class="scroll body">
      <div class="row">
        <span class="what"><b>Kind</b></span
        ><VSelect
          v-for="s in SIDES"
          :key="s"
          :items="KINDS"
          :aria-label="`${s} kind of device`"
          :model-value="studio.device(s).kind"
          :disabled="fitting.readOnly"
          @update:model-value="(kind: DeviceKind) => setKind(s, kind)"
        />
      </div>
      <div v-if="SIDES.some((s) => blanks(s).length)" class="row tall">
        <span class="what"
          ><b>Blank</b><span class="note">by arch length and height, best first</span></span
        >
        <span v-for="s in SIDES" :key="s" class="blank"
          ><template v-if="blanks(s).length"
            ><VSelect
              :items="blankChoices[s]"
              :aria-label="`${s} blank`"
              :disabled="fitting.readOnly"
              :model-value="blankKey(studio.device(s).blank)"
              @update:model-value="(key: string) => setBlank(s, key)"
            /><small v-if="blankOf(s)" :class="`${blankOf(s)!.verdict}-text`"
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
        ><VSelect
          v-for="s in SIDES"
          :key="s"
          :items="namedChoices(table.shellMaterials)"
          :aria-label="`${s} shell material`"
          :model-value="studio.device(s).shell.material"
          :disabled="fitting.readOnly"
          @update:model-value="
            (material: string) => studio.keep(s, shell({ material }), 'material')
          "
        />
      </div>
      <div class="row">
        <span class="what"><b>Made</b></span
        ><VSelect
          v-for="s in SIDES"
          :key="s"
          :items="makings(s)"
          :aria-label="`${s} shell is made`"
          :model-value="wayOf(s)"
          :disabled="fitting.readOnly || wayOf(s) === 'blank'"
          @update:model-value="(way: Way) => setMaking(s, way)"
        />
      </div>
      <div class="row">
        <span class="what"><b>Cover</b></span
        ><VSelect
          v-for="s in SIDES"
          :key="s"
          :items="COVERS"
          :aria-label="`${s} cover`"
          :model-value="coverKey(studio.device(s))"
          :disabled="fitting.readOnly"
          @update:model-value="(key: string) => studio.keep(s, withCover(key), 'cover')"
        />
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
            ><VSelect
              v-for="s in SIDES"
              :key="s"
              :items="POST_STYLES"
              :aria-label="`${s} ${at} post style`"
              :model-value="stylePost(s, at)"
              :disabled="fitting.readOnly"
              @update:model-value="
                (style: string) => studio.keep(s, withStyle(at, style), 'post style')
              "
            />
          </div>
          <div v-for="at in blockPlaces" :key="`${at} build`" class="row">
            <span class="what"
              ><b>{{ at === 'rearfoot' ? 'Rearfoot' : 'Forefoot' }} block</b></span
            ><VSelect
              v-for="s in SIDES"
              :key="s"
              :items="POST_BUILDS"
              :aria-label="`${s} ${at} block`"
              :model-value="buildOf(s, at)"
              :disabled="fitting.readOnly || !isBlock(s, at)"
              @update:model-value="
                (key: string) => studio.keep(s, withBuild(at, key), `${at} block`)
              "
            />
          </div>
          <div v-for="at in blockPlaces" :key="`${at} material`" class="row">
            <span class="what"><b>its material</b></span
            ><VSelect
              v-for="s in SIDES"
              :key="s"
              :items="postMaterials"
              :aria-label="`${s} ${at} post material`"
              :model-value="post(studio.device(s), at)?.material ?? AS_SHELL"
              :disabled="fitting.readOnly || !isBlock(s, at)"
              @update:model-value="
                (id: string) =>
                  studio.keep(s, postEdit({ at, material: id || undefined }), 'post material')
              "
            />
          </div>
          <div v-if="SIDES.some((s) => studio.device(s).heelLiftMm > 0)" class="row">
            <span class="what"><b>Heel lift is</b></span
            ><VSelect
              v-for="s in SIDES"
              :key="s"
              :items="LIFT_BUILDS"
              :aria-label="`${s} heel lift is`"
              :model-value="liftOf(s)"
              :disabled="fitting.readOnly || studio.device(s).heelLiftMm === 0"
              @update:model-value="(key: string) => studio.keep(s, withLift(key), 'heel lift')"
            />
          </div>
          <div class="row">
            <span class="what"
              ><b>Heel stabiliser</b><span class="note">underside flat, does not rock</span></span
            ><label v-for="s in SIDES" :key="s" class="check"
              ><VCheckboxBtn
                :aria-label="`${s} heel stabiliser`"
                :model-value="isStabilised(studio.device(s))"
                :disabled="fitting.readOnly"
                @update:model-value="
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
          ><VSelect
            v-for="s in SIDES"
            :key="s"
            :items="BASES"
            placeholder="no base"
            :aria-label="`${s} base`"
            :disabled="fitting.readOnly || !studio.device(s).shell.base"
            :model-value="baseKey(studio.device(s))"
            @update:model-value="(key: string) => studio.keep(s, withBase(key), 'base')"
          />
        </div>
        <div
          v-if="
            group.name === 'Shell and cover' && SIDES.some((s) => studio.device(s).shell.graded)
          "
          class="row"
        >
          <span class="what" /><PlainButton
            v-for="s in SIDES"
            :key="s"
            class="plainbtn"
            :disabled="fitting.readOnly || !studio.device(s).shell.graded"
            @click="studio.keep(s, shell({ graded: undefined }), 'one thickness')"
          >
            one thickness
          </PlainButton>
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
  --field-pad: 6px;
  --v-input-control-height: 42px;
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
.plainbtn {
  min-height: 36px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  text-align: center;
}
/* Twelve amounts at once beside a mouse; fingers keep their size. */
@media (pointer: fine) and (min-width: 1180px) {
  .row {
    padding: 0 8px;
  }
  .row :deep(.stepper) {
    height: 29px;
  }
  .row .check {
    min-height: 29px;
    height: 29px;
  }
  h3 {
    padding: 2px 8px 1px;
  }
  .row :deep(.stepper input) {
    font-size: 14px;
    line-height: 15px;
  }
  .row :deep(.stepper small) {
    font-size: 11px;
    line-height: 12px;
  }
  .row :deep(.v-field) {
    --v-input-control-height: 29px;
    --v-field-padding-top: 2px;
    --v-field-padding-bottom: 2px;
    min-height: 29px;
  }
  .what .note {
    display: inline;
    padding-left: 6px;
  }
  .what {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
@media (max-width: 1179px) {
  .head,
  .row {
    grid-template-columns: minmax(0, 1fr) 134px 134px;
  }
}
</style>
