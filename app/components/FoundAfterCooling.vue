<script setup lang="ts">
import { computed } from 'vue'
import { modelOf } from '../../core/footwear/brought'
import { lineOf } from '../../core/footwear/workPlan'
import type { WorkFound } from '../../core/record/workState'
import AmountStepper from './AmountStepper.vue'
import SideMark from './SideMark.vue'
import { useChanges } from '~/stores/changes'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'

/**
 * What a gauge, or the foot in the shell, found of work that is done: told by whoever did it, it moves the
 * prediction in Match, and teaches how far this plastic springs back.
 */
const { may } = defineProps<{ may: boolean }>()
const fitting = useFitting()
const models = useModels()
const changes = useChanges()
const lines = computed(() => {
  const chosen = fitting.record.footwear?.chosen
  const model = modelOf(fitting.record, models.models, chosen?.model)
  return model
    ? chosen!.work
        .filter((w) => w.model === model.id && w.state === 'done')
        .filter((w) => w.does === 'stretch' || w.does === 'grind')
        .map((w) => lineOf(w, model, fitting.norms))
    : []
})
function tell(work: string, found: WorkFound) {
  changes.said = changes.change({ kind: 'work.found', work, ...found }, 'found after cooling') ?? ''
}
</script>

<template>
  <section v-if="lines.length > 0" class="card">
    <div class="card-head">
      <h2>Found after cooling</h2>
      <span class="aside">{{ lines.length }} done</span>
    </div>
    <ul>
      <li v-for="(line, i) in lines" :key="line.id" class="line">
        <b>{{ i + 1 }} <SideMark :side="line.foot" /> {{ line.words }}</b>
        <label v-if="line.does === 'stretch'"
          ><span class="small muted">pressed to</span
          ><AmountStepper
            :value="line.pressedMm ?? null"
            unit="mm"
            :step="0.5"
            :min="0"
            :max="60"
            :start="line.setMm"
            :label="`${i + 1}: pressed to`"
            :disabled="!may"
            @keep="(pressedMm: number) => tell(line.id, { pressedMm })"
        /></label>
        <label
          ><span class="small muted">found</span
          ><AmountStepper
            :value="line.gainedMm ?? null"
            unit="mm"
            :step="0.5"
            :min="-10"
            :max="40"
            :start="line.amountMm"
            :label="`${i + 1}: found after cooling`"
            :disabled="!may"
            @keep="(gainedMm: number) => tell(line.id, { gainedMm })"
        /></label>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border-bottom: 1px solid var(--hairline);
}
.line :deep(.stepper) {
  width: 260px;
}
.line label {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}
</style>
