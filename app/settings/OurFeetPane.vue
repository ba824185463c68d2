<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn, VTable } from 'vuetify/components'
import { ownOffers } from '../../core/measure/ownOffers'
import type { ShopTables } from '../../core/record/tables'
import { useOwnNorms } from '~/stores/ownNorms'

/**
 * What the shop's own clients offer for the tables: beside what holds today, taken into the draft by
 * hand, one by one.
 */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()
const own = useOwnNorms()
const isLooking = ref(true)
onMounted(() =>
  own
    .load()
    .catch((error: Error) => emit('trouble', error.message))
    .finally(() => (isLooking.value = false)),
)
const rows = computed(() =>
  ownOffers(own.shares, draft).map((offer) => ({
    ...offer,
    key: `${offer.name}, ${offer.what}`,
    isTaken: offer.now === offer.own,
    few: offer.missing > 0 ? `▲ ${offer.missing} more before it is offered` : '',
  })),
)
</script>

<template>
  <div>
    <p class="muted small about">
      Grown clients as last measured, one value a client, both feet averaged: the middle one, and a
      spread that is deaf to slips. Nothing is taken by itself.
    </p>
    <VTable class="table">
      <thead>
        <tr>
          <th>Reading</th>
          <th>Clients</th>
          <th>Holds today</th>
          <th>Our own feet</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.key">
          <td>
            <b>{{ row.name }}</b> <span class="muted small">{{ row.what }}</span>
          </td>
          <td>{{ row.clients }}</td>
          <td>{{ row.now }}</td>
          <td>
            <b>{{ row.own }}</b>
            <span v-if="row.bySize" class="muted small sizes">{{ row.bySize }}</span>
          </td>
          <td>
            <span v-if="row.few" class="watch-text small">{{ row.few }}</span>
            <span v-else-if="row.isTaken" class="muted small">✓ in the table</span>
            <VBtn
              v-else
              :disabled="!may"
              :aria-label="`Take ${row.key}`"
              @click="emit('change', row.take)"
              >Take</VBtn
            >
          </td>
        </tr>
      </tbody>
    </VTable>
    <p v-if="isLooking" class="muted none" role="status">Looking through the clients …</p>
    <p v-else-if="rows.length === 0" class="muted none">
      No grown client has a foot length yet: there is nothing to put together.
    </p>
  </div>
</template>

<style scoped>
.sizes {
  display: block;
}
.about,
.none {
  padding: 10px 14px;
}
</style>
