<script setup lang="ts">
import { VSelect } from 'vuetify/components'
import { ref } from 'vue'
import { PLACES } from '../../../core/kinds/places'
import type { Complaint } from '../../../core/record/schema'
import {
  COMPLAINT_PLACES,
  WHEN_IT_HURTS,
  type ComplaintPlace,
  type Side,
} from '../../../core/tables/vocabulary'
import ComplaintMap from './ComplaintMap.vue'
import { WHEN_WORDS } from './storyWords'
import { useStory } from './useStory'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'

/** Where it hurts, on the map of both feet and elsewhere; how it feels, when, and how much. */
const { fitting, story, put } = useStory()
const side = ref<Side>('left')
function addComplaint(at: ComplaintPlace, foot: Side = side.value) {
  if (fitting.readOnly || story.value.complaints.some((c) => c.foot === foot && c.at === at)) return
  put({ complaints: [...story.value.complaints, { foot, at }] }, `${foot} ${PLACES[at].name} hurts`)
}
const change = (i: number, patch: Partial<Complaint>) =>
  put(
    {
      complaints: story.value.complaints.map((c, k) =>
        k === i
          ? (Object.fromEntries(
              Object.entries({ ...c, ...patch }).filter(([, v]) => v !== undefined),
            ) as Complaint)
          : c,
      ),
    },
    'complaint',
  )
/** Pressed again, a score is taken back: nobody said how much it hurts. */
const score = (i: number, n: number) =>
  change(i, { score: story.value.complaints[i]!.score === n ? undefined : n })
const drop = (i: number) =>
  put({ complaints: story.value.complaints.filter((_, k) => k !== i) }, 'complaint taken off')
const elsewhere = COMPLAINT_PLACES.filter((p) => PLACES[p].spot === null)
const scale = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]
type When = NonNullable<Complaint['when']> | ''
const whenOf = (c: Complaint): When => c.when ?? ''
const WHENS = choicesOf(['', ...WHEN_IT_HURTS] as const, (w) => (w ? WHEN_WORDS[w] : 'when?'))
</script>

<template>
  <ComplaintMap :record="fitting.record" :complaints="story.complaints" @place="addComplaint" />
  <div class="else">
    <span class="muted small">Elsewhere:</span>
    <PlainButton
      v-for="s in ['left', 'right'] as const"
      :key="s"
      class="tick"
      :aria-pressed="side === s"
      @click="side = s"
    >
      <SideMark :side="s" word />
    </PlainButton>
    <PlainButton
      v-for="p in elsewhere"
      :key="p"
      class="tick"
      :disabled="fitting.readOnly"
      @click="addComplaint(p)"
    >
      {{ PLACES[p].name }}
    </PlainButton>
  </div>
  <ul class="scroll grow list">
    <li v-if="story.complaints.length === 0" class="muted none">
      No complaint told. Tap a place on the map.
    </li>
    <li v-for="(c, i) in story.complaints" :key="`${c.foot}${c.at}`">
      <div class="what">
        <span class="disc">{{ i + 1 }}</span><SideMark :side="c.foot" /><b>{{
          PLACES[c.at].name
        }}</b>
        <DraftField
          class="words"
          variant="underlined"
          :value="c.words"
          :disabled="fitting.readOnly"
          maxlength="300"
          :aria-label="`Words for ${c.foot} ${PLACES[c.at].name}`"
          placeholder="how it feels"
          @keep="(t: string) => change(i, { words: t.trim() || undefined })"
        />
        <VSelect
          class="when"
          variant="underlined"
          density="compact"
          :items="WHENS"
          :model-value="whenOf(c)"
          :disabled="fitting.readOnly"
          :aria-label="`When ${c.foot} ${PLACES[c.at].name} hurts`"
          @update:model-value="(w) => change(i, { when: w || undefined })"
        />
        <PlainButton
          class="tick"
          :aria-pressed="c.numb === true"
          :disabled="fitting.readOnly"
          @click="change(i, { numb: c.numb ? undefined : true })"
        >
          numb
        </PlainButton>
        <PlainButton
          class="x"
          :disabled="fitting.readOnly"
          :aria-label="`Take off ${c.foot} ${PLACES[c.at].name}`"
          @click="drop(i)"
        >
          ×
        </PlainButton>
      </div>
      <div
        class="scale"
        role="radiogroup"
        :aria-label="`Pain ${c.foot} ${PLACES[c.at].name}, 0 to 10`"
      >
        <PlainButton
          v-for="n in scale"
          :key="n"
          role="radio"
          :aria-checked="c.score === n"
          :title="c.score === n ? 'press again to take it back' : undefined"
          :class="{ at: c.score === n, upto: c.score !== undefined && n < c.score, [c.foot]: true }"
          :disabled="fitting.readOnly"
          @click="score(i, n)"
        >
          {{ n }}
        </PlainButton>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.else {
  padding: 6px 14px 8px;
  border-bottom: 1px solid var(--hairline);
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
}
.else {
  padding: 6px 14px 10px;
  border-bottom: 1px solid var(--hairline);
}
.list li {
  padding: 8px 14px;
  border-bottom: 1px solid var(--hairline);
}
.none {
  padding: 14px;
}
.what {
  display: flex;
  align-items: center;
  gap: 8px;
}
.disc {
  width: 22px;
  height: 22px;
  border: 1px solid var(--ink);
  border-radius: 50%;
  display: grid;
  place-items: center;
  font-size: 12px;
  flex: none;
}
.what .words {
  flex: 1;
  min-width: 60px;
  font-size: 14px;
  --v-input-control-height: 32px;
  --field-pad: 4px;
}
.x {
  width: 32px;
  height: 32px;
  font-size: 20px;
  text-align: center;
}
.scale {
  display: grid;
  grid-template-columns: repeat(11, 1fr);
  margin-top: 6px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  overflow: hidden;
}
.scale button {
  height: 34px;
  text-align: center;
  border-right: 1px solid var(--hairline);
  font-size: 13px;
  background: var(--sheet);
}
.scale .upto.left {
  background: #e6d8df;
}
.scale .upto.right {
  background: #d2e1e6;
}
.scale .at.left {
  background: var(--left);
  color: #fff;
  font-weight: 700;
}
.scale .at.right {
  background: var(--right);
  color: #fff;
  font-weight: 700;
}
.when {
  flex: none;
  width: 104px;
  font-size: 13px;
  --v-input-control-height: 32px;
  --field-pad: 0;
}
</style>
