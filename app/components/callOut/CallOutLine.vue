<script setup lang="ts">
import { ANGLES } from '../../../core/kinds/findings/all'
import { READINGS, type ReadingKind } from '../../../core/kinds/readings/all'
import { nextTick, ref } from 'vue'
import { VBtn, VTextField } from 'vuetify/components'
import { plainDevice } from '../../../core/device/buildDevice'
import { withAmount } from '../../../core/device/callOutAmounts'
import { angleOfCall } from '../../../core/examine/angleCalls'
import { trialsOf, withTrials } from '../../../core/examine/angleTrials'
import { normsOf } from '../../../core/record/tables'
import { readingOf, summarise } from '../../../core/measure/reading'
import { MOST_TRIALS } from '../../../core/record/commands'
import { SIDES, type Posture, type Side } from '../../../core/tables/vocabulary'
import { useFitting } from '~/stores/fitting'
import { useHand } from '~/stores/hand'
import SideMark from '../SideMark.vue'
import { useHeard, type SidedCall } from './useHeard'
import { useChanges } from '~/stores/changes'
import PlainButton from '../PlainButton.vue'

/**
 * One place for numbers read aloud, from any station. It shows what it understood; nothing is kept
 * before Enter.
 */
const {
  what = undefined,
  posture = 'standing',
  pad = false,
} = defineProps<{ what?: ReadingKind; posture?: Posture; pad?: boolean }>()
const fitting = useFitting()
const changes = useChanges()
const hand = useHand()
const line = ref('')
const note = ref('')
/** what was to be kept and could not: it stands alone until the line is changed */
const refusal = ref('')
const input = ref<VTextField | null>(null)
const asked = ref('')
const { sided, heard, understood, strikable } = useHeard(line, () => ({
  what,
  posture,
  norms: fitting.norms,
}))

function keep() {
  if (fitting.readOnly || !understood.value.ready) return
  const call = sided.value
  const h = heard.value
  if (call) {
    if (call.kind !== 'refused' && !keepSided(call)) return
  } else if (h.kind === 'undo') note.value = changes.undo()
  else if (h.kind === 'posture') {
    hand.posture = h.posture
    note.value = `Now ${h.posture}`
  } else if (h.kind === 'again')
    note.value = `${what ? READINGS.of(what).name : 'The reading'} once more: say only the numbers`
  else if (h.kind === 'strike') strike(strikable(h)[0]!, h.number - 1)
  else if (h.kind === 'readings') {
    if (understood.value.words && asked.value !== line.value) {
      asked.value = line.value
      note.value = 'Enter again keeps it'
      return
    }
    if (!keepReadings(h)) return
  }
  line.value = ''
  asked.value = ''
}

