<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { VBtn } from 'vuetify/components'
import { plainDevice } from '../../core/device/buildDevice'
import { AMOUNT_WORDS, ANGLE_WORDS, parseSided, withAmount, type AmountWord, type AngleWord } from '../../core/device/callOutAmounts'
import { parseCallOut } from '../../core/measure/callOut'
import { READING_LABELS } from '../../core/measure/labels'
import { doubt, looksLikeOtherFoot } from '../../core/measure/questions'
import { bestMean, readingOf } from '../../core/measure/reading'
import { otherSide, SIDES, type Posture, type ReadingKind, type Side } from '../../core/record/vocabulary'
import { useFitting } from '~/stores/fitting'
import SideMark from './SideMark.vue'

/** One place for numbers read aloud, from any station. It shows what it understood; nothing is kept before Enter. */
const { what = undefined, posture = 'standing', pad = false } = defineProps<{ what?: ReadingKind; posture?: Posture; pad?: boolean }>()
const emit = defineEmits<{ kept: [ReadingKind] }>()
const fitting = useFitting()
const line = ref('')
const note = ref('')
const input = ref<HTMLInputElement | null>(null)
const asked = ref('')

const amounts = computed(() => parseSided(line.value, Object.keys(AMOUNT_WORDS) as AmountWord[]))
const angles = computed(() => parseSided(line.value, Object.keys(ANGLE_WORDS) as AngleWord[]))
const heard = computed(() => parseCallOut(line.value, { what, posture }))

interface Chip { text: string; side?: Side }
const understood = computed((): { chips: Chip[]; words?: string; ready: boolean; choices?: string[]; complete?: string; stop?: boolean } => {
  const sided = amounts.value ?? angles.value
  if (sided) {
    if ('refused' in sided) return { chips: [], words: sided.refused, ready: false, stop: !sided.refused.startsWith('Which') }
    const rule = sided.word in AMOUNT_WORDS ? AMOUNT_WORDS[sided.word as AmountWord] : { ...ANGLE_WORDS[sided.word as AngleWord], unit: '°', range: [-45, 45] as const }
    const bad = [...sided.left, ...sided.right].find((v) => v < rule.range[0] || v > rule.range[1])
    if (bad !== undefined) return { chips: [], words: `${bad} ${rule.unit} is outside ${rule.range[0]} to ${rule.range[1]}.`, ready: false, stop: true }
    const chips = SIDES.flatMap((side): Chip[] => (sided[side].length ? [{ side, text: `${sided[side].join(' · ')} ${rule.unit}` }] : []))
    return { chips: [{ text: rule.label }, ...chips], ready: chips.length > 0, words: chips.length ? undefined : `${rule.label}: left / right` }
  }
  const h = heard.value
  if (h.kind === 'readings') {
    const chips = SIDES.flatMap((side): Chip[] => {
      if (!h[side].length) return []
      const tries = readingOf(fitting.record.feet[side]!, h.what, h.posture)?.trials.length ?? 0
      return [{ side, text: `${h[side].join(' · ')} mm, try ${tries + 1}${h[side].length > 1 ? `–${tries + h[side].length}` : ''}` }]
    })
    return { chips: [{ text: `${READING_LABELS[h.what].name}, ${h.posture}` }, ...chips], ready: true, words: warning(h.what, h) }
  }
  if (h.kind === 'undo') return { chips: [{ text: 'Take back' }], ready: true, words: fitting.undoStack.at(-1)?.words ?? 'nothing to take back' }
  if (h.kind === 'refused') return { chips: [], words: h.words, ready: false, choices: h.choices, stop: true }
  if (h.kind === 'partial') return { chips: [], words: h.words, ready: false, complete: h.complete }
  return { chips: [], ready: false, words: 'Say a reading and its numbers: width 97.5 / 99 · len L 264 265 · skive 2 / 3 · undo' }
})

/** Something unlikely in what was heard: asked once, kept on a second Enter. */
function warning(kind: ReadingKind, h: { left: number[]; right: number[]; posture: Posture }): string | undefined {
  for (const side of SIDES)
    for (const value of h[side]) {
      const foot = fitting.record.feet[side]!
      const own = readingOf(foot, kind, h.posture)?.trials ?? []
      const other = readingOf(fitting.record.feet[otherSide(side)]!, kind, h.posture)?.trials ?? []
      if (looksLikeOtherFoot(kind, value, own, other)) return `${value} is the ${otherSide(side)} foot's value. Keep it as ${side}?`
      const words = doubt(kind, value, bestMean(foot, 'footLengthMm', 'standing'))
      if (words) return words
    }
  return undefined
}

function keep() {
  const sided = amounts.value ?? angles.value
  if (fitting.readOnly || !understood.value.ready) return
  const h = heard.value
  if (sided && !('refused' in sided)) keepSided(sided)
  else if (h.kind === 'undo') note.value = fitting.undo()
  else if (h.kind === 'readings') {
    if (understood.value.words && asked.value !== line.value) {
      asked.value = line.value
      note.value = 'Enter again keeps it'
      return
    }
    for (const side of SIDES) {
      if (!h[side].length) continue
      const refused = fitting.change({ kind: 'readings.add', side, what: h.what, posture: h.posture, values: h[side] }, `${READING_LABELS[h.what].name.toLowerCase()} ${side} ${h[side].join(' ')}`)
      if (refused) {
        note.value = refused
        return
      }
    }
    emit('kept', h.what)
    note.value = `Kept: ${line.value.trim()}`
  }
  line.value = ''
  asked.value = ''
}

