<script setup lang="ts">
import { deviceRows } from '../../../core/device/deviceRows'
import { computed, reactive, ref, watch } from 'vue'
import { VBtn, VCard, VCheckboxBtn, VDialog } from 'vuetify/components'
import { readFootprintCsv, writeFootprintCsv } from '../../../core/formats/footprintCsv'
import type { TissueFit } from '../../../core/mechanics/calibrate'
import { twoDigits } from '../../../core/mechanics/effectSteps'
import { pressureRefusal } from '../../../core/mechanics/pressureRefusal'
import { isChild } from '../../../core/measure/ageAtVisit'
import { readFootprint, type FootprintReading } from '../../../core/measure/footprint'
import { parseNumber } from '../../../core/measure/parseNumber'
import { Refusal } from '../../../core/record/refusal'
import type { Foot } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { apiText } from '~/browser/api'
import { download } from '~/browser/download'
import { useFitting } from '~/stores/fitting'
import { newestWins } from '~/workers/deviceWorker'
import { effectsWorker } from '~/workers/effectsWorker'
import PrintMap from './PrintMap.vue'
import { useChanges } from '~/stores/changes'
import FileField from '~/components/FileField.vue'

/**
 * Footprints of both feet: in from a file or the stand-in plate, read, drawn in one hue, out again.
 */
const open = defineModel<boolean>({ required: true })
const fitting = useFitting()
const changes = useChanges()
const trouble = ref('')
const busy = ref<Side | null>(null)
const seed = ref(1)
const fields = ref<Partial<Record<Side, InstanceType<typeof FileField>>>>({})
const child = computed(() => isChild(fitting.record.client, fitting.record.visit?.on))
const prints = computed(
  () =>
    Object.fromEntries(SIDES.map((side) => [side, one(side)])) as Record<
      Side,
      { reading: FootprintReading | null; refused: string }
    >,
)
function one(side: Side) {
  const print = fitting.record.feet[side]!.footprint
  if (!print) return { reading: null, refused: '' }
  try {
    return { reading: readFootprint(print, side), refused: '' }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { reading: null, refused: error.message }
  }
}
/** Every print takes the same way in, from a file or from the plate. */
function take(text: string, side: Side, name: string) {
  trouble.value = ''
  try {
    const { side: told, print } = readFootprintCsv(text, { cellMm: 5 })
    const foot = told ?? side
    readFootprint(print, foot)
    trouble.value =
      changes.put(
        `footprint.${foot}`,
        { ...print, source: print.source ?? name },
        `footprint ${foot}`,
      ) ?? (foot === side ? '' : `The file says it is the ${foot} foot: kept there.`)
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    trouble.value = `${name}: ${error.message} Nothing was changed.`
  }
}
async function fromFile([file]: File[], side: Side) {
  if (!file) return
  if (file.size > 2_000_000)
    trouble.value = `${file.name} is larger than 2 MB; a footprint is far smaller.`
  else take(await file.text(), side, file.name)
}
async function fromPlate(side: Side) {
  busy.value = side
  try {
    take(
      await apiText(`standins/plate?fitting=${fitting.id}&side=${side}&seed=${seed.value++}`),
      side,
      'stand-in plate',
    )
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    busy.value = null
  }
}
const toFile = (side: Side) =>
  download(
    `${fitting.client!.code}-${side}-footprint.csv`,
    writeFootprintCsv(fitting.record.feet[side]!.footprint!, side),
    'text/csv',
  )
