<script setup lang="ts">
import { CONDITIONS, CONDITION_KINDS, type Condition } from '../../../core/kinds/conditions/all'
import { ref } from 'vue'
import { HISTORY_KINDS, SCHOOLS, SIDES, type Side } from '../../../core/tables/vocabulary'
import { HISTORY_WORDS, SCHOOL_WORDS } from './storyWords'
import { textOr, useStory } from './useStory'
import SideMark from '~/components/SideMark.vue'

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
</script>

<template>
  <div class="ask">
    <h2>Anything I should know?</h2>
    <div class="chips" role="group" aria-label="Conditions told">
      <button
        v-for="c in CONDITION_KINDS"
        :key="c"
        class="tick"
        :aria-pressed="story.conditions.includes(c)"
        :disabled="fitting.readOnly"
        @click="toggle(c)"
      >
        {{ story.conditions.includes(c) ? '✓ ' : '' }}{{ CONDITIONS.of(c).name }}
      </button>
    </div>
  </div>
  <div class="ask">
    <h2>Ever broken, operated?</h2>
    <div>
      <ul v-if="story.history?.length" class="past">
        <li v-for="(h, i) in story.history" :key="i">
          <SideMark v-if="h.foot" :side="h.foot" /><b>{{ HISTORY_WORDS[h.kind] }}</b> {{ h.what
          }}<button
            class="x"
            :disabled="fitting.readOnly"
            :aria-label="`Take off ${h.what}`"
            @click="drop(i)"
          >
            ×
          </button>
        </li>
      </ul>
      <div class="past-new">
        <select v-model="kind" class="field" aria-label="Kind" :disabled="fitting.readOnly">
          <option v-for="k in HISTORY_KINDS" :key="k" :value="k">{{ HISTORY_WORDS[k] }}</option>
        </select>
        <select v-model="foot" class="field" aria-label="Which foot" :disabled="fitting.readOnly">
          <option value="">both</option>
          <option v-for="s in SIDES" :key="s" :value="s">{{ s }}</option>
        </select>
        <input
          v-model="what"
          class="field"
          maxlength="120"
          placeholder="ankle, 2019, plate still in"
          aria-label="What happened"
          :disabled="fitting.readOnly"
          @keydown.enter="add"
        /><button class="tick" :disabled="fitting.readOnly || !what.trim()" @click="add">
          Add
        </button>
      </div>
    </div>
  </div>
  <div class="ask">
    <h2>Which school leads?</h2>
    <div>
      <div class="chips" role="group" aria-label="School of thought">
        <button
          v-for="s in SCHOOLS"
          :key="s"
          class="tick"
          :aria-pressed="story.school === s"
          :disabled="fitting.readOnly"
          @click="put({ school: story.school === s ? undefined : s }, 'school')"
        >
          {{ SCHOOL_WORDS[s] }}
        </button>
      </div>
      <p class="muted small">Leads the advice; the others still speak in Why.</p>
    </div>
  </div>
</template>
