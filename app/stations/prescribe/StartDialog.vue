<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn, VCard, VDialog, VSelect } from 'vuetify/components'
import { proposeDevice } from '../../../core/advice/proposal'
import { withBestBlank } from '../../../core/device/blanks'
import { plainDevice } from '../../../core/device/buildDevice'
import { deviceLines } from '../../../core/device/deviceWords'
import type { Device } from '../../../core/record/schema'
import { SCHOOLS, SIDES, type School, type Side } from '../../../core/tables/vocabulary'
import type { FittingRow, FittingState, PresetRow } from '../../../shared/contracts'
import SideMark from '~/components/SideMark.vue'
import { SCHOOL_WORDS } from '~/components/schoolWords'
import { api } from '~/browser/api'
import type { useStudio } from './useStudio'
import { useLedger } from '~/stores/ledger'
import PlainButton from '~/components/PlainButton.vue'
import { namedChoices } from '~/browser/choices'

/**
 * Ways to start a device: a school's proposal out of the readings, a preset of the shop, the last
 * device, or nothing; and a neutral blank for the good foot.
 */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const open = defineModel<boolean>({ required: true })
const { fitting } = studio
const ledger = useLedger()
type From = 'school' | 'preset' | 'last' | 'nothing'
const from = ref<From>('school')
const school = ref<School>('neutral')
const presets = ref<PresetRow[]>([])
const preset = ref<string | null>(null)
const earlier = ref<{ on: string; devices: Partial<Record<Side, Device>> } | null>(null)
const trouble = ref('')
watch(open, async (is) => {
  if (!is) return
  school.value = fitting.record.story?.school ?? 'neutral'
  trouble.value = ''
  try {
    presets.value = (await api<{ presets: PresetRow[] }>('presets')).presets
    earlier.value = await lastDevices()
  } catch (error) {
    trouble.value = (error as Error).message
  }
})
/** Devices of the newest other fitting of this client that has any. */
async function lastDevices() {
  const { fittings } = await api<{ fittings: FittingRow[] }>(`clients/${fitting.client!.id}`)
  for (const f of fittings.filter((x) => x.id !== fitting.id).slice(0, 6)) {
    const { parts } = await api<FittingState>(`fittings/${f.id}`)
    const devices = Object.fromEntries(
      SIDES.flatMap((s) =>
        parts[`device.${s}`]?.content ? [[s, parts[`device.${s}`]!.content as Device]] : [],
      ),
    )
    if (Object.keys(devices).length) return { on: f.openedOn, devices }
  }
  return null
}
const proposals = computed(
  () =>
    (open.value
      ? Object.fromEntries(SIDES.map((s) => [s, proposeDevice(fitting.record, s, school.value)]))
      : {}) as Partial<Record<Side, ReturnType<typeof proposeDevice>>>,
)
/** On the blank that lies best, where it is made from one. */
const onBlank = (side: Side, device: Device) =>
  withBestBlank(device, fitting.record.feet[side]!, fitting.tables.blanks, fitting.norms)
const offer = (side: Side): Device | null => {
  const device = plainOffer(side)
  return device && onBlank(side, device)
}
const plainOffer = (side: Side): Device | null => {
  if (from.value === 'school') return proposals.value[side]?.device ?? null
  if (from.value === 'preset')
    return presets.value.find((p) => p.id === preset.value)?.device ?? null
  if (from.value === 'last') return earlier.value?.devices[side] ?? null
  return plainDevice()
}
const lines = (side: Side) => {
  const device = offer(side)
  return device ? deviceLines({ ...fitting.record.feet[side]!, device }, fitting.norms) : []
}
const reasons = (side: Side) =>
  from.value === 'school' ? (proposals.value[side]?.reasons ?? []) : []
const WORDS: Record<From, string> = {
  school: 'a school',
  preset: 'a preset',
  last: 'the last device',
  nothing: 'nothing',
}
function take(sides: readonly Side[]) {
  for (const side of sides) {
    const device = offer(side)
    if (!device) continue
    studio.replace(side, device, `start from ${WORDS[from.value]}`)
    for (const entry of reasons(side)) ledger.decide({ ...entry, foot: entry.foot }, 'accepted')
  }
  open.value = false
}
function neutral(side: Side) {
  studio.replace(
    side,
    onBlank(side, { ...plainDevice(), kind: 'trim-to-fit', name: 'neutral blank' }),
    'neutral blank',
  )
  open.value = false
}
</script>

<template>
  <VDialog v-model="open" max-width="900">
    <VCard class="pane">
      <h2>Start a device</h2>
      <div class="seg" role="radiogroup" aria-label="Start from">
        <PlainButton
          v-for="(w, f) in WORDS"
          :key="f"
          class="pick"
          role="radio"
          :aria-checked="from === f"
          @click="from = f"
        >
          {{ w }}
        </PlainButton>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <div v-if="from === 'school'" class="seg" role="radiogroup" aria-label="School">
        <PlainButton
          v-for="s in SCHOOLS"
          :key="s"
          class="pick"
          role="radio"
          :aria-checked="school === s"
          @click="school = s"
        >
          {{ SCHOOL_WORDS[s].name }}
        </PlainButton>
      </div>
      <VSelect
        v-if="from === 'preset'"
        v-model="preset"
        :items="namedChoices(presets)"
        aria-label="Preset"
        :placeholder="
          presets.length ? 'choose a preset …' : 'the shop keeps none yet: make one under Send'
        "
      />
      <p v-if="from === 'last'" class="small muted">
        {{
          earlier
            ? `from the fitting of ${earlier.on}`
            : 'No earlier fitting of this client has a device.'
        }}
      </p>
      <div class="feet">
        <section v-for="side in SIDES" :key="side">
          <div class="acts top">
            <SideMark :side="side" word /><VBtn :disabled="!offer(side)" @click="take([side])"
              >Take for the {{ side }}</VBtn
            ><VBtn variant="text" @click="neutral(side)">Neutral blank</VBtn>
          </div>
          <ul v-if="lines(side).length" class="small">
            <li v-for="(l, i) in lines(side)" :key="i">{{ l }}</li>
          </ul>
          <p v-else class="small muted">
            {{
              from === 'school'
                ? 'This school finds nothing to build in the readings of this foot.'
                : 'nothing here yet'
            }}
          </p>
          <template v-if="reasons(side).length"
            ><h4>Why</h4>
            <p v-for="r in reasons(side)" :key="r.code" class="small reason">
              ◆ {{ r.words }} <span class="muted">{{ r.source }}</span>
            </p></template
          >
        </section>
      </div>
      <div class="acts">
        <VBtn
          color="primary"
          variant="flat"
          :disabled="!offer('left') && !offer('right')"
          @click="take(SIDES)"
          >Take for both feet</VBtn
        ><VBtn @click="open = false">Cancel</VBtn
        ><span class="small muted">What is there now is kept as a version.</span>
      </div>
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
.seg {
  display: flex;
  flex-wrap: wrap;
}
.pick {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--line-strong);
  margin-left: -1px;
  background: var(--sheet);
}
.pick[aria-checked='true'] {
  background: var(--wash);
  font-weight: 700;
}
.feet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  max-height: 46vh;
  overflow: auto;
}
h4 {
  font-size: 13px;
  margin: 8px 0 2px;
}
.acts.top {
  padding: 0 0 4px;
}
ul {
  padding-left: 18px;
}
.reason {
  padding: 2px 0;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
  padding-top: 6px;
}
</style>