function toeLine(side: Side, text: string) {
  const value = parseNumber(text)
  const { reading } = prints.value[side]
  if (text.trim() && (value === null || value < 50 || value > reading!.lengthMm)) {
    trouble.value = `Toe line: a number from 50 to ${reading!.lengthMm.toFixed(0)} mm. “${text}” was not kept.`
    return
  }
  const { toeLineMm: _, ...print } = fitting.record.feet[side]!.footprint!
  trouble.value =
    changes.put(
      `footprint.${side}`,
      { ...print, ...(value !== null && text.trim() && { toeLineMm: value }) },
      `toe line ${side}`,
    ) ?? ''
}
/** What the picture says of the tissue that estimates stand on; why not where it says nothing. */
const tissue = reactive<Record<Side, { fit: TissueFit | null; refused: string } | null>>({
  left: null,
  right: null,
})
for (const side of SIDES) {
  const ask = newestWins(
    async ({ foot, massKg }: { foot: string; massKg: number }) =>
      effectsWorker().tissue(JSON.parse(foot) as Foot, massKg, deviceRows(fitting.norms)),
    (fit) =>
      (tissue[side] = {
        fit,
        refused: fit
          ? ''
          : 'Measure the foot length first; then the picture can set the tissue of estimates.',
      }),
  )
  watch(
    () =>
      [
        open.value && prints.value[side].reading !== null,
        JSON.stringify(fitting.record.feet[side]),
        fitting.record.client?.massKg,
        pressureRefusal(fitting.record, side),
      ] as const,
    ([shown, foot, massKg, refused]) => {
      if (!shown) tissue[side] = null
      else if (refused || massKg === undefined)
        tissue[side] = {
          fit: null,
          refused: refused ?? 'Body weight is missing; estimates need it.',
        }
      else ask({ foot, massKg })
    },
    { immediate: true },
  )
}
const two = twoDigits
function followTissue(side: Side, on: boolean) {
  const { fitsTissue: _, ...print } = fitting.record.feet[side]!.footprint!
  trouble.value =
    changes.put(
      `footprint.${side}`,
      { ...print, ...(on && { fitsTissue: true }) },
      `tissue of the ${side} foot`,
    ) ?? ''
}
const percent = (v: number) => `${Math.round(v * 100)} %`
</script>

