<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VSelect, VTextField } from 'vuetify/components'
import { inviteBody, type PersonRow } from '../../shared/contracts'
import { ROLES, ROLE_WORDS, type Role } from '../../shared/permissions'
import { api } from '~/browser/api'
import { choicesOf } from '~/browser/choices'
import { readForm } from '~/browser/readForm'
import PlainButton from '~/components/PlainButton.vue'
import { useAttempt } from '~/composables/useAttempt'
import { useSession } from '~/stores/session'
import PersonForm from './PersonForm.vue'

/** Who works here: invited by a code, with role, skills and hours; who leaves stays on what they did. */
const session = useSession()
const may = computed(() => session.may('people.change'))
const people = ref<PersonRow[]>([])
const { trouble, done, run } = useAttempt()
/** A code that was just made: it is shown once. */
const code = ref<{ name: string; code: string } | null>(null)
const at = ref<string | null>(null)
const current = computed(() => people.value.find((p) => p.id === at.value) ?? null)
const fresh = ref<{ name: string; role: Role }>({ name: '', role: 'fitter' })
const form = computed(() => readForm(inviteBody, fresh.value))
const ROLE_CHOICES = choicesOf(ROLES, (role) => ROLE_WORDS[role].name)

async function load() {
  people.value = (await api<{ people: PersonRow[] }>('people')).people
}
onMounted(() => run(load))

const invite = () =>
  run(async () => {
    const made = await api<{ code: string }>('people', 'POST', form.value.value)
    code.value = { name: fresh.value.name.trim(), code: made.code }
    fresh.value = { name: '', role: 'fitter' }
    await load()
  })
const newCode = (person: PersonRow) =>
  run(async () => {
    const made = await api<{ code: string }>(`people/${person.id}/code`, 'POST', {})
    code.value = { name: person.name, code: made.code }
    await load()
  })
const change = (person: PersonRow, patch: object) =>
  run(async () => {
    await api(`people/${person.id}`, 'PATCH', patch)
    await load()
    if (person.id === session.person?.id) await session.refresh()
  }, 'Kept.')
const leave = (person: PersonRow) =>
  run(async () => {
    await api(`people/${person.id}/leave`, 'POST', {})
    await load()
  }, `${person.name} left. Their name stays on what they did.`)

function stateWords(person: PersonRow): string {
  const day = (at: string) => format(new Date(at), 'd MMM yyyy')
  if (person.leftAt) return `left on ${day(person.leftAt)}`
  if (person.state === 'invited')
    return person.codeUntil && new Date(person.codeUntil) > new Date()
      ? `invited, the code opens until ${day(person.codeUntil)}`
      : 'invited, the code ran out: give a new one'
  const login = person.login ? `signs in as ${person.login}` : 'at work'
  return `${login}${person.codeUntil ? '; a code for a new password waits' : ''}`
}
const rows = computed(() =>
  people.value.map((person) => ({
    person,
    role: ROLE_WORDS[person.role].name,
    words: stateWords(person),
  })),
)
</script>

<template>
  <div class="cols two">
    <section class="card scroll" tabindex="0" role="region" aria-label="People">
      <div class="card-head"><h2>People</h2></div>
      <ul>
        <li v-for="{ person, role, words } in rows" :key="person.id">
          <PlainButton
            class="row"
            :class="{ gone: person.state === 'left' }"
            :aria-pressed="person.id === at"
            @click="at = person.id"
          >
            <b>{{ person.name }}</b><span>{{ role }}</span
            ><span class="small muted words">{{ words }}</span>
          </PlainButton>
        </li>
      </ul>
      <div v-if="code" class="notice code" role="status">
        <p>
          Code for <b>{{ code.name }}</b>: <b class="letters">{{ code.code }}</b>
        </p>
        <p class="small">
          It is shown only now and opens once, within a week: at the sign-in page, under “I have a
          code”. There they choose their sign-in name and password themselves.
        </p>
        <VBtn size="small" @click="code = null">I passed it on</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-else-if="done" class="notice" role="status">{{ done }}</p>
      <form v-if="may" class="line card-body" @submit.prevent="invite">
        <VTextField v-model="fresh.name" label="Somebody new" maxlength="120" />
        <VSelect v-model="fresh.role" label="Role" :items="ROLE_CHOICES" class="role" />
        <VBtn type="submit" color="primary" variant="flat" :disabled="!form.value">Invite</VBtn>
      </form>
    </section>
    <PersonForm
      v-if="current"
      :key="current.id"
      :person="current"
      :may="may"
      @change="(patch) => change(current!, patch)"
      @code="newCode(current!)"
      @leave="leave(current!)"
    />
    <section v-else class="card card-body muted">
      Choose somebody to see their role, skills, hours and days away.
    </section>
  </div>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) minmax(320px, 460px);
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px minmax(0, 1.4fr);
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 48px;
  padding: 6px 16px;
  border-bottom: 1px solid var(--hairline);
}
.row[aria-pressed='true'] {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.gone b {
  font-weight: 400;
}
.code {
  margin: 10px 16px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: flex-start;
}
.letters {
  font-size: 22px;
  letter-spacing: 0.06em;
  font-variant-numeric: tabular-nums;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
}
.role {
  flex: 0 0 150px;
}
</style>
