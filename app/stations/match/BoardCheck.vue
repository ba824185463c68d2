<script setup lang="ts">
import { computed } from 'vue'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { overhangOf } from '../../../core/footwear/boardOverhang'
import type { Footwear } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import type { Match } from './useMatch'

/** The boots on the client's board: how far their soles stand over its edges. */
const { match, model } = defineProps<{ match: Match; model: FootwearModel }>()
const { fitting, footwear, chosen } = match

const board = computed(() => footwear.value.board ?? { angleDeg: {} })
const putBoard = (next: NonNullable<Footwear['board']>, words: string) =>
  match.put({ ...footwear.value, board: next }, words)
const setWidth = (widthMm: number) => putBoard({ ...board.value, widthMm }, 'board, width')
const setAngle = (side: Side, deg: number) =>
  putBoard(
    { ...board.value, angleDeg: { ...board.value.angleDeg, [side]: deg } },
    `stance, ${side}`,
  )
function setSole(side: Side, lengthMm: number) {
  if (!chosen.value) return
  const soleLengthMm = { ...chosen.value.soleLengthMm, [side]: lengthMm }
  match.put(
    { ...footwear.value, chosen: { ...chosen.value, soleLengthMm } },
    `length of the sole, ${side}`,
  )
}
const KINDS = { right: 'good', drags: 'stop', short: 'watch' } as const
const feet = computed(() =>
  SIDES.filter((side) => fitting.record.feet[side]).map((side) => {
    const over = overhangOf(fitting.record, model, side)
    return {
      side,
      angleDeg: board.value.angleDeg[side] ?? null,
      soleMm: chosen.value?.soleLengthMm?.[side] ?? null,
      over,
      kind: over && KINDS[over.verdict],
    }
  }),
)
/** Where most begin: the front foot is turned out, the other a little the other way. */
const START_DEG = { left: 15, right: -6 }
const isEstimate = computed(() => feet.value.some((f) => f.over?.isEstimate))
</script>

<template>
  <section class="board" aria-label="On the board">
    <h3>
      On the board
      <span v-if="isEstimate" class="small muted"
        >estimate: a sole that was not measured is its inside and
        {{ fitting.norms.boardOverhang.soleOverInsideMm }} mm</span
      >
    </h3>
    <p v-for="f in feet" :key="f.side" class="small">
      <SideMark :side="f.side" word />
      <StatusMark v-if="f.over && f.kind" :kind="f.kind" :word="f.over.words" /><span
        v-else
        class="muted"
        >board and stance first</span
      >
    </p>
    <div class="fields">
      <label
        ><span class="small">board under the feet</span
        ><AmountStepper
          :value="board.widthMm ?? null"
          unit="mm"
          :step="1"
          :min="100"
          :max="400"
          :start="255"
          label="Width of the board under the feet"
          :disabled="fitting.readOnly"
          @keep="setWidth"
      /></label>
      <template v-for="f in feet" :key="f.side">
        <label
          ><span class="small"><SideMark :side="f.side" /> turned</span
          ><AmountStepper
            :value="f.angleDeg"
            unit="°"
            :step="1"
            :min="-90"
            :max="90"
            :start="START_DEG[f.side]"
            :label="`${f.side} boot turned from straight across`"
            :disabled="fitting.readOnly"
            @keep="(v: number) => setAngle(f.side, v)" /></label
        ><label
          ><span class="small"><SideMark :side="f.side" /> sole, outside</span
          ><AmountStepper
            :value="f.soleMm"
            unit="mm"
            :step="1"
            :min="100"
            :max="450"
            :start="Math.round(f.over?.soleMm ?? 300)"
            :label="`${f.side} sole from end to end`"
            :disabled="fitting.readOnly"
            @keep="(v: number) => setSole(f.side, v)" /></label
      ></template>
    </div>
  </section>
</template>

<style scoped>
.board {
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
}
h3 {
  font-size: 15px;
}
.board :deep(.status) {
  white-space: normal;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 6px 10px;
  padding: 4px 0;
}
</style>