function keepReadings(h: {
  what: ReadingKind
  posture: Posture
  left: number[]
  right: number[]
}): boolean {
  const refused = changes.changeAll(
    SIDES.filter((side) => h[side].length).map((side) => ({
      command: { kind: 'readings.add', side, what: h.what, posture: h.posture, values: h[side] },
      words: `${READINGS.of(h.what).name.toLowerCase()} ${side} ${h[side].join(' ')}`,
    })),
  )
  refusal.value = refused ?? ''
  if (refused) return false
  note.value = `Kept: ${line.value.trim()}`
  hand.say(
    `${READINGS.of(h.what).name}. ${SIDES.filter((s) => h[s].length)
      .map((s) => `${s} ${h[s].join(', ')}`)
      .join('. ')}`,
  )
  const inRound = hand.round && h.what === what && h.posture === posture
  // A posture named in a line holds for that line only.
  hand.take(h.what)
  if (inRound) goOn(h)
  return true
}
/** In the round: on to the next reading once both feet have it and nothing asks for a repeat. */
function goOn(h: { what: ReadingKind; posture: Posture }) {
  const settled = SIDES.every((side) => {
    const reading = readingOf(fitting.record.feet[side]!, h.what, h.posture)
    const s = reading && summarise(reading, normsOf(fitting.record))
    return s && (!s.repeat || s.notRepeatable)
  })
  if (!settled) return
  hand.step(1)
  note.value += `. Next: ${READINGS.of(hand.what).name.toLowerCase()}, ${hand.posture}`
}
function strike(side: Side, index: number) {
  const reading = readingOf(fitting.record.feet[side]!, what!, posture)!
  const struck = reading.struck.includes(index)
    ? reading.struck.filter((i) => i !== index)
    : [...reading.struck, index]
  const words = `${struck.includes(index) ? 'strike' : 'bring back'} ${READINGS.of(what!).name.toLowerCase()} ${side} ${reading.trials[index]}`
  changes.change(
    { kind: 'readings.set', side, what: what!, posture, trials: reading.trials, struck },
    words,
  )
  note.value = `Kept: ${words}`
}
function keepSided(call: Exclude<SidedCall, { kind: 'refused' }>): boolean {
  const sides = SIDES.filter((side) => call[side].length)
  const words = (side: Side) => `${call.word} ${side} ${call[side].join(' ')}`
  let refused: string | null
  if (call.kind === 'amount')
    refused = changes.changeAll(
      sides.map((side) => ({
        command: {
          kind: 'part.put',
          part: `device.${side}`,
          content: withAmount(
            fitting.record.feet[side]!.device ?? plainDevice(),
            call.word,
            call[side].at(-1)!,
          ),
        },
        words: words(side),
      })),
    )
  else {
    const key = angleOfCall(call.word)!
    const trials = Object.fromEntries(
      sides.map((side) => [
        side,
        [...trialsOf(fitting.record.feet[side]!.findings, key), ...call[side]],
      ]),
    )
    const full = sides.find((side) => trials[side]!.length > MOST_TRIALS)
    refused = full
      ? `At most ${MOST_TRIALS} tries of ${ANGLES.of(key).name.toLowerCase()}, ${full}. Strike or take one out first.`
      : changes.changeAll(
          sides.map((side) => ({
            command: {
              kind: 'part.put',
              part: `findings.${side}`,
              content: withTrials(fitting.record.feet[side]!.findings, key, trials[side]!),
            },
            words: words(side),
          })),
        )
  }
  refusal.value = refused ?? ''
  note.value = refused ? '' : `Kept: ${line.value.trim()}`
  return refused === null
}

