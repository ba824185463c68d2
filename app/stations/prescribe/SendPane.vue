<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { deviceRows } from '../../../core/device/deviceRows'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VSelect, VTextField } from 'vuetify/components'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import type { PresetRow } from '../../../shared/contracts'
import SideMark from '~/components/SideMark.vue'
import { api } from '~/browser/api'
import { download } from '~/browser/download'
import { useSession } from '~/stores/session'
import { deviceWorker } from '~/workers/deviceWorker'
import type { useStudio } from './useStudio'
import OrdersPane from './OrdersPane.vue'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'
import { useOutbox } from '~/stores/outbox'

/** What leaves the studio: files, papers, an order to the lab, a preset for the shop. */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const { fitting } = studio
const session = useSession()
const trouble = ref('')
const busy = ref('')
const made = (side: Side) =>
  Boolean(fitting.record.feet[side]!.device) && fitting.record.feet[side]!.device!.kind !== 'none'
const feet = computed(() => SIDES.filter(made))
const any = computed(() => feet.value.length > 0)
const FILES = [
  ['.stl', 'solid, STL'],
  ['.3mf', 'solid, 3MF'],
  ['.obj', 'solid, OBJ'],
  ['-positive.stl', 'positive for pressing'],
  ['-sole.stl', 'sole surface for milling'],
  ['-template.svg', 'template, SVG'],
  ['-template.dxf', 'template, DXF'],
] as const
async function run<T>(what: string, task: () => Promise<T>): Promise<T | null> {
  busy.value = what
  trouble.value = ''
  try {
    return await task()
  } catch (error) {
    trouble.value = (error as Error).message
    return null
  } finally {
    busy.value = ''
  }
}
async function file(side: Side, end: string) {
  const bytes = await run(`${side}${end}`, () =>
    deviceWorker().file(
      plainCopy(studio.footOf(side)),
      side,
      deviceRows(fitting.norms),
      fitting.client?.code ?? 'client',
      end,
    ),
  )
  if (bytes)
    download(`${fitting.client?.code ?? 'client'}-${side}${end}`, bytes, 'application/octet-stream')
}
const presets = ref<PresetRow[]>([])
const name = ref('')
const from = ref<Side>('left')
const load = async () => (presets.value = (await api<{ presets: PresetRow[] }>('presets')).presets)
onMounted(() => load().catch(() => undefined))
const outbox = useOutbox()
async function keepPreset() {
  const done = await run('preset', () =>
    outbox.write({
      method: 'POST',
      path: 'presets',
      body: { name: name.value, device: plainCopy(studio.stored(from.value)), note: '' },
      words: `preset ${name.value}`,
    }),
  )
  if (done) {
    name.value = ''
    await load()
  }
}
const drop = async (id: string) =>
  (await run('drop', () =>
    outbox.write({
      method: 'DELETE',
      path: `presets/${id}`,
      body: {},
      words: 'preset taken out',
    }),
  )) && load()
const FROM = choicesOf(SIDES, (side) => `${side} device`)
</script>

<template>
  <div class="send scroll">
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <p v-if="fitting.blocked" class="notice stop" role="alert">
      <b>Refer first.</b> Nothing goes out to be made before a clearance, which is recorded in
      Story.
    </p>
    <p v-if="!any" class="muted">Nothing to send: no foot has a device yet.</p>
    <section>
      <h3>Papers and files of the pair</h3>
      <div class="line">
        <VBtn
          :href="`/api/fittings/${fitting.id}/devices?as=zip`"
          :disabled="!any || fitting.blocked"
          >Everything, zip</VBtn
        ><VBtn
          :href="`/api/fittings/${fitting.id}/devices?as=prescription`"
          target="_blank"
          :disabled="!any || fitting.blocked"
          >Prescription, PDF</VBtn
        ><VBtn
          :href="`/api/fittings/${fitting.id}/devices?as=template`"
          target="_blank"
          :disabled="!any || fitting.blocked"
          >Templates 1:1, PDF</VBtn
        >
      </div>
    </section>
    <section v-for="side in SIDES" v-show="made(side)" :key="side">
      <h3><SideMark :side="side" word /></h3>
      <div class="line">
        <PlainButton
          v-for="[end, words] in FILES"
          :key="end"
          class="chipbtn"
          :disabled="busy !== '' || fitting.blocked"
          @click="file(side, end)"
        >
          {{ busy === `${side}${end}` ? 'building …' : words }}
        </PlainButton>
      </div>
    </section>
    <OrdersPane :feet="feet" />
    <section>
      <h3>Presets of the shop</h3>
      <form class="line" @submit.prevent="keepPreset">
        <VSelect
          v-model="from"
          class="from"
          :items="FROM"
          aria-label="From which foot"
        /><VTextField
          v-model="name"
          maxlength="60"
          aria-label="Name of the preset"
          placeholder="name of the preset"
          :disabled="!session.may('presets.change')"
        /><VBtn
          type="submit"
          :disabled="busy !== '' || name.trim().length < 2 || !session.may('presets.change')"
          >Keep preset</VBtn
        >
      </form>
      <div v-for="p in presets" :key="p.id" class="line preset">
        <b>{{ p.name }}</b><span class="small muted"
          >{{ p.device.layers.length }} layers · {{ p.madeBy }}</span
        ><PlainButton
          class="chipbtn end"
          :disabled="!session.may('presets.change')"
          @click="drop(p.id)"
        >
          remove
        </PlainButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.send {
  height: 100%;
  padding: 8px 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
section {
  border-bottom: 1px solid var(--hairline);
  padding-bottom: 8px;
}
h3 {
  font-size: 14px;
  padding-bottom: 5px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.line .v-input {
  flex: 1;
  min-width: 120px;
}
.line .from {
  flex: 0 0 130px;
}
.chipbtn {
  min-height: 40px;
  padding: 0 10px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
}
.chipbtn:disabled {
  color: var(--muted);
}
.end {
  margin-left: auto;
}
.preset {
  min-height: 44px;
}
</style>
