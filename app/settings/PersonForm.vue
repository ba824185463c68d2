<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VCheckboxBtn, VSelect, VTextField } from 'vuetify/components'
import { personChangeBody, type PersonRow } from '../../shared/contracts'
import { ROLES, ROLE_WORDS } from '../../shared/permissions'
import { SKILLS, type Skill } from '../../shared/shopDetails'
import { choicesOf } from '~/browser/choices'
import { plainCopy } from '~/browser/plainCopy'
import { readForm } from '~/browser/readForm'
import DayField from '~/components/DayField.vue'
import PlainButton from '~/components/PlainButton.vue'
import HoursFields from './HoursFields.vue'

/** One of the shop's people: name, role, what they can do, when they work, days away, and their leaving. */
const { person, may } = defineProps<{ person: PersonRow; may: boolean }>()
const emit = defineEmits<{ change: [patch: object]; code: []; leave: [] }>()

const draft = ref(plainCopy(person))
const away = ref<{ from: string | undefined; to: string | undefined }>({
  from: undefined,
  to: undefined,
})
const leaving = ref(false)
const isHere = computed(() => person.state !== 'left')
const canChange = computed(() => may && isHere.value)
const form = computed(() => {
  const { name, role, skills, hours, daysOff } = draft.value
  return readForm(personChangeBody, { name, role, skills, hours, daysOff })
})
const isChanged = computed(() =>
  (['name', 'role', 'skills', 'hours', 'daysOff'] as const).some(
    (key) => JSON.stringify(draft.value[key]) !== JSON.stringify(person[key]),
  ),
)
/** What is wrong with the hours, whichever day it is. */
const hoursTrouble = computed(
  () => Object.entries(form.value.troubles).find(([path]) => path.startsWith('hours'))?.[1] ?? '',
)
const ROLE_CHOICES = choicesOf(ROLES, (role) => ROLE_WORDS[role].name)
function toggle(skill: Skill, isOn: boolean) {
  const others = draft.value.skills.filter((s) => s !== skill)
  draft.value.skills = isOn ? [...others, skill] : others
}
const awayForm = computed(() =>
  readForm(personChangeBody, {
    daysOff: [{ from: away.value.from, to: away.value.to ?? away.value.from }],
  }),
)
function addAway() {
  const [days] = awayForm.value.value?.daysOff ?? []
  if (!days) return
  draft.value.daysOff = [...draft.value.daysOff, days].sort((a, b) => a.from.localeCompare(b.from))
  away.value = { from: undefined, to: undefined }
}
const dropAway = (k: number) =>
  (draft.value.daysOff = draft.value.daysOff.filter((_, i) => i !== k))
const awayWords = ({ from, to }: { from: string; to: string }) =>
  from === to ? from : `${from} to ${to}`
/** An owner is at the bench only where they say so; whoever measures or makes always is. */
const skills = computed(() =>
  SKILLS.filter(([kind]) => kind !== 'bench' || draft.value.role === 'owner'),
)
</script>

<template>
  <section class="card scroll" tabindex="0" role="region" :aria-label="person.name">
    <form class="card-body form" @submit.prevent="emit('change', form.value!)">
      <VTextField
        v-model="draft.name"
        label="Name"
        maxlength="120"
        :disabled="!canChange"
        :error-messages="form.troubles.name"
      />
      <VSelect v-model="draft.role" label="Role" :items="ROLE_CHOICES" :disabled="!canChange" />
      <p class="small muted">{{ ROLE_WORDS[draft.role].does }}</p>
      <div class="skills" role="group" aria-label="What they can do">
        <label v-for="[kind, words] in skills" :key="kind"
          ><VCheckboxBtn
            :model-value="draft.skills.includes(kind)"
            :disabled="!canChange"
            @update:model-value="(isOn) => toggle(kind, Boolean(isOn))"
          />
          {{ words }}</label
        >
      </div>
      <h3>Works</h3>
      <p class="small muted">
        Nothing ticked: every day that the shop is open. The bench counts on them on these days.
      </p>
      <HoursFields
        :hours="draft.hours"
        :of="person.name"
        :disabled="!canChange"
        @change="(hours) => (draft.hours = hours)"
      />
      <p v-if="hoursTrouble" class="stop-text small" role="alert">{{ hoursTrouble }}</p>
      <h3>Away</h3>
      <ul v-if="draft.daysOff.length">
        <li v-for="(days, k) in draft.daysOff" :key="k" class="line">
          <span>{{ awayWords(days) }}</span><PlainButton
            class="drop"
            :disabled="!canChange"
            :aria-label="`Not away ${awayWords(days)}`"
            @click="dropAway(k)"
          >
            ×
          </PlainButton>
        </li>
      </ul>
      <div v-if="canChange" class="line">
        <DayField v-model="away.from" label="From" /><DayField v-model="away.to" label="To" /><VBtn
          :disabled="!awayForm.value"
          @click="addAway"
          >Add</VBtn
        >
      </div>
      <div v-if="may" class="line acts">
        <VBtn
          v-if="isHere"
          type="submit"
          color="primary"
          variant="flat"
          :disabled="!isChanged || !form.value"
          >Keep</VBtn
        >
        <VBtn @click="emit('code')">{{ isHere ? 'New code' : 'Invite back' }}</VBtn>
        <span class="space" />
        <VBtn v-if="isHere && !leaving" @click="leaving = true">Leaves …</VBtn>
      </div>
      <div v-if="leaving && isHere" class="notice watch form">
        <p>
          <b>{{ person.name }} leaves?</b> They are signed out everywhere, their password and PIN
          open nothing. Their name stays on what they did.
        </p>
        <div class="line">
          <VBtn @click="emit('leave')">Yes, they leave</VBtn
          ><VBtn @click="leaving = false">They stay</VBtn>
        </div>
      </div>
    </form>
  </section>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
h3 {
  font-size: 15px;
}
.skills label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
}
.drop {
  min-width: 40px;
  min-height: 36px;
}
.space {
  flex: 1;
}
</style>