<template>
  <VDialog v-model="open" max-width="920">
    <VCard class="pane">
      <div class="head">
        <h2>Footprint and pressure</h2>
        <span class="muted small"
          >CSV of kPa, rows from the toes to the heel; or the stand-in plate</span
        ><VBtn class="end" @click="open = false">Close</VBtn>
      </div>
      <p v-if="trouble" class="notice" role="alert">{{ trouble }}</p>
      <div class="two">
        <section v-for="side in SIDES" :key="side" :aria-label="`${side} footprint`">
          <div class="acts">
            <SideMark :side="side" word />
            <VBtn
              size="small"
              height="40"
              :disabled="fitting.readOnly || busy !== null"
              @click="fromPlate(side)"
              >{{ busy === side ? 'Stepping …' : 'Plate' }}</VBtn
            >
            <VBtn
              size="small"
              height="40"
              :disabled="fitting.readOnly"
              @click="fields[side]?.open()"
              >From CSV</VBtn
            >
            <VBtn
              size="small"
              height="40"
              :disabled="!fitting.record.feet[side]!.footprint"
              @click="toFile(side)"
              >To CSV</VBtn
            >
            <FileField
              :ref="(el) => (fields[side] = el as InstanceType<typeof FileField>)"
              :label="`${side} footprint from CSV`"
              accept=".csv,text/csv"
              hidden
              @files="(files: File[]) => fromFile(files, side)"
            />
          </div>
          <p v-if="prints[side].refused" class="notice stop">{{ prints[side].refused }}</p>
          <p v-else-if="!prints[side].reading" class="muted none">
            No print of the {{ side }} foot yet.
          </p>
          <div v-else class="body">
            <PrintMap
              :side="side"
              :print="fitting.record.feet[side]!.footprint!"
              :reading="prints[side].reading!"
            />
            <dl>
              <dt>Arch index</dt>
              <dd>
                <b>{{ prints[side].reading!.archIndex.toFixed(3) }}</b>
                <span v-if="!child" class="muted">{{
                  { high: 'high arch', usual: 'usual', low: 'low arch' }[
                    prints[side].reading!.archClass
                  ]
                }}</span>
              </dd>
              <dt>Load</dt>
              <dd>
                heel {{ percent(prints[side].reading!.share.heel) }}, midfoot
                {{ percent(prints[side].reading!.share.midfoot) }}, ball
                {{ percent(prints[side].reading!.share.forefoot) }}, toes
                {{ percent(prints[side].reading!.share.toes) }}
              </dd>
              <dt>Inner side</dt>
              <dd>
                {{ percent(prints[side].reading!.share.medial) }} of
                {{ prints[side].reading!.forceN.toFixed(0) }} N
              </dd>
              <dt>Peak</dt>
              <dd>
                {{ prints[side].reading!.peakKPa.toFixed(0) }} kPa,
                {{ prints[side].reading!.peakAtMm[1].toFixed(0) }} mm from the heel
              </dd>
              <dt>Centre</dt>
              <dd>
                {{ prints[side].reading!.centreOfPressureMm[1].toFixed(0) }} mm from the heel,
                {{ Math.abs(prints[side].reading!.centreOfPressureMm[0]).toFixed(1) }} mm
                {{ prints[side].reading!.centreOfPressureMm[0] > 0 ? 'inward' : 'outward' }}
              </dd>
              <dt>Toe line</dt>
              <dd>
                <DraftField
                  class="toe"
                  inputmode="decimal"
                  :value="Math.round(prints[side].reading!.toeLineMm)"
                  :disabled="fitting.readOnly"
                  :aria-label="`${side} toe line, mm`"
                  @keep="(t: string) => toeLine(side, t)"
                />
                mm
              </dd>
              <template v-if="tissue[side]"
                ><dt>Tissue</dt>
                <dd>
                  <label class="fit"
                    ><VCheckboxBtn
                      :model-value="fitting.record.feet[side]!.footprint!.fitsTissue === true"
                      :disabled="fitting.readOnly || !tissue[side]!.fit"
                      :aria-label="`${side} estimates follow this picture`"
                      @update:model-value="followTissue(side, $event)"
                    />
                    estimates follow this picture</label
                  >
                  <span v-if="tissue[side]!.fit" class="small block"
                    ><b>{{ tissue[side]!.fit!.stiffer.toFixed(2) }} ×</b> as stiff as usual. Heel:
                    measured {{ two(tissue[side]!.fit!.measured.heelKPa) }} kPa, estimate
                    {{ two(tissue[side]!.fit!.before.heelKPa) }} before,
                    {{ two(tissue[side]!.fit!.after.heelKPa) }} after. Ball:
                    {{ two(tissue[side]!.fit!.measured.headsKPa) }},
                    {{ two(tissue[side]!.fit!.before.headsKPa) }},
                    {{ two(tissue[side]!.fit!.after.headsKPa) }}.</span
                  >
                  <span v-if="tissue[side]!.fit?.doubt" class="small block watch-text"
                    >▲ {{ tissue[side]!.fit!.doubt }}</span
                  ><span v-if="tissue[side]!.refused" class="small block">{{
                    tissue[side]!.refused
                  }}</span>
                </dd></template
              >
              <dt>From</dt>
              <dd class="muted">{{ fitting.record.feet[side]!.footprint!.source ?? 'a file' }}</dd>
            </dl>
          </div>
        </section>
      </div>
      <p class="small muted">
        Arch index: middle third of the print without toes over the whole, cells from 10 kPa
        (Cavanagh &amp; Rodgers 1987). The axis runs from the middle of the heel to the middle of
        the ball. Standing pressure says nothing about walking. Tissue: one factor on its stiffness,
        so that the estimate standing barefoot meets these peaks; shape and places stay.
      </p>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 16px 18px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.head {
  display: flex;
  align-items: center;
  gap: 12px;
}
.end {
  margin-left: auto;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
.acts {
  display: flex;
  gap: 6px;
  align-items: center;
  padding-bottom: 8px;
}
.body {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 12px;
}
dl {
  display: grid;
  grid-template-columns: 74px 1fr;
  gap: 5px 8px;
  margin: 0;
  align-content: start;
  font-size: 13px;
}
dt {
  color: var(--muted);
}
dd {
  margin: 0;
}
.toe {
  width: 64px;
  --v-input-control-height: 32px;
  font-size: 14px;
}
.fit {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}
.block {
  display: block;
}
.none {
  min-height: 200px;
  padding-top: 40px;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