function complete(event: KeyboardEvent) {
  if (!understood.value.complete) return
  event.preventDefault()
  line.value += `${understood.value.complete} `
}
function escape() {
  refusal.value = ''
  if (line.value) line.value = ''
  else input.value?.blur()
}
async function choose(choice: string) {
  const word = /^[a-z- ]+/i.exec(line.value)?.[0].trim() ?? ''
  line.value =
    /^\S*\d/.test(choice) || (/^[lr] /.test(choice) && /\d/.test(choice))
      ? `${word.replace(/\s[lr]$/i, '')} ${choice}`.trim()
      : `${choice}${/\d$/.test(choice) ? '' : ' '}`
  await nextTick()
  input.value?.focus()
}
/** The big pad types as fingers would: a digit, the slash between the feet, back one, keep. */
function press(key: string) {
  note.value = refusal.value = ''
  if (key === '⌫') line.value = line.value.trimEnd().slice(0, -1)
  else if (key === 'Keep') keep()
  else line.value += key
}
const PAD = ['7', '8', '9', '⌫', '4', '5', '6', ' / ', '1', '2', '3', ' ', '0', '.', 'L ', 'R ']
const canSpeak = typeof speechSynthesis !== 'undefined'
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <footer class="callout">
    <label for="call-out" class="bold label">Call-out <span class="kbd">/</span></label>
    <div class="box">
      <VTextField
        id="call-out"
        ref="input"
        v-model="line"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        :disabled="fitting.readOnly"
        :placeholder="fitting.readOnly ? 'Read only for your role' : ''"
        @keydown.enter.prevent="keep"
        @keydown.esc.prevent="escape"
        @keydown.tab="complete"
        @input="note = refusal = ''"
      />
      <span v-if="understood.complete" class="ghost" aria-hidden="true"
        ><i>{{ line }}</i
        >{{ understood.complete }}</span
      >
    </div>
    <div class="heard" role="status" aria-live="polite">
      <span v-if="refusal" class="words stop-text bold">▲ {{ refusal }} Nothing was kept.</span>
      <template v-else>
        <span v-if="understood.words && understood.chips.length" class="words watch-text">{{
          understood.words
        }}</span>
        <template v-if="understood.chips.length"
          ><span class="muted small">Understood</span>
          <span v-for="(chip, i) in understood.chips" :key="i" class="chip bold"
            ><SideMark v-if="chip.side" :side="chip.side" />{{ chip.text }}</span
          >
        </template>
        <span
          v-if="understood.words && !understood.chips.length && (line || !note)"
          :class="understood.stop ? 'stop-text' : 'muted'"
          class="words"
          >{{ understood.words }}</span
        >
        <VBtn
          v-for="choice in understood.choices"
          :key="choice"
          size="small"
          @click="choose(choice)"
          >{{ choice }}</VBtn
        >
        <span v-if="note" class="muted words">{{ note }}</span>
      </template>
    </div>
    <div v-if="pad" class="pad" aria-label="Number pad">
      <PlainButton
        v-for="key in PAD"
        :key="key"
        :aria-label="key === '⌫' ? 'Back one' : key === ' / ' ? 'Other foot' : undefined"
        @click="press(key)"
      >
        {{ key === ' ' ? 'try' : key.trim() }}
      </PlainButton>
      <PlainButton
        class="wide"
        :disabled="fitting.readOnly || !understood.ready"
        @click="press('Keep')"
      >
        Keep
      </PlainButton>
    </div>
    <PlainButton
      v-if="canSpeak"
      class="speak"
      :aria-pressed="hand.speak"
      title="Read back aloud what was kept"
      @click="hand.setSpeak(!hand.speak)"
    >
      {{ hand.speak ? 'Voice on' : 'Voice off' }}
    </PlainButton>
    <VBtn
      color="primary"
      variant="flat"
      :disabled="fitting.readOnly || !understood.ready"
      class="keep"
      @click="keep"
      >Keep <span class="kbd ent">Enter</span></VBtn
    >
  </footer>
</template>

<style scoped>
.callout {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 0 16px;
  background: var(--sheet);
  border-top: 1px solid var(--hairline);
  min-width: 0;
  position: relative;
}
label {
  flex: none;
}
.box {
  position: relative;
  width: 372px;
  flex: none;
}
.box .v-input {
  font-size: 18px;
}
.ghost {
  position: absolute;
  left: 13px;
  top: 12px;
  font-size: 18px;
  color: var(--muted);
  pointer-events: none;
  white-space: pre;
}
.ghost i {
  visibility: hidden;
  font-style: normal;
}
.heard {
  flex: 1;
  min-width: 0;
  max-height: 58px;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  overflow: hidden;
}
.words {
  min-width: 0;
  line-height: 17px;
}
.keep {
  flex: none;
}
.ent {
  margin-left: 8px;
  background: transparent;
  color: inherit;
  border-color: currentcolor;
}
.pad {
  position: absolute;
  right: 130px;
  bottom: 60px;
  display: grid;
  grid-template-columns: repeat(4, 64px);
  gap: 8px;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  border-radius: 6px;
  padding: 10px;
  z-index: 30;
}
.pad .wide {
  grid-column: 1 / -1;
  background: var(--spruce);
  color: var(--sheet);
}
.pad .wide:disabled {
  background: var(--paper);
  color: var(--muted);
}
.speak {
  flex: none;
  font-size: 13px;
  min-height: 44px;
  padding: 0 8px;
  color: var(--muted);
  text-decoration: underline dotted;
}
.speak[aria-pressed='true'] {
  color: var(--spruce);
  font-weight: 600;
}
.pad button {
  height: 64px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  font-size: 20px;
  font-weight: 600;
  text-align: center;
}
@media (max-width: 1179px) {
  .box {
    width: 260px;
  }
}
@media (max-width: 760px) {
  .callout {
    flex-wrap: wrap;
    padding: 8px 12px;
  }
  .box {
    width: 100%;
  }
}
@media (max-width: 900px) {
  /* An example may be cut; what was not kept never is. */
  .words.muted {
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
  }
}
</style>
