<script setup lang="ts">
import type { ReadingKind } from '../../../core/kinds/readings/all'
import type { Side } from '../../../core/tables/vocabulary'
import type { LineRow } from './ReadingLines.vue'
import ReadingRow from './ReadingRow.vue'
import InTurn from '~/components/InTurn.vue'
import SideMark from '~/components/SideMark.vue'

/** The readings of one foot below each other, with the one in hand. */
const { side, rows, now } = defineProps<{ side: Side; rows: LineRow[]; now: ReadingKind }>()
defineEmits<{ choose: [ReadingKind] }>()
</script>

<template>
  <ul class="readings" :class="side">
    <li class="cap"><SideMark :side="side" word /></li>
    <InTurn>
      <ReadingRow
        v-for="row in rows"
        :key="row.what"
        :side="side"
        :name="row.name"
        :what="row.what"
        v-bind="row[side]"
        :chosen="row.what === now"
        @choose="$emit('choose', row.what)"
      />
    </InTurn>
  </ul>
</template>

<style scoped>
.readings {
  display: grid;
  grid-template-rows: 22px;
  grid-auto-rows: 1fr;
  min-height: 0;
}
.readings :deep(li) {
  min-height: 0;
  display: flex;
}
.cap {
  height: 22px;
  text-align: center;
}
.left .cap {
  padding-left: 8px;
}
.right .cap {
  justify-content: flex-end;
  padding-right: 8px;
}
</style>
