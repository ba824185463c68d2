<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn } from 'vuetify/components'
import AppHeader from '~/components/AppHeader.vue'
import PaneTabs from '~/components/PaneTabs.vue'
import BenchTablesPane from '~/settings/BenchTablesPane.vue'
import PeoplePane from '~/settings/PeoplePane.vue'
import PriceTablePane from '~/settings/PriceTablePane.vue'
import ShopPane from '~/settings/ShopPane.vue'
import { useSession } from '~/stores/session'
import { useHouseTables } from '~/settings/useHouseTables'

/** A shop is founded in four short steps; each can be left out, and is found again in Settings. */
const STEPS = [
  ['shop', '1 The shop'],
  ['bench', '2 Chairs and apparatus'],
  ['people', '3 People'],
  ['prices', '4 Prices'],
] as const
type Step = (typeof STEPS)[number][0]
const step = ref<Step>('shop')
const SAYS: Record<Step, string> = {
  shop: 'Its name stands on every page and paper; telephone and address on what clients take home.',
  bench: 'What stands here: chairs, oven, press, grinder. The day’s plan goes by it.',
  people: 'Each gets a code to pass on. You count at the bench yourself until others do.',
  prices: 'A start set, to be made your own; quotes go by it.',
}
const session = useSession()
const may = computed(() => session.may('norms.change'))
const { draft, changed, source, trouble, take, load, save } = useHouseTables()
onMounted(() => load().catch((error: Error) => (trouble.value = error.message)))
const at = computed(() => STEPS.findIndex(([id]) => id === step.value))
const isLast = computed(() => at.value === STEPS.length - 1)
const isTable = computed(() => step.value === 'bench' || step.value === 'prices')

/** Keeps what was changed of the tables, and goes on. */
async function next() {
  if (isTable.value && changed.value) {
    source.value = 'founding of the shop'
    if (!(await save())) return
  }
  if (isLast.value) return void (await navigateTo('/'))
  step.value = STEPS[at.value + 1]![0]
}
const nextWords = computed(() => {
  if (isTable.value && changed.value) return isLast.value ? 'Keep, and to Today' : 'Keep and go on'
  return isLast.value ? 'To Today' : 'Go on'
})
</script>

<template>
  <div class="frame plain">
    <AppHeader title="A new shop" fact="four short steps" />
    <main class="main">
      <div class="title-row">
        <h1>A new shop</h1>
        <span class="fact">{{ SAYS[step] }}</span>
        <PaneTabs v-model="step" :panes="STEPS" label="Steps" look="box" />
        <VBtn color="primary" variant="flat" @click="next">{{ nextWords }}</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <ShopPane v-if="step === 'shop'" @kept="next" />
      <PeoplePane v-else-if="step === 'people'" />
      <section v-else class="card scroll grow" tabindex="0" role="region" aria-label="Table">
        <BenchTablesPane
          v-if="step === 'bench'"
          :draft="draft"
          begin="has"
          :may="may"
          @change="take"
          @trouble="trouble = $event"
        />
        <PriceTablePane
          v-else
          :draft="draft"
          :may="may"
          @change="take"
          @trouble="trouble = $event"
        />
      </section>
      <p class="small muted">
        Whatever you leave out stands in Settings, under the menu behind your initials.
      </p>
    </main>
  </div>
</template>
