<script setup lang="ts">
import { computed } from 'vue'
import { FORCE_WORDS } from '../../../core/kinds/activities/forces'
import { riskOf } from '../../../core/examine/risk'
import { isChild } from '../../../core/measure/ageAtVisit'
import { activityTold, type ActivityTold } from '../../../core/record/storyActivity'
import { ABILITIES, FORCES, INTENTS } from '../../../core/tables/vocabulary'
import { plainCopy } from '~/browser/plainCopy'
import ActivityPicker from './ActivityPicker.vue'
import { FORCE_SHORT, INTENT_WORDS } from './storyWords'
import { textOr, useStory } from './useStory'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'

/** What it is for, and the follow-up questions of that activity. */
const { fitting, story, put, number } = useStory()
const activity = computed(() => activityTold(story.value))
const own = computed(() => fitting.tables?.ownActivities ?? [])
/** Another activity brings its usual force unless one was told. */
const choose = (told: ActivityTold) => {
  const { terrain: ground, force } = story.value
  const next = activityTold(told)
  // Where it is done belongs to what is done: steep descents are no answer for a ward.
  const stays = ground === undefined || next?.terrains.includes(ground)
  put(
    {
      activity: told.activity,
      ownActivity: plainCopy(told.ownActivity),
      force: force ?? next?.force,
      ...(!stays && { terrain: undefined }),
    },
    'activity',
  )
}
/** What has to be kept in mind with this activity, for this client. */
const mind = computed(() => {
  const { value: a } = activity
  if (!a) return []
  return [
    ...a.cautions,
    ...(isChild(fitting.record.client, fitting.record.visit?.on) ? [`Child: ${a.child}.`] : []),
    ...(riskOf(fitting.record).atRisk ? [`At risk: ${a.insensate}.`] : []),
  ]
})
const wears = (patch: object) => {
  const next = Object.fromEntries(
    Object.entries({ ...story.value.wears, ...patch }).filter(([, v]) => v !== undefined),
  )
  put({ wears: Object.keys(next).length ? next : undefined }, 'wears now')
}
const terrain = (t: string) =>
  put({ terrain: story.value.terrain === t ? undefined : t }, 'terrain')
</script>

<template>
  <div class="ask">
    <h2>What do you do in them?</h2>
    <ActivityPicker
      label="Activity"
      :told="story"
      :own="own"
      :disabled="fitting.readOnly"
      @told="choose"
    />
  </div>
  <div class="ask">
    <h2>{{ activity ? 'Tell me more' : 'How well, how often?' }}</h2>
    <div>
      <p v-if="activity" class="line">“{{ activity.ask }}”</p>
      <p v-for="words in mind" :key="words" class="line">
        <span aria-hidden="true">▲ </span>{{ words }}
      </p>
      <div class="chips">
        <span role="group" aria-label="Ability" class="chips"
          ><PlainButton
            v-for="a in ABILITIES"
            :key="a"
            class="tick"
            :aria-pressed="story.ability === a"
            :disabled="fitting.readOnly"
            @click="put({ ability: story.ability === a ? undefined : a }, 'ability')"
          >
            {{ a }}
          </PlainButton></span
        >
        <label class="mini"
          ><DraftField
            inputmode="decimal"
            :value="story.daysPerWeek"
            :disabled="fitting.readOnly"
            aria-label="Days a week"
            @keep="
              (t: string) =>
                number(t, 0, 7, 'Days a week', (v) => put({ daysPerWeek: v }, 'days a week'))
            "
          />
          days a week,</label
        >
        <label class="mini"
          ><DraftField
            inputmode="decimal"
            :value="story.hours"
            :disabled="fitting.readOnly"
            aria-label="Hours on feet"
            @keep="(t: string) => number(t, 0, 24, 'Hours', (v) => put({ hours: v }, 'hours'))"
          />
          hours each</label
        >
      </div>
      <div class="chips gap">
        <span v-if="activity" role="group" aria-label="Terrain" class="chips"
          ><PlainButton
            v-for="t in activity.terrains"
            :key="t"
            class="tick"
            :aria-pressed="story.terrain === t"
            :disabled="fitting.readOnly"
            @click="terrain(t)"
          >
            {{ t }}
          </PlainButton></span
        >
        <span role="group" aria-label="Force through the footwear" class="chips force"
          ><span class="muted small">force</span
          ><PlainButton
            v-for="f in FORCES"
            :key="f"
            class="tick"
            :title="FORCE_WORDS[f]"
            :aria-pressed="story.force === f"
            :disabled="fitting.readOnly"
            @click="put({ force: story.force === f ? undefined : f }, 'force')"
          >
            {{ FORCE_SHORT[f] }}
          </PlainButton></span
        >
      </div>
    </div>
  </div>
  <div class="ask">
    <h2>How should they fit?</h2>
    <div class="chips" role="group" aria-label="Fit intent">
      <PlainButton
        v-for="i in INTENTS"
        :key="i"
        class="tick"
        :aria-pressed="story.intent === i"
        :disabled="fitting.readOnly"
        @click="put({ intent: story.intent === i ? undefined : i }, 'fit intent')"
      >
        {{ INTENT_WORDS[i] }}
      </PlainButton>
    </div>
  </div>
  <div class="ask">
    <h2>What do you wear now?</h2>
    <div class="wear">
      <DraftField
        :value="story.wears?.what"
        maxlength="120"
        placeholder="what, how old"
        :disabled="fitting.readOnly"
        aria-label="Wears now"
        @keep="(t: string) => wears({ what: textOr(t) })"
      />
      <DraftField
        :value="story.wears?.size"
        maxlength="40"
        placeholder="size on it"
        :disabled="fitting.readOnly"
        aria-label="Size of what is worn now"
        @keep="(t: string) => wears({ size: textOr(t) })"
      />
    </div>
  </div>
</template>
