<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VTextarea } from 'vuetify/components'
import type { Permission } from '../../shared/permissions'
import AppHeader from '~/components/AppHeader.vue'
import PaneTabs from '~/components/PaneTabs.vue'
import BenchTablesPane from '~/settings/BenchTablesPane.vue'
import DeviceTablesPane from '~/settings/DeviceTablesPane.vue'
import FootwearTablesPane from '~/settings/FootwearTablesPane.vue'
import LetterTextsPane from '~/settings/LetterTextsPane.vue'
import NumberTablesPane from '~/settings/NumberTablesPane.vue'
import OurFeetPane from '~/settings/OurFeetPane.vue'
import PriceTablePane from '~/settings/PriceTablePane.vue'
import ReadingTablesPane from '~/settings/ReadingTablesPane.vue'
import RepeatabilityPane from '~/settings/RepeatabilityPane.vue'
import KeepingPane from '~/settings/KeepingPane.vue'
import PlacesPane from '~/settings/PlacesPane.vue'
import SignInsPane from '~/settings/SignInsPane.vue'
import PeoplePane from '~/settings/PeoplePane.vue'
import ShopPane from '~/settings/ShopPane.vue'
import { useHouseTables } from '~/settings/useHouseTables'
import { useSession } from '~/stores/session'

/**
 * The shop and its people; and its house rules: the table fittings are judged by, in versions, with
 * sources, and how well readings repeat here.
 */
const PANES = [
  ['limits', 'Limits and classes'],
  ['rules', 'Rules'],
  ['readings', 'Bounds of readings'],
  ['ourFeet', 'Our feet'],
  ['devices', 'Devices'],
  ['footwear', 'Footwear'],
  ['bench', 'Bench'],
  ['prices', 'Prices'],
  ['letters', 'Letters'],
  ['repeat', 'Repeatability'],
] as const
/** The shop itself, above its rules. */
const SHOP_PANES = [
  ['shop', 'Shop'],
  ['people', 'People'],
  ['places', 'Places'],
  ['signIns', 'Sign-ins'],
  ['keeping', 'Backups'],
] as const
type Pane = (typeof PANES)[number][0] | (typeof SHOP_PANES)[number][0]
/** Who may see a pane of the shop, where not everybody may. */
const SEEN_BY: Partial<Record<Pane, Permission>> = { people: 'people.see', keeping: 'backups.see' }
const isTablePane = (name: Pane): name is keyof typeof TABLE_PANES => name in TABLE_PANES
/** Panes over the draft, each with what it is told beside it. */
const TABLE_PANES = {
  limits: { is: NumberTablesPane, more: { what: 'tables' } },
  rules: { is: NumberTablesPane, more: { what: 'rules' } },
  readings: { is: ReadingTablesPane, more: {} },
  ourFeet: { is: OurFeetPane, more: {} },
  devices: { is: DeviceTablesPane, more: {} },
  footwear: { is: FootwearTablesPane, more: {} },
  bench: { is: BenchTablesPane, more: {} },
  prices: { is: PriceTablePane, more: {} },
  letters: { is: LetterTextsPane, more: {} },
} as const

const session = useSession()
const pane = ref<Pane>('limits')
const tablePane = computed(() => (isTablePane(pane.value) ? TABLE_PANES[pane.value] : null))
const shopPanes = computed(() =>
  SHOP_PANES.filter(([name]) => SEEN_BY[name] === undefined || session.may(SEEN_BY[name])),
)
const { versions, draft, changed, source, trouble, done, current, take, load, save } =
  useHouseTables()
const may = computed(() => session.may('norms.change'))
onMounted(() => load().catch((error: Error) => (trouble.value = error.message)))
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Settings" fact="house rules" />
    <main class="main">
      <div class="title-row">
        <h1>Settings</h1>
        <span class="fact">table {{ current.version }}: {{ current.source }}</span>
        <PaneTabs v-model="pane" :panes="shopPanes" label="The shop" look="box" />
      </div>
      <div class="rules">
        <PaneTabs v-model="pane" :panes="PANES" label="House rules" look="box" :height="38" />
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-else-if="done" class="notice" role="status">{{ done }}</p>
      <ShopPane v-if="pane === 'shop'" />
      <PeoplePane v-else-if="pane === 'people'" />
      <SignInsPane v-else-if="pane === 'signIns'" />
      <PlacesPane v-else-if="pane === 'places'" />
      <KeepingPane v-else-if="pane === 'keeping'" />
      <RepeatabilityPane v-else-if="!tablePane" :tables="current" />
      <div v-else class="cols sets">
        <section class="card scroll" tabindex="0" role="region" aria-label="Table">
          <component
            :is="tablePane.is"
            :key="pane"
            v-bind="tablePane.more"
            :draft="draft"
            :may="may"
            @change="take"
            @trouble="trouble = $event"
          />
        </section>
        <div class="stack">
          <section v-if="may" class="card card-body form">
            <h2>New table</h2>
            <label
              ><span class="muted small">Why, and where do the values come from?</span
              ><VTextarea v-model="source" class="why" maxlength="300" rows="3" />
            </label>
            <VBtn
              color="primary"
              variant="flat"
              :disabled="!changed || source.trim().length < 3"
              @click="save"
              >Make table {{ current.version + 1 }}</VBtn
            ><VBtn v-if="changed" @click="load">Leave it as it was</VBtn>
            <p class="muted small">
              It holds for fittings opened from then on; older ones keep the table they were judged
              by.
            </p>
          </section>
          <p v-else class="notice">The owner changes house rules; you can read them.</p>
          <section class="card">
            <div class="card-head"><h2>Versions</h2></div>
            <div v-for="v in versions" :key="v.norms.version" class="ver small">
              <b>Table {{ v.norms.version }}</b> {{ format(new Date(v.madeAt), 'd MMM yyyy') }},
              {{ v.madeBy }}<br /><span class="muted">{{ v.norms.source }}</span>
            </div>
            <div class="ver small"><b>Table 1</b> <span class="muted">house defaults</span></div>
          </section>
        </div>
      </div>
    </main>
  </div>
</template>

<style scoped>
/* Below the shop's own tabs, nearer to what they change. */
.rules {
  display: flex;
}
.sets {
  grid-template-columns: minmax(0, 1fr) 280px;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.why {
  height: auto;

  font-size: 14px;
}
.ver {
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
}
</style>
