<script setup lang="ts">
import type { ReadingKind } from '../../../core/kinds/readings/all'
import type { Side } from '../../../core/tables/vocabulary'
import FootOnPaper from './FootOnPaper.vue'
import type { LineRow } from './ReadingLines.vue'
import SideFoot from './SideFoot.vue'
import InTurn from '~/components/InTurn.vue'
import type { useSole } from '~/drawing/useSole'
import { useFitting } from '~/stores/fitting'

/** One foot with its readings on it, from above or from its inner side. */
const { side, sole, heightMm, rows, now, plan } = defineProps<{
  side: Side
  sole: ReturnType<typeof useSole>['value']
  heightMm: number
  rows: LineRow[]
  now: ReadingKind
  plan: boolean
}>()
const fitting = useFitting()
</script>

<template>
  <InTurn>
    <FootOnPaper v-if="plan" :side :sole :height-mm :now :rows />
    <SideFoot
      v-else
      :side
      :foot="fitting.record.feet[side]!"
      :length-mm="sole.lengthMm"
      :rows
      :now
    />
  </InTurn>
</template>
