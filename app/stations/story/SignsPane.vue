<script setup lang="ts">
import { SIGNS, SIGN_KINDS, type Sign } from '../../../core/kinds/signs/all'
import { computed, ref } from 'vue'
import { VBtn, VTextField } from 'vuetify/components'
import { isLapsed } from '../../../core/examine/risk'
import { isChild } from '../../../core/measure/ageAtVisit'
import { useStory } from './useStory'
import { useSession } from '~/stores/session'
import PlainButton from '~/components/PlainButton.vue'

/** Asked before anything is made: a yes stops making until a clearance is recorded. */
const { fitting, story, put } = useStory()
const session = useSession()
const child = computed(() => isChild(fitting.record.client, fitting.record.visit?.on))
const asked = computed(() => SIGN_KINDS.filter((s) => child.value || !SIGNS.of(s).childOnly))
/** What was asked too long ago is asked again; a yes stays one until somebody says otherwise. */
const isOld = computed(() =>
  isLapsed(
    story.value.signsOn,
    fitting.today,
    fitting.norms.ruleThresholds['signs-not-asked.days'],
  ),
)
/** The answer that counts today. */
const answerOf = (sign: Sign): 'yes' | 'no' | undefined => {
  const said = story.value.signs?.[sign]
  return isOld.value && said === 'no' ? undefined : said
}
const left = computed(() => asked.value.filter((s) => answerOf(s) === undefined))
/** Day of the oldest answer that still counts. */
const askedOn = () => (isOld.value ? fitting.today : (story.value.signsOn ?? fitting.today))
const clearanceOf = (code: string) => story.value.clearances!.findLast((c) => c.code === code)!
const open = computed(() => fitting.risk.refers.filter((r) => !r.cleared))
const done = computed(() => fitting.risk.refers.filter((r) => r.cleared))
const by = ref('')
const words = ref('')
const answer = (sign: Sign, value: 'yes' | 'no') => {
  const { [sign]: _, ...others } = story.value.signs ?? {}
  // What was asked too long ago was not asked: answering one does not renew the others.
  const rest = isOld.value
    ? Object.fromEntries(Object.entries(others).filter(([, said]) => said === 'yes'))
    : others
  put(
    { signs: answerOf(sign) === value ? rest : { ...rest, [sign]: value }, signsOn: askedOn() },
    SIGNS.of(sign).refer,
  )
}
const allNo = () =>
  put(
    {
      signs: {
        ...Object.fromEntries(left.value.map((s) => [s, 'no' as const])),
        ...story.value.signs,
      },
      signsOn: askedOn(),
    },
    'nothing of the kind',
  )
function clear() {
  const lines = open.value.map((r) => ({
    code: r.code,
    by: by.value.trim().slice(0, 120),
    on: fitting.today,
    ...(words.value.trim() && { words: words.value.trim().slice(0, 300) }),
    ...(session.person && { recordedBy: session.person.name }),
  }))
  put({ clearances: [...(story.value.clearances ?? []), ...lines] }, 'clearance')
  by.value = words.value = ''
}
const withdraw = (code: string) =>
  put({ clearances: story.value.clearances!.filter((c) => c.code !== code) }, 'clearance withdrawn')
</script>

<template>
  <div class="signs scroll">
    <div v-if="open.length" class="notice stop" role="alert">
      <b>Refer first.</b> {{ open.map((r) => r.words).join('; ') }}. Nothing is made before somebody
      entitled to it has looked.
      <div v-if="!fitting.readOnly" class="clear">
        <VTextField
          v-model="by"
          maxlength="120"
          placeholder="cleared by: name and profession"
          aria-label="Cleared by"
        /><VTextField
          v-model="words"
          maxlength="300"
          placeholder="what was said"
          aria-label="What was said"
        /><VBtn color="primary" variant="flat" :disabled="by.trim().length < 3" @click="clear"
          >Record clearance</VBtn
        >
      </div>
    </div>
    <p v-for="r in done" :key="r.code" class="notice small">
      ✓ Cleared by {{ clearanceOf(r.code).by }}, {{ clearanceOf(r.code).on }}: {{ r.words }}
      <PlainButton class="link" :disabled="fitting.readOnly" @click="withdraw(r.code)"
        >withdraw</PlainButton
      >
    </p>
    <div class="head">
      <span
        ><b>Is there any of this?</b>
        <span class="muted small"
          >{{ asked.length - left.length }} of {{ asked.length }} asked{{
            isOld ? `, the last on ${story.signsOn}: ask again` : ''
          }}</span
        ></span
      ><VBtn v-if="left.length" size="small" height="36" :disabled="fitting.readOnly" @click="allNo"
        >None of these</VBtn
      >
    </div>
    <div v-for="s in asked" :key="s" class="sign">
      <span>{{ SIGNS.of(s).ask }}</span>
      <span role="group" :aria-label="SIGNS.of(s).ask"
        ><PlainButton
          class="tick"
          :class="{ bad: answerOf(s) === 'yes' }"
          :aria-pressed="answerOf(s) === 'yes'"
          :disabled="fitting.readOnly"
          @click="answer(s, 'yes')"
        >
          yes</PlainButton
        ><PlainButton
          class="tick"
          :aria-pressed="answerOf(s) === 'no'"
          :disabled="fitting.readOnly"
          @click="answer(s, 'no')"
        >
          no
        </PlainButton></span
      >
    </div>
  </div>
</template>

<style scoped>
.signs {
  padding: 10px 14px;
  display: flex;
  flex-direction: column;
  gap: 2px;
  flex: 1;
}
.notice {
  margin-bottom: 6px;
}
.clear {
  display: grid;
  gap: 6px;
  padding-top: 8px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 38px;
}
.sign {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  border-top: 1px solid var(--hairline);
  min-height: 38px;
  font-size: 13.5px;
  line-height: 17px;
}
.sign > span:last-child {
  display: flex;
  gap: 4px;
  flex: none;
}
.tick {
  min-width: 44px;
  text-align: center;
}
.tick.bad[aria-pressed='true'] {
  background: var(--stop-tint);
  border-color: var(--stop);
  color: var(--stop);
}
.link {
  text-decoration: underline;
}
</style>
