<script setup lang="ts">
import { defineAsyncComponent, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { VBtn } from 'vuetify/components'
import { UNITS, type Unit } from '../../../core/formats/mesh/meshFile'
import type { Side } from '../../../core/record/vocabulary'
import type { ScanRow } from '../../../shared/contracts'
import SideMark from '~/components/SideMark.vue'
import { api } from '~/composables/api'
import { upload } from '~/composables/upload'
import { useFitting } from '~/stores/fitting'
import type { ScanPicture, ScanRead } from '~/workers/scan.worker'
import { readScan } from '~/workers/scanReader'

/** Scans in: dropped or chosen, read in a worker, side and unit asked, stored byte for byte with their hash. */
const SolidView = defineAsyncComponent(() => import('~/three/SolidView.vue'))
const fitting = useFitting()
const scans = ref<ScanRow[]>([])
const trouble = ref('')
const over = ref(false)
const stage = ref<{ name: string; words: string; share: number | null; cancel: () => void } | null>(null)
type Found = Extract<ScanRead, { ok: true }>
const asked = shallowRef<{ file: File; bytes: Uint8Array; found: Found; side: Side | null; unit: Unit } | null>(null)
const waiting = ref<File[]>([])
const picture = shallowRef<{ name: string; solid: ScanPicture } | null>(null)
const field = ref<HTMLInputElement | null>(null)
const path = `fittings/${fitting.id}/scans`
const MOST_BYTES = 120_000_000
const load = async () => (scans.value = (await api<{ scans: ScanRow[] }>(path)).scans)
onMounted(() => load().catch((error: Error) => (trouble.value = error.message)))
onBeforeUnmount(() => stage.value?.cancel())

/** Left or right by the name of the file, when it says so. */
const sideOf = (name: string): Side | null => (/(^|[^a-z])(l|left|links|li)([^a-z]|$)/i.test(name) ? 'left' : /(^|[^a-z])(r|right|rechts|re)([^a-z]|$)/i.test(name) ? 'right' : null)

function take(files: Iterable<File>) {
  trouble.value = ''
  waiting.value = [...waiting.value, ...files]
  void next()
}
/** The stand-in scanner: its file takes the same way in as any other. */
const seed = ref(1)
async function scanFoot(side: Side) {
  trouble.value = ''
  const answer = await fetch(`/api/standins/scan?fitting=${fitting.id}&side=${side}&seed=${seed.value}`)
  if (!answer.ok) {
    trouble.value = ((await answer.json()) as { detail: string }).detail
    return
  }
  take([new File([await answer.arrayBuffer()], `${side} stand-in ${seed.value++}.stl`)])
}
async function next() {
  const file = waiting.value[0]
  if (!file || stage.value || asked.value) return
  waiting.value = waiting.value.slice(1)
  if (file.size > MOST_BYTES) {
    trouble.value = `${file.name} is larger than 120 MB. Nothing was changed.`
    return next()
  }
  const bytes = new Uint8Array(await file.arrayBuffer())
  const { done, cancel } = readScan(file.name, bytes)
  stage.value = { name: file.name, words: `reading ${(file.size / 1e6).toFixed(1)} MB`, share: null, cancel }
  const found = await done
  stage.value = null
  if (!found) trouble.value = `${file.name}: reading was stopped. Nothing was changed.`
  else if (!found.ok) trouble.value = `${file.name}: ${found.words} Nothing was changed.`
  else {
    asked.value = { file, bytes, found, side: sideOf(file.name), unit: found.unitInFile ?? found.guess ?? 'mm' }
    picture.value = { name: file.name, solid: found.picture }
    return
  }
  void next()
}
async function keep() {
  const a = asked.value!
  const query = new URLSearchParams({ name: a.file.name.slice(0, 200), unit: a.unit, points: String(a.found.points), triangles: String(a.found.triangles), ...(a.side && { side: a.side }) })
  const { done, cancel } = upload(`${path}?${query}`, a.bytes, (share) => stage.value && (stage.value = { ...stage.value, share }))
  stage.value = { name: a.file.name, words: 'storing the original', share: 0, cancel }
  asked.value = null
  try {
    await done
    await load()
  } catch (error) {
    trouble.value = `${a.file.name}: ${(error as Error).message}`
  }
  stage.value = null
  void next()
}
function leave() {
  asked.value = null
  picture.value = null
  void next()
}
async function look(scan: ScanRow) {
  const answer = await fetch(`/api/scans/${scan.id}`)
  if (!answer.ok) {
    trouble.value = `${scan.name} cannot be fetched.`
    return
  }
  const { done, cancel } = readScan(scan.name, new Uint8Array(await answer.arrayBuffer()), scan.unit as Unit)
  stage.value = { name: scan.name, words: 'drawing', share: null, cancel }
  const found = await done
  stage.value = null
  if (found?.ok) picture.value = { name: scan.name, solid: found.picture }
}
const drop = (scan: ScanRow) => api(`scans/${scan.id}`, 'DELETE', {}).then(load).catch((error: Error) => (trouble.value = error.message))
const megabytes = (size: number) => `${(size / 1e6).toFixed(size < 1e6 ? 2 : 1)} MB`
</script>

<template>
  <section class="card scans" aria-label="Scans" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="over = false; !fitting.readOnly && take($event.dataTransfer?.files ?? [])">
    <div class="card-head"><h2>Scans</h2><span class="aside small">STL, OBJ, PLY, 3MF · the original is kept as it is</span></div>
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <div v-if="stage" class="stage" role="status"><span class="ellipsis"><b>{{ stage.name }}</b> {{ stage.words }}</span><progress :value="stage.share ?? undefined" max="1" :aria-label="stage.words" /><VBtn height="40" @click="stage.cancel()">Cancel</VBtn></div>
    <div v-else-if="asked" class="ask">
      <p><b class="ellipsis">{{ asked.file.name }}</b> {{ asked.found.format.toUpperCase() }}, {{ asked.found.triangles ? `${asked.found.triangles.toLocaleString('en')} triangles` : `${asked.found.points.toLocaleString('en')} points` }}</p>
      <p class="small muted">{{ asked.found.sizeMm.map((v) => v.toFixed(0)).join(' × ') }} mm if in {{ asked.found.unitInFile ?? asked.found.guess ?? 'mm' }}<template v-for="n in asked.found.notes" :key="n"> · {{ n }}</template></p>
      <div class="pick"><span role="group" aria-label="Which foot"><button v-for="s in (['left', 'right'] as const)" :key="s" class="opt" :aria-pressed="asked.side === s" @click="asked = { ...asked!, side: s }"><SideMark :side="s" word /></button></span>
        <span role="group" aria-label="Unit"><button v-for="u in UNITS" :key="u" class="opt" :aria-pressed="asked.unit === u" @click="asked = { ...asked!, unit: u }">{{ u }}</button></span>
        <span class="small muted">{{ asked.found.unitInFile ? 'named in the file' : asked.found.guess ? 'guessed from its size' : 'no unit fits a foot: choose' }}</span></div>
      <div class="pick"><VBtn color="primary" variant="flat" :disabled="!asked.side" @click="keep">{{ asked.side ? `Keep as ${asked.side} scan` : 'Which foot?' }}</VBtn><VBtn @click="leave">Leave it</VBtn></div>
    </div>
    <div v-else class="bring"><button class="drop" :class="{ over }" :disabled="fitting.readOnly" @click="field?.click()">{{ over ? 'Let go here' : 'Drop scans here, or tap to choose' }}</button><VBtn v-for="s in (['left', 'right'] as const)" :key="s" height="64" :disabled="fitting.readOnly" @click="scanFoot(s)">Scan {{ s }}<small class="muted">stand-in</small></VBtn></div>
    <input ref="field" type="file" multiple accept=".stl,.obj,.ply,.3mf" class="sr" tabindex="-1" aria-label="Scan files" @change="take([...(($event.target as HTMLInputElement).files ?? [])]); ($event.target as HTMLInputElement).value = ''" />
    <div class="body">
      <div class="view"><SolidView v-if="picture" :solid="picture.solid" :label="`Scan ${picture.name}`" /><p v-else class="muted small none">A scan that is brought in is shown here.</p></div>
      <ul class="scroll list"><li v-if="scans.length === 0" class="muted small none">No scan of these feet yet.</li>
        <li v-for="s in scans" :key="s.id"><SideMark v-if="s.side" :side="s.side" word /><span class="what"><b class="ellipsis">{{ s.name }}</b><small class="muted">{{ s.format.toUpperCase() }} in {{ s.unit }}, {{ s.triangles ? `${s.triangles.toLocaleString('en')} triangles` : `${s.points.toLocaleString('en')} points` }}, {{ megabytes(s.size) }} · {{ s.madeBy }}, {{ s.madeAt.slice(0, 10) }} · {{ s.sha256.slice(0, 8) }}</small></span>
          <VBtn size="small" height="40" @click="look(s)">Look</VBtn><VBtn size="small" height="40" :href="`/api/scans/${s.id}`" :aria-label="`Original of ${s.name}`">Original</VBtn><button class="x" :disabled="fitting.readOnly" :aria-label="`Take ${s.name} out`" @click="drop(s)">×</button></li></ul>
    </div>
    <p class="small muted foot">The device is still built on the readings; frame, landmarks and checks of a scan come with a later version.</p>
  </section>
</template>

<style scoped>
.scans { display: flex; flex-direction: column; min-height: 0; }
.bring { display: grid; grid-template-columns: 1fr auto auto; gap: 8px; padding: 10px 14px; } .bring small { display: block; font-weight: 400; margin-left: 6px; }
.drop { min-height: 64px; border: 2px dashed var(--line-strong); border-radius: 6px; text-align: center; color: var(--muted); font-size: 15px; } .drop.over { border-color: var(--spruce); background: var(--wash); color: var(--ink); }
.stage { display: grid; grid-template-columns: 1fr 160px auto; gap: 10px; align-items: center; padding: 10px 14px; } progress { width: 100%; accent-color: var(--spruce); }
.ask { padding: 10px 14px; display: grid; gap: 6px; border-bottom: 1px solid var(--hairline); } .pick { display: flex; gap: 10px; align-items: center; flex-wrap: wrap; } .pick span[role='group'] { display: flex; gap: 4px; }
.opt { min-height: 44px; min-width: 44px; padding: 0 10px; border: 1px solid var(--line-strong); border-radius: 6px; text-align: center; } .opt[aria-pressed='true'] { background: var(--wash); border-color: var(--spruce); font-weight: 700; }
.body { display: grid; grid-template-rows: minmax(140px, 1fr) auto; flex: 1; min-height: 0; } .view { min-height: 0; border-top: 1px solid var(--hairline); position: relative; }
.list { max-height: 170px; border-top: 1px solid var(--hairline); } .list li { display: flex; gap: 8px; align-items: center; padding: 6px 12px; border-bottom: 1px solid var(--hairline); } .what { flex: 1; min-width: 0; } .what b, .what small { display: block; }
.x { width: 36px; height: 40px; font-size: 18px; text-align: center; } .none { padding: 14px; } .foot { padding: 6px 14px; border-top: 1px solid var(--hairline); }
.notice { margin: 8px 14px 0; }
</style>
