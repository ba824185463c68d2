<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VSelect } from 'vuetify/components'
import { sizeWords } from '../../../core/footwear/reasons'
import { SIDES } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import type { Match } from './useMatch'

/** Another size of the model that is looked at, for each foot; and the way back to what ranks best. */
const { match } = defineProps<{ match: Match }>()
const { current, looking, model, ranked } = match
const sizes = computed(() =>
  (model(looking.value)?.sizesMm ?? []).map((mm) => ({ value: mm, title: sizeWords(mm) })),
)
const feet = computed(() => SIDES.filter((side) => current.value?.[side]))
const best = computed(() => ranked(looking.value))
const isOther = computed(
  () =>
    best.value !== undefined &&
    feet.value.some((s) => best.value![s]?.sizeMm !== current.value![s]!.sizeMm),
)
function back() {
  const { left, right } = best.value!
  match.takeSizes(looking.value, {
    ...(left && { left: left.sizeMm }),
    ...(right && { right: right.sizeMm }),
  })
}
</script>

<template>
  <div v-if="current" class="sizes">
    <span v-for="side in feet" :key="side" class="one"
      ><SideMark :side="side" /><VSelect
        :items="sizes"
        :aria-label="`${side} size`"
        :model-value="current[side]!.sizeMm"
        @update:model-value="(mm: number) => match.takeSize(looking, side, mm)"
    /></span>
    <VBtn v-if="isOther" size="small" height="34" @click="back">Best sizes</VBtn>
  </div>
</template>

<style scoped>
.sizes {
  padding: 4px 12px 0;
}
.sizes,
.one {
  display: flex;
  align-items: center;
  gap: 6px;
}
.one .v-input {
  width: 84px;
  --v-input-control-height: 34px;
  --field-pad: 6px;
  font-size: 14px;
}
</style>
