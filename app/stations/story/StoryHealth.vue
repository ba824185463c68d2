<script setup lang="ts">
import { VBtn, VSelect, VTextField } from 'vuetify/components'
import { CONDITIONS, CONDITION_KINDS, type Condition } from '../../../core/kinds/conditions/all'
import { computed, ref } from 'vue'
import { HISTORY_KINDS, SCHOOLS, SIDES, type Side } from '../../../core/tables/vocabulary'
import { HISTORY_WORDS, SCHOOL_WORDS } from './storyWords'
import { textOr, useStory } from './useStory'
import SideMark from '~/components/SideMark.vue'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'

/** Illnesses that matter, breaks and operations, and the school that leads the advice. */
const { fitting, story, put } = useStory()
const kind = ref<(typeof HISTORY_KINDS)[number]>('break')
const foot = ref<Side | ''>('')
const what = ref('')
const toggle = (c: Condition) =>
  put(
    {
      conditions: story.value.conditions.includes(c)
        ? story.value.conditions.filter((x) => x !== c)
        : [...story.value.conditions, c],
      // The day of what was told first: a change of one thing confirms no other.
      healthOn: story.value.healthOn ?? fitting.today,
    },
    CONDITIONS.of(c).name,
  )
function add() {
  const words = textOr(what.value)
  if (!words) return
  put(
    {
      history: [
        ...(story.value.history ?? []),
        { kind: kind.value, what: words.slice(0, 120), ...(foot.value && { foot: foot.value }) },
      ],
    },
    HISTORY_WORDS[kind.value],
  )
  what.value = ''
}
const drop = (i: number) =>
  put({ history: story.value.history!.filter((_, k) => k !== i) }, 'taken off')
/** What was told in an earlier fitting and was not asked again in this one. */
const fromBefore = computed(() => {
  const { healthOn, conditions, history = [] } = story.value
  const visitOn = fitting.record.visit?.on
  const words = [...conditions.map((c) => CONDITIONS.of(c).name), ...history.map((h) => h.what)]
  return healthOn && visitOn && healthOn < visitOn && words.length > 0
    ? { on: healthOn, words: words.join(', ') }
    : null
})
const KIND_CHOICES = choicesOf(HISTORY_KINDS, (k) => HISTORY_WORDS[k])
const FOOT_CHOICES = choicesOf(['', ...SIDES] as const, (side) => side || 'both')
</script>

<template>
  <div v-if="fromBefore" class="ask">
    <h2>Still so?</h2>
    <p class="still">
      <span>Told on {{ fromBefore.on }}: {{ fromBefore.words }}.</span>
      <VBtn
        color="primary"
        variant="flat"
        :disabled="fitting.readOnly"
        @click="put({ healthOn: fitting.today }, 'still so')"
        >Still so</VBtn
      >
      <span class="muted small">What changed is changed below.</span>
    </p>
  </div>
  <div class="ask">
    <h2>Anything I should know?</h2>
    <div class="chips" role="group" aria-label="Conditions told">
      <PlainButton
        v-for="c in CONDITION_KINDS"
        :key="c"
        class="tick"
        :aria-pressed="story.conditions.includes(c)"
        :disabled="fitting.readOnly"
        @click="toggle(c)"
      >
        {{ story.conditions.includes(c) ? '✓ ' : '' }}{{ CONDITIONS.of(c).name }}
      </PlainButton>
    </div>
  </div>
  <div class="ask">
    <h2>Ever broken, operated?</h2>
    <div>
      <ul v-if="story.history?.length" class="past">
        <li v-for="(h, i) in story.history" :key="i">
          <SideMark v-if="h.foot" :side="h.foot" /><b>{{ HISTORY_WORDS[h.kind] }}</b> {{ h.what
          }}<PlainButton
            class="x"
            :disabled="fitting.readOnly"
            :aria-label="`Take off ${h.what}`"
            @click="drop(i)"
          >
            ×
          </PlainButton>
        </li>
      </ul>
      <div class="past-new">
        <VSelect
          v-model="kind"
          :items="KIND_CHOICES"
          aria-label="Kind"
          :disabled="fitting.readOnly"
        />
        <VSelect
          v-model="foot"
          :items="FOOT_CHOICES"
          aria-label="Which foot"
          :disabled="fitting.readOnly"
        />
        <VTextField
          v-model="what"
          maxlength="120"
          placeholder="ankle, 2019, plate still in"
          aria-label="What happened"
          :disabled="fitting.readOnly"
          @keydown.enter="add"
        /><PlainButton class="tick" :disabled="fitting.readOnly || !what.trim()" @click="add">
          Add
        </PlainButton>
      </div>
    </div>
  </div>
  <div class="ask">
    <h2>Which school leads?</h2>
    <div>
      <div class="chips" role="group" aria-label="School of thought">
        <PlainButton
          v-for="s in SCHOOLS"
          :key="s"
          class="tick"
          :aria-pressed="story.school === s"
          :disabled="fitting.readOnly"
          @click="put({ school: story.school === s ? undefined : s }, 'school')"
        >
          {{ SCHOOL_WORDS[s] }}
        </PlainButton>
      </div>
      <p class="muted small">Leads the advice; the others still speak in Why.</p>
    </div>
  </div>
</template>

<style scoped>
.still {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
</style>
