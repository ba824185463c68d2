<script setup lang="ts">
import { format } from 'date-fns'
import { computed } from 'vue'
import { VCheckboxBtn, VSelect } from 'vuetify/components'
import { CONSENTS, consentOf, withConsent, type ConsentKind } from '../../core/record/consents'
import { dayWords } from '../../core/record/typedDay'
import { REACH_WAYS, type Client } from '../../core/record/schema'
import { choicesOf } from '~/browser/choices'
import { useSession } from '~/stores/session'
import DraftField from './DraftField.vue'

/** How a client is reached, who speaks for them, and what they agreed to, with the day. */
const { details, disabled } = defineProps<{ details: Client; disabled: boolean }>()
const emit = defineEmits<{ change: [patch: Partial<Client>] }>()
const session = useSession()

const FIELDS = [
  { key: 'phone', label: 'Telephone', most: 40, mode: 'tel' },
  { key: 'mail', label: 'Mail', most: 120, mode: 'email' },
  { key: 'address', label: 'Address', most: 300, mode: 'text' },
  { key: 'guardian', label: 'Guardian', most: 120, mode: 'text' },
] as const
const WAYS = [{ value: null, title: 'not told' }, ...choicesOf(REACH_WAYS, (way) => way)]
const consents = computed(() =>
  CONSENTS.map(([what, words]) => {
    const last = consentOf(details, what)
    const said =
      last && `${last.given ? 'agreed' : 'taken back'}${last.on ? `, ${dayWords(last.on)}` : ''}`
    return { what, words, given: last?.given ?? false, said: said ?? 'not asked yet' }
  }),
)
function agree(what: ConsentKind, given: boolean) {
  const by = session.person?.name
  const on = format(new Date(), 'yyyy-MM-dd')
  emit('change', { consents: withConsent(details, { what, given, on, ...(by && { by }) }) })
}
const keep = (key: (typeof FIELDS)[number]['key'], text: string) =>
  emit('change', { [key]: text.trim() || undefined })
</script>

<template>
  <section class="card" aria-label="Reach and consents">
    <div class="card-head"><h2>Reach and consents</h2></div>
    <div class="both">
      <div class="fields">
        <label v-for="f in FIELDS" :key="f.key" class="field"
          ><span class="small muted">{{ f.label }}</span
          ><DraftField
            :value="details[f.key]"
            :maxlength="f.most"
            :inputmode="f.mode"
            :disabled="disabled"
            :aria-label="f.label"
            @keep="(text: string) => keep(f.key, text)"
        /></label>
        <label class="field"
          ><span class="small muted">Is reached by</span
          ><VSelect
            :items="WAYS"
            :model-value="details.reachBy ?? null"
            :disabled="disabled"
            aria-label="Is reached by"
            @update:model-value="(way) => emit('change', { reachBy: way ?? undefined })"
        /></label>
      </div>
      <div role="group" aria-label="Agreed">
        <label v-for="c in consents" :key="c.what" class="consent"
          ><VCheckboxBtn
            :model-value="c.given"
            :disabled="disabled"
            @update:model-value="(given) => agree(c.what, Boolean(given))"
          />
          <span
            >Agrees {{ c.words }}<br /><span class="small muted">{{ c.said }}</span></span
          ></label
        >
      </div>
    </div>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(280px, 1fr);
  gap: 18px;
  padding: 12px 14px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px 14px;
  align-content: start;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.consent {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 52px;
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