function keepSided(sided: { word: AmountWord | AngleWord; left: number[]; right: number[] }) {
  for (const side of SIDES) {
    const values = sided[side]
    if (!values.length) continue
    const foot = fitting.record.feet[side]!
    const words = `${sided.word} ${side} ${values.join(' ')}`
    if (sided.word in AMOUNT_WORDS) fitting.put(`device.${side}`, withAmount(foot.device ?? plainDevice(), sided.word as AmountWord, values.at(-1)!), words)
    else fitting.put(`findings.${side}`, { ...foot.findings, [ANGLE_WORDS[sided.word as AngleWord].key]: [...(foot.findings?.[ANGLE_WORDS[sided.word as AngleWord].key] ?? []), ...values].slice(-5) }, words)
  }
  note.value = `Kept: ${line.value.trim()}`
}

function complete(event: KeyboardEvent) {
  if (!understood.value.complete) return
  event.preventDefault()
  line.value += `${understood.value.complete} `
}
function escape() {
  if (line.value) line.value = ''
  else input.value?.blur()
}
async function choose(choice: string) {
  const word = /^[a-z- ]+/i.exec(line.value)?.[0].trim() ?? ''
  line.value = /\d/.test(choice) && !choice.startsWith(word) ? `${word.replace(/\s[lr]$/i, '')} ${choice}` : `${choice} `
  await nextTick()
  input.value?.focus()
}
const press = (key: string) => (line.value += key)
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <footer class="callout">
    <label for="call-out" class="bold label">Call-out <span class="kbd">/</span></label>
    <div class="box">
      <input id="call-out" ref="input" v-model="line" class="field" autocomplete="off" autocapitalize="off" spellcheck="false" :disabled="fitting.readOnly" :placeholder="fitting.readOnly ? 'Read only for your role' : ''" @keydown.enter.prevent="keep" @keydown.esc.prevent="escape" @keydown.tab="complete" @input="note = ''" />
      <span v-if="understood.complete" class="ghost" aria-hidden="true"><i>{{ line }}</i>{{ understood.complete }}</span>
    </div>
    <div class="heard" role="status" aria-live="polite">
      <template v-if="understood.chips.length"><span class="muted small">Understood</span>
        <span v-for="(chip, i) in understood.chips" :key="i" class="chip bold"><SideMark v-if="chip.side" :side="chip.side" />{{ chip.text }}</span>
      </template>
      <span v-if="understood.words && (line || !note)" :class="understood.stop ? 'stop-text' : understood.chips.length ? 'watch-text' : 'muted'" class="words">{{ understood.words }}</span>
      <VBtn v-for="choice in understood.choices" :key="choice" size="small" @click="choose(choice)">{{ choice }}</VBtn>
      <span v-if="note" class="muted words">{{ note }}</span>
    </div>
    <div v-if="pad" class="pad" aria-label="Number pad">
      <button v-for="key in ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', ' / ', 'L ', 'R ', ' ']" :key="key" type="button" @click="press(key)">{{ key === ' ' ? 'space' : key.trim() }}</button>
    </div>
    <VBtn color="primary" variant="flat" :disabled="fitting.readOnly || !understood.ready" class="keep" @click="keep">Keep <span class="kbd ent">Enter</span></VBtn>
  </footer>
</template>

<style scoped>
.callout { display: flex; align-items: center; gap: 14px; padding: 0 16px; background: var(--sheet); border-top: 1px solid var(--hairline); min-width: 0; position: relative; }
label { flex: none; }
.box { position: relative; width: 372px; flex: none; }
.box .field { font-size: 18px; border-width: 2px; }
.ghost { position: absolute; left: 13px; top: 12px; font-size: 18px; color: var(--muted); pointer-events: none; white-space: pre; }
.ghost i { visibility: hidden; font-style: normal; }
.heard { flex: 1; min-width: 0; display: flex; align-items: center; gap: 8px; overflow: hidden; }
.words { min-width: 0; line-height: 17px; }
.keep { flex: none; }
.ent { margin-left: 8px; background: transparent; color: inherit; border-color: currentcolor; }
.pad { position: absolute; right: 130px; bottom: 60px; display: grid; grid-template-columns: repeat(3, 64px); gap: 8px; background: var(--sheet); border: 1px solid var(--hairline); border-radius: 6px; padding: 10px; z-index: 30; }
.pad button { height: 64px; border: 1px solid var(--line-strong); border-radius: 6px; font-size: 20px; font-weight: 600; text-align: center; }
@media (max-width: 1179px) { .box { width: 260px; } }
@media (max-width: 760px) { .callout { flex-wrap: wrap; padding: 8px 12px; } .box { width: 100%; } }
</style>
