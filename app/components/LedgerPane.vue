<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VCard, VDialog, VTextField } from 'vuetify/components'
import type { Standing } from '../../core/advice/decided'
import { entryKey, type Entry } from '../../core/advice/entry'
import { figureWords } from '../../core/advice/limits'
import { useFitting } from '~/stores/fitting'
import SideMark from './SideMark.vue'
import SchoolsDialog from './SchoolsDialog.vue'
import StatusMark from './StatusMark.vue'
import { useLedger } from '~/stores/ledger'
import PlainButton from './PlainButton.vue'

/** Why: every suggestion with its finding, its school and the fitter's decision. */
const fitting = useFitting()
const ledger = useLedger()
const emit = defineEmits<{ measure: [string] }>()
const all = ref(false)
const open = ref(false)
/** the entry whose grounds are shown */
const grounds = ref('')
const asideFor = ref<Entry | null>(null)
const reason = ref('')
const SCHOOLS: Record<Entry['school'], [string, string]> = {
  neutral: [
    'Neutral position',
    'Hold the rearfoot near its neutral position and balance the forefoot to it.',
  ],
  'tissue-stress': [
    'Tissue stress',
    'Find the overloaded tissue and push where that unloads it, no more than needed.',
  ],
  sagittal: [
    'Sagittal plane',
    'Free what stops the body from rolling over the foot, before any tilt.',
  ],
  platform: [
    'Stable platform',
    'Even load on heel, first and fifth met head; deep cup, little volume, some give.',
  ],
  comfort: [
    'Comfort first',
    'The least change that the client feels as better; posture left alone.',
  ],
  all: ['House rule', 'Held by every school in this workshop.'],
}
const REASONS = [
  'Not in this footwear',
  'Client prefers not',
  'Seen and checked',
  'Later, one change at a time',
]
const shown = computed(() => (all.value ? ledger.open : ledger.open.slice(0, 3)))
const decided = computed(() => ledger.decided)
const lapsed = computed(() => decided.value.filter((d) => d.standing !== 'holds').length)
const STANDINGS: Record<Exclude<Standing, 'holds'>, string> = {
  gone: 'No longer holds',
  changed: 'Changed since',
  undone: 'No longer in the device',
}
const schools = ref(false)
const counts = computed(() =>
  (['stop', 'watch', 'suggest'] as const)
    .map((kind) => ({ kind, n: ledger.open.filter((e) => e.kind === kind).length }))
    .filter((c) => c.n > 0),
)

const toggleGrounds = (entry: Entry) =>
  (grounds.value = grounds.value === entryKey(entry) ? '' : entryKey(entry))

function acceptWord(entry: Entry): string {
  const change = entry.change
  if (!change) return 'Noted'
  if ('measure' in change) return 'Go there'
  if ('refer' in change) return 'Referred'
  if ('footwear' in change) return 'Ask for it'
  if ('capture' in change) return 'Noted'
  return 'Do it'
}
function accept(entry: Entry) {
  if (entry.change && 'measure' in entry.change) return emit('measure', entry.change.measure)
  ledger.accept(entry)
}
function setAside(why: string) {
  if (!asideFor.value || !why.trim()) return
  ledger.decide(asideFor.value, 'set-aside', why.trim())
  asideFor.value = null
  reason.value = ''
}
defineExpose({
  focusFirst: () => document.querySelector<HTMLButtonElement>('.ledger .accept')?.focus(),
  acceptFirst: () => ledger.open[0] && !fitting.readOnly && accept(ledger.open[0]),
  asideFirst: () => (asideFor.value = fitting.readOnly ? null : (ledger.open[0] ?? null)),
})
</script>

