<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn, VCheckbox, VTextField } from 'vuetify/components'
import { ROLE_WORDS } from '../../shared/permissions'
import type { SoleParameters } from '../../core/geometry/soleField'
import { api } from '~/browser/api'
import { drawSole } from '~/drawing/footDrawing'
import type { Person } from '../../shared/contracts'
import { useSession } from '~/stores/session'
import AppHeader from '~/components/AppHeader.vue'
import ArchTrail from '~/components/ArchTrail.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import PlainButton from '~/components/PlainButton.vue'

const session = useSession()
const chosen = ref('')
const login = ref('')
const password = ref('')
const name = ref('')
const code = ref('')
const understood = ref(false)
const trouble = ref('')
const busy = ref(false)
onMounted(async () => {
  const page = await session.look().catch((error: Error) => {
    trouble.value = error.message
    return null
  })
  // Whoever was quicker than the answer has chosen already.
  chosen.value ||= page?.demo[0]?.login ?? ''
})
const demo = computed(() => session.page?.demo ?? [])
const first = computed(() => session.page?.firstOwner ?? false)
/** What is asked: the first owner's code, somebody's code, one of the demo's people, or a name. */
type Way = 'first' | 'code' | 'people' | 'name'
const taken = ref<Way | null>(null)
const usual = computed((): Way => {
  if (first.value) return 'first'
  return demo.value.length > 0 ? 'people' : 'name'
})
const way = computed(() => taken.value ?? usual.value)
const isNew = computed(() => way.value === 'first' || way.value === 'code')
const person = computed(() =>
  way.value === 'people' ? demo.value.find((p) => p.login === chosen.value) : undefined,
)
const HEADS: Record<Way, string> = {
  first: 'First start',
  code: 'You were given a code',
  people: 'Who is at the bench?',
  name: 'Who is at the bench?',
}
const INTROS: Record<Way, string> = {
  first:
    'The terminal printed a one-time code. It makes you the owner. A code that was lost is made anew when the application is started again.',
  code: 'It lets you choose your sign-in name and password, once.',
  people: 'Demo workshop. Three invented people, invented clients, no password.',
  name: '',
}
/** The other ways in, from here. */
const others = computed((): [Way, string][] => {
  const all: [Way, string][] = [
    ['code', 'I have a code'],
    ['name', demo.value.length > 0 ? 'Somebody else' : 'I have a password'],
    ['people', 'One of the demo’s people'],
    ['first', 'First start'],
  ]
  return all.filter(([to]) => {
    if (to === way.value || (to === 'name' && usual.value === 'first')) return false
    if (to === 'first') return first.value
    return to !== 'people' || demo.value.length > 0
  })
})
const act = computed(() => {
  if (way.value === 'first') return 'Make me the owner'
  if (way.value === 'code') return 'Let me in'
  return person.value ? `Sign in as ${person.value.name.split(' ')[0]}` : 'Sign in'
})
const parameters: SoleParameters = {
  lengthMm: 262,
  forefootWidthMm: 98,
  heelWidthMm: 64,
  navicularHeightMm: 45,
  forefootDeg: 2,
  castDeg: 0,
  secondToeLeadMm: -3,
  lateralArchMm: 2.2,
}
const feet = [
  drawSole('left', parameters),
  drawSole('right', { ...parameters, lengthMm: 266, navicularHeightMm: 40, forefootDeg: 4 }),
]

