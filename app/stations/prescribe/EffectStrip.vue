<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  cellWords,
  effectCells,
  lateralByDirection,
  momentWords,
  rangeWords,
  type EffectCell,
} from '../../../core/mechanics/effectCells'
import type { ContactEffect } from '../../../core/mechanics/contactEffect'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import EstimateTag from '~/components/EstimateTag.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import EffectArrow from '~/drawing/EffectArrow.vue'
import type { useEffects } from './useEffects'
import type { useStudio } from './useStudio'
import FoldButton from '~/components/FoldButton.vue'
import { useFold } from '~/composables/useFold'
import PlainButton from '~/components/PlainButton.vue'

/**
 * What the devices do against plain ones, live: an arrow a place, its number on demand, and what
 * the last change bought.
 */
const { studio, estimates } = defineProps<{
  studio: ReturnType<typeof useStudio>
  estimates: ReturnType<typeof useEffects>
}>()
const emit = defineEmits<{ table: [] }>()
const { open, toggle } = useFold('effects')
const HEADS = ['Inner heel', 'Arch', 'Head 1', '2', '3', '4', '5', 'Turning']
const chosen = ref<{ side: Side; key: EffectCell['key'] } | null>(null)
const rows = computed(() =>
  SIDES.map((side) => {
    const e = estimates.effects[side]
    return {
      side,
      refused: estimates.refused[side],
      waiting: !e && !estimates.refused[side],
      cells: e
        ? effectCells(e.change, { lateralByDirection: lateralByDirection(studio.device(side)) })
        : [],
    }
  }),
)
/** Folded, only why there is no estimate stays in sight. */
const shownRows = computed(() => (open.value ? rows.value : rows.value.filter((r) => r.refused)))
const detail = computed(() => {
  const c = chosen.value
  const cell = c && rows.value.find((r) => r.side === c.side)?.cells.find((x) => x.key === c.key)
  return cell
    ? {
        side: c.side,
        text: `${cellWords(cell)}: ${cell.told ?? 'direction only under a rearfoot post'}`,
      }
    : null
})
const pushes = computed(() =>
  SIDES.flatMap((side) => {
    const push = estimates.pushOf(side)
    return push ? [{ side, push }] : []
  }),
)
const bought = computed(() =>
  SIDES.flatMap((side) => {
    const b = estimates.bought[side]
    return b
      ? [
          {
            side,
            words: b.words,
            text: changed(b.effect)
              ? `turning ${momentWords(b.effect)}, inner heel ${rangeWords('share', b.effect.medialHeelPoints)}`
              : 'nothing that the estimate sees',
          },
        ]
      : []
  }),
)
const changed = ({ momentNmm, medialHeelPoints, headPeakPercent }: ContactEffect) =>
  Math.abs(momentNmm) > 0.5 ||
  Math.abs(medialHeelPoints) > 0.01 ||
  headPeakPercent.some((v) => Math.abs(v) > 0.05)
const choose = (side: Side, key: EffectCell['key']) =>
  (chosen.value = chosen.value?.side === side && chosen.value.key === key ? null : { side, key })
</script>

<template>
  <section class="card strip" aria-label="Effects against the plain device, estimate">
    <div class="top">
      <FoldButton :open of="effects" @toggle="toggle" /><b class="nowrap">Against a plain device</b
      ><EstimateTag of="contact" :facts="SIDES.flatMap((s) => estimates.facts(s))" /><PlainButton
        class="more"
        title="what does each layer do?"
        @click="emit('table')"
      >
        each layer …
      </PlainButton>
    </div>
    <div v-if="open" class="grid names" aria-hidden="true">
      <span /><span v-for="h in HEADS" :key="h">{{ h }}</span>
    </div>
    <div v-for="row in shownRows" :key="row.side" class="grid">
      <SideMark :side="row.side" />
      <p v-if="row.refused" class="said small">{{ row.refused }}</p>
      <p v-else-if="row.waiting" class="said small muted">reckoning …</p>
      <PlainButton
        v-for="cell in row.cells"
        v-else
        :key="cell.key"
        class="cell"
        :aria-pressed="chosen?.side === row.side && chosen?.key === cell.key"
        :aria-label="`${row.side} ${cellWords(cell)}, estimate`"
        @click="choose(row.side, cell.key)"
      >
        <EffectArrow :step="cell.step" :kind="cell.kind" :side="row.side" />
      </PlainButton>
    </div>
    <div class="told small" :class="{ folded: !open }" role="status">
      <p v-if="detail"><SideMark :side="detail.side" /> {{ detail.text }}</p>
      <template v-else
        ><p v-for="b in bought" :key="b.side">
          <SideMark :side="b.side" /> <b>{{ b.words }}</b> bought: {{ b.text }}
        </p>
        <p v-if="bought.length === 0 && open" class="muted">
          Tap an arrow for its number and range. Change an amount to see what it buys.
        </p></template
      >
      <p v-for="p in pushes" :key="p.side">
        <SideMark :side="p.side" /> <StatusMark kind="watch" word="Watch" /> turning moment
        {{ p.push.short }} (estimate)
      </p>
    </div>
  </section>
</template>

<style scoped>
.strip {
  flex: none;
  padding: 2px 8px 3px;
}
.top {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 30px;
}
.more {
  margin-left: auto;
  text-decoration: underline;
  color: var(--spruce);
  min-height: 30px;
  white-space: nowrap;
}
.grid {
  display: grid;
  grid-template-columns: 18px repeat(7, minmax(0, 1fr)) minmax(0, 1.4fr);
  gap: 3px;
  align-items: center;
  padding-top: 2px;
}
.names {
  font-size: 12px;
  line-height: 14px;
  color: var(--muted);
  text-align: center;
  white-space: nowrap;
  padding: 0;
}
.cell {
  display: flex;
  justify-content: center;
  align-items: center;
  min-height: 30px;
  border: 1px solid var(--hairline);
  border-radius: 4px;
  color: var(--ink);
  background: var(--sheet);
}
.cell:hover {
  background: var(--wash);
}
.cell[aria-pressed='true'] {
  border: 2px solid var(--spruce);
  background: var(--wash);
}
.said {
  grid-column: 2 / -1;
  padding: 4px 0;
  max-height: 68px;
  overflow: auto;
}
.told {
  padding-top: 4px;
  min-height: 20px;
  max-height: 66px;
  overflow: auto;
}
.told.folded {
  max-height: 24px;
  min-height: 0;
}
.told.folded:empty {
  padding: 0;
}
</style>