<template>
  <aside class="ledger" :class="{ open }" aria-label="Why: reasons and cautions">
    <PlainButton
      class="edge"
      :aria-expanded="open"
      aria-label="Why, show reasons"
      @click="open = !open"
    >
      <b>Why</b>
      <span v-for="c in counts" :key="c.kind" class="count"
        ><StatusMark :kind="c.kind" :word="String(c.n)"
      /></span>
    </PlainButton>
    <div class="sheet">
      <div class="head">
        <h2>Why</h2>
        <span class="muted small">{{ ledger.open.length }} open · {{ decided.length }} decided</span
        ><PlainButton class="all" @click="schools = true">Five schools</PlainButton>
      </div>
      <div class="list scroll">
        <p v-if="ledger.open.length === 0" class="empty muted">
          Nothing to weigh up. Readings are in order.
        </p>
        <article v-for="entry in shown" :key="entryKey(entry)" class="item">
          <div class="top">
            <StatusMark :kind="entry.kind" />
            <SideMark v-if="entry.foot !== 'both'" :side="entry.foot" />
            <span v-if="entry.lesser" class="chip">lesser measure</span>
            <PlainButton
              class="school"
              :aria-expanded="grounds === entryKey(entry)"
              @click="toggleGrounds(entry)"
            >
              {{ SCHOOLS[entry.school][0] }}
            </PlainButton>
          </div>
          <p>{{ entry.words }}</p>
          <div v-if="grounds === entryKey(entry)" class="small muted note">
            <p>{{ SCHOOLS[entry.school][1] }}</p>
            <ul v-if="entry.figures.length">
              <li v-for="figure in entry.figures" :key="figure.words">
                {{ figureWords(figure) }}
              </li>
            </ul>
            <p>Source: {{ entry.source }}.</p>
          </div>
          <div v-if="!fitting.readOnly" class="acts">
            <VBtn color="primary" variant="flat" class="accept" @click="accept(entry)">{{
              acceptWord(entry)
            }}</VBtn>
            <VBtn @click="asideFor = entry">Set aside</VBtn>
          </div>
        </article>
        <PlainButton v-if="ledger.open.length > 3" class="more" @click="all = !all">
          {{ all ? 'Show three' : `${ledger.open.length - 3} more` }}
        </PlainButton>
        <details v-if="decided.length" class="decided">
          <summary>
            Decided: {{ decided.length
            }}<span v-if="lapsed" class="watch-text"> · ▲ {{ lapsed }} not as decided</span>
          </summary>
          <div
            v-for="{ decision, entry, standing, isOpen } in decided"
            :key="entryKey(decision)"
            class="small line"
            :class="{ lapsed: standing !== 'holds' }"
          >
            <StatusMark v-if="standing !== 'holds'" kind="watch" :word="STANDINGS[standing]" />
            <b>{{ decision.decision === 'accepted' ? 'Accepted' : 'Set aside' }}</b>
            {{ decision.words ?? entry?.words ?? decision.code }}
            <template v-if="decision.made"> → {{ decision.made }}</template>
            <i v-if="decision.reason">“{{ decision.reason }}”</i>
            <span v-if="entry && standing === 'changed'" class="now">Now: {{ entry.words }}</span>
            <span class="muted"
              >{{ decision.by
              }}<template v-if="decision.at">, {{ decision.at.slice(0, 10) }}</template></span
            >
            <PlainButton v-if="!fitting.readOnly" class="again" @click="ledger.reopen(decision)">
              {{ standing === 'gone' || isOpen ? 'Clear away' : 'Open again' }}
            </PlainButton>
          </div>
        </details>
      </div>
      <p class="foot small muted">
        The tool estimates and records; it does not diagnose. Local law and licence come first.
      </p>
    </div>
    <SchoolsDialog v-model="schools" />
    <VDialog
      :model-value="asideFor !== null"
      @update:model-value="(v: boolean) => !v && (asideFor = null)"
    >
      <VCard class="pa">
        <h2>Set aside, because</h2>
        <p class="muted">{{ asideFor?.words }}</p>
        <div class="reasons">
          <VBtn v-for="r in REASONS" :key="r" @click="setAside(r)">{{ r }}</VBtn>
        </div>
        <form @submit.prevent="setAside(reason)">
          <VTextField v-model="reason" label="Another reason" maxlength="300" /><VBtn
            type="submit"
            color="primary"
            variant="flat"
            :disabled="!reason.trim()"
            >Keep</VBtn
          >
        </form>
      </VCard>
    </VDialog>
  </aside>
</template>

<style scoped>
.ledger {
  background: var(--sheet);
  border-left: 1px solid var(--hairline);
  min-height: 0;
  position: relative;
}
.sheet {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.edge {
  display: none;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 10px;
  padding: 11px 14px 9px;
  border-bottom: 1px solid var(--hairline);
}
.list {
  flex: 1;
  padding: 0 14px;
}
.empty {
  padding: 16px 0;
}
.item {
  padding: 11px 0;
  border-bottom: 1px solid var(--hairline);
}
.top {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 4px;
}
.school {
  margin-left: auto;
  font-size: 12px;
  color: var(--muted);
  border-bottom: 1px dotted var(--line-strong);
  min-height: 24px;
}
.note {
  margin-bottom: 4px;
}
.acts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin-top: 8px;
}
.more {
  display: block;
  width: 100%;
  min-height: 44px;
  text-align: center;
  font-weight: 600;
  color: var(--spruce);
}
.decided {
  padding: 8px 0;
}
.decided summary {
  min-height: 32px;
  cursor: pointer;
  color: var(--muted);
}
.line {
  padding: 5px 0;
}
.again {
  color: var(--spruce);
  text-decoration: underline;
  min-height: 24px;
}
.foot {
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
  background: var(--paper);
}
.pa {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.reasons {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
form {
  display: flex;
  gap: 8px;
  align-items: center;
}
@media (max-width: 1179px) {
  .edge {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 12px;
    width: 55px;
    height: 100%;
    padding-top: 14px;
  }
  .sheet {
    display: none;
  }
  .open .sheet {
    display: flex;
    position: absolute;
    right: 55px;
    top: 0;
    width: 292px;
    background: var(--sheet);
    border: 1px solid var(--hairline);
    z-index: 20;
  }
}
@media (max-width: 760px) {
  .edge {
    flex-direction: row;
    width: 100%;
    height: 56px;
    padding: 0 16px;
  }
  .open .sheet {
    position: static;
    width: 100%;
  }
}
.all {
  margin-left: auto;
  font-size: 12.5px;
  text-decoration: underline;
  min-height: 32px;
  color: var(--spruce);
}
.lapsed {
  background: var(--watch-tint);
}
</style>
