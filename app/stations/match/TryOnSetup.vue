<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VCheckboxBtn, VSelect } from 'vuetify/components'
import { sizeWords } from '../../../core/footwear/reasons'
import type { TryOn } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { choicesOf } from '~/browser/choices'
import SideMark from '~/components/SideMark.vue'
import type { Match } from './useMatch'

/**
 * What is put on: a model in a size on each foot. Whatever is ranked first, compared, chosen, brought along
 * or looked at can be tried, also what does not fit.
 */
const { match, again } = defineProps<{ match: Match; again: boolean }>()
const emit = defineEmits<{ start: [worn: TryOn['worn'], onDevice: boolean] }>()
const { fitting, footwear, compared, chosen, looking, fitOf, model, result } = match

const FIRST_RANKED = 6
const candidates = computed(() =>
  [
    ...new Set([
      ...compared.value,
      ...(chosen.value ? [chosen.value.model] : []),
      ...(footwear.value.brought ?? []).map((b) => b.id),
      looking.value,
      ...(result.value?.pair.slice(0, FIRST_RANKED).map((p) => p.model) ?? []),
    ]),
  ].filter((id) => model(id)),
)
const CANDIDATES = computed(() => choicesOf(candidates.value, (id) => model(id)?.name ?? id))
const picked = ref<Record<Side, string>>({ left: '', right: '' })
const pickOf = (side: Side) =>
  picked.value[side] ||
  compared.value[side === 'left' ? 0 : Math.min(1, compared.value.length - 1)] ||
  candidates.value[0] ||
  ''
/** Sizes taken here by hand, by side and model. */
const sizes = ref<Record<string, number>>({})
const sizeOf = (side: Side) => {
  const id = pickOf(side)
  return sizes.value[`${side} ${id}`] ?? fitOf(id)?.[side]?.sizeMm ?? model(id)?.sizesMm[0] ?? 265
}
const sizesOf = (side: Side) => choicesOf(model(pickOf(side))?.sizesMm ?? [], sizeWords)
const takeSize = (side: Side, mm: number) =>
  (sizes.value = { ...sizes.value, [`${side} ${pickOf(side)}`]: mm })
const onDevice = ref(true)
const feet = computed(() => SIDES.filter((side) => fitting.record.feet[side]))

function start() {
  const worn = Object.fromEntries(
    feet.value.map((side) => [side, { model: pickOf(side), sizeMm: sizeOf(side) }]),
  )
  emit('start', worn, onDevice.value)
}
</script>

<template>
  <div class="setup">
    <div v-for="s in feet" :key="s" class="pick">
      <SideMark :side="s" word /><VSelect
        :items="CANDIDATES"
        :model-value="pickOf(s)"
        :aria-label="`Model on the ${s} foot`"
        :disabled="fitting.readOnly"
        @update:model-value="(id: string) => (picked[s] = id)"
      /><VSelect
        class="size"
        :items="sizesOf(s)"
        :model-value="sizeOf(s)"
        :aria-label="`Size on the ${s} foot`"
        :disabled="fitting.readOnly"
        @update:model-value="(mm: number) => takeSize(s, mm)"
      />
    </div>
    <div class="go">
      <label class="dev"><VCheckboxBtn v-model="onDevice" /> footbed in</label>
      <VBtn
        color="primary"
        variant="flat"
        :disabled="fitting.readOnly || candidates.length === 0"
        @click="start"
        >{{ again ? 'Try this too' : 'Start the clock' }}</VBtn
      >
    </div>
  </div>
</template>

<style scoped>
.setup {
  display: flex;
  gap: 8px 10px;
  align-items: center;
  padding: 8px 14px;
  border-bottom: 1px solid var(--hairline);
  flex-wrap: wrap;
}
.pick {
  display: flex;
  gap: 6px;
  align-items: center;
  flex: 1 1 270px;
}
.size {
  flex: 0 0 88px;
  --field-pad: 8px;
}
.go,
.dev {
  display: flex;
  gap: 6px;
  align-items: center;
}
.go {
  flex: 1 0 auto;
  justify-content: flex-end;
  gap: 14px;
}
.dev {
  min-height: 44px;
}
</style>