async function enter() {
  trouble.value = ''
  busy.value = true
  try {
    if (isNew.value) {
      const path = way.value === 'first' ? 'first-owner' : 'claim'
      const person = await api<Person>(path, 'POST', {
        code: code.value,
        ...(way.value === 'first' && { name: name.value }),
        login: login.value,
        password: password.value,
      })
      await session.begin(person, login.value, password.value)
      await session.refresh()
      return void (await navigateTo(way.value === 'first' ? '/founding' : '/'))
    }
    await session.signIn(person.value?.login ?? login.value, password.value)
    await navigateTo('/')
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="frame plain">
    <AppHeader><ArchTrail :live="false" /></AppHeader>
    <main class="main">
      <div class="both">
        <section class="card picture" aria-hidden="true">
          <div class="sides"><SideMark side="left" word /><SideMark side="right" word /></div>
          <svg viewBox="-62 -6 324 284">
            <g v-for="(foot, k) in feet" :key="k" :transform="`translate(${k * 200} ${k ? 0 : 4})`">
              <clipPath :id="`si${k}`"><path :d="foot.outline" /></clipPath>
              <g :clip-path="`url(#si${k})`">
                <path
                  v-for="(ring, i) in foot.rings"
                  :key="i"
                  :d="ring.d"
                  :fill="ring.fill"
                  :stroke="k ? '#1F6C86' : '#7B3F61'"
                  :stroke-opacity="ring.index ? 0.75 : 0.38"
                  stroke-width=".5"
                />
              </g>
              <path
                :d="foot.outline"
                fill="none"
                :stroke="k ? '#1F6C86' : '#7B3F61'"
                stroke-width="1.1"
              />
            </g>
            <path d="M100 10V262" stroke="#22302E" stroke-width="1" />
            <g
              v-for="(d, i) in [-6, 4, -3, 9, 5]"
              :key="i"
              :transform="`translate(100 ${30 + i * 48})`"
            >
              <path d="M-8 -6v12M8 -6v12" stroke="#5F6E6B" stroke-width=".8" />
              <rect
                :x="Math.min(0, d)"
                y="-4"
                :width="Math.abs(d)"
                height="8"
                :fill="d < 0 ? '#7B3F61' : '#1F6C86'"
              />
            </g>
          </svg>
          <p>
            Two feet, and what is different between them.<br /><span class="muted small"
              >contours every 1.5 mm · a drawing, nobody’s feet</span
            >
          </p>
        </section>
        <form class="enter" @submit.prevent="enter">
          <h1>{{ HEADS[way] }}</h1>
          <p v-if="INTROS[way]" class="muted">{{ INTROS[way] }}</p>
          <div v-if="way === 'people'" role="radiogroup" aria-label="Person" class="people">
            <PlainButton
              v-for="p in demo"
              :key="p.login"
              role="radio"
              :aria-checked="p.login === chosen"
              class="person"
              :class="{ chosen: p.login === chosen }"
              @click="chosen = p.login"
            >
              <span class="initials">{{
                p.name
                  .split(' ')
                  .map((w) => w[0])
                  .join('')
              }}</span>
              <span class="words"
                ><b>{{ p.name }}</b> <span class="role">{{ ROLE_WORDS[p.role].name }}</span><br />{{
                  ROLE_WORDS[p.role].does
                }}</span
              >
              <span class="dot" />
            </PlainButton>
          </div>
          <template v-else>
            <VTextField
              v-if="isNew"
              v-model="code"
              label="One-time code"
              autocomplete="one-time-code"
            />
            <VTextField
              v-if="way === 'first'"
              v-model="name"
              label="Your name"
              autocomplete="name"
            />
            <VTextField v-model="login" label="Sign-in name" autocomplete="username" />
            <VTextField
              v-model="password"
              label="Password"
              type="password"
              :autocomplete="isNew ? 'new-password' : 'current-password'"
              :hint="isNew ? 'At least 10 characters' : ''"
            />
          </template>
          <div class="notice">
            <StatusMark kind="watch" word="Law and licence come first" />
            <p>
              What you may measure, advise, make or sell depends on the law and the licence where
              you work. Gentle Arch gives a second opinion and shows its reasons. It does not
              diagnose, and it does not make you a clinician.
            </p>
            <VCheckbox
              v-model="understood"
              label="I know what applies to me. If in doubt I refer."
            />
          </div>
          <div class="ways">
            <PlainButton v-for="[to, words] in others" :key="to" class="other" @click="taken = to">
              {{ words }}
            </PlainButton>
          </div>
          <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
          <div class="acts">
            <VBtn
              type="submit"
              color="primary"
              variant="flat"
              height="52"
              :disabled="!understood || busy"
              >{{ act }}</VBtn
            >
            <span class="muted small">{{
              understood
                ? 'Hides itself when nobody touches it for a while.'
                : 'Tick the line above first.'
            }}</span>
          </div>
        </form>
      </div>
    </main>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(280px, 424px) minmax(0, 660px);
  gap: 40px;
  margin: auto;
  align-items: stretch;
}
.picture {
  padding: 20px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  text-align: center;
}
.picture svg {
  flex: 1;
  min-height: 0;
  max-height: 440px;
}
.sides {
  display: flex;
  justify-content: space-between;
}
.enter {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.enter h1 {
  font-size: 30px;
  line-height: 34px;
}
.people {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.person {
  display: flex;
  align-items: center;
  gap: 18px;
  min-height: 68px;
  padding: 8px 22px 8px 16px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--sheet);
}
.person.chosen {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.initials {
  width: 46px;
  height: 46px;
  border-radius: 50%;
  background: var(--wash);
  color: var(--spruce);
  display: grid;
  place-items: center;
  font-weight: 700;
  border: 1px solid var(--spruce);
  flex: none;
}
.chosen .initials {
  background: var(--spruce);
  color: #fff;
}
.words {
  flex: 1;
}
.words b {
  font-size: 17px;
  font-weight: 600;
}
.role {
  color: var(--spruce);
  font-weight: 600;
  margin-left: 6px;
}
.dot {
  width: 22px;
  height: 22px;
  border-radius: 50%;
  border: 1px solid var(--line-strong);
  background: var(--field);
  flex: none;
}
.chosen .dot {
  border: 7px solid var(--spruce);
}
.notice p {
  margin-top: 4px;
}
.ways {
  display: flex;
  gap: 14px;
}
.other {
  text-decoration: underline;
  min-height: 40px;
}
.acts {
  display: flex;
  align-items: center;
  gap: 14px;
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: 1fr;
  }
  .picture {
    display: none;
  }
}
</style>
