<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VList, VListItem, VMenu } from 'vuetify/components'
import { heelsContradiction } from '../../../core/advice/heelsContradiction'
import { isSteady, waysToStand, type WayToStand } from '../../../core/device/waysToStand'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import type { useStudio } from './useStudio'

/** How each device stands on a flat floor, and, where it does not, what makes it stand. */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const isMade = (side: Side) => studio.stored(side).kind !== 'none'
const feet = computed(() =>
  SIDES.flatMap((side) => {
    const found = studio.standing[side]
    if (!found || !isMade(side)) return []
    const { stands, forefootDeg } = found
    const device = studio.stored(side)
    const steady = isSteady(stands, device)
    return [
      {
        side,
        kind: steady ? ('good' as const) : ('watch' as const),
        words: stands?.words ?? 'falls over on a flat floor',
        ways: waysToStand(stands, device, forefootDeg),
      },
    ]
  }),
)
/** Heels that stand unevenly on their devices, beyond what the legs differ by. */
const uneven = computed(() => {
  const heelMm = {
    left: studio.shapes.left?.stackMm.heelMm,
    right: studio.shapes.right?.stackMm.heelMm,
  }
  if (heelMm.left === undefined || heelMm.right === undefined || !SIDES.every(isMade)) return ''
  const { record, norms } = studio.fitting
  const [said] = heelsContradiction({ left: heelMm.left, right: heelMm.right }, record, norms)
  return said?.words ?? ''
})
const take = (side: Side, way: WayToStand) =>
  studio.keep(side, () => way.device, way.words.toLowerCase())
</script>

<template>
  <section class="card strip" aria-label="On the floor">
    <div v-for="foot in feet" :key="foot.side" class="foot">
      <SideMark :side="foot.side" />
      <StatusMark :kind="foot.kind" :word="foot.words" class="words" />
      <VMenu v-if="foot.ways.length && !studio.fitting.readOnly">
        <template #activator="{ props }">
          <VBtn v-bind="props" size="small" height="36" :aria-label="`Make the ${foot.side} stand`"
            >Make it stand</VBtn
          >
        </template>
        <VList>
          <VListItem
            v-for="way in foot.ways"
            :key="way.id"
            :title="way.words"
            @click="take(foot.side, way)"
          />
        </VList>
      </VMenu>
    </div>
    <p v-if="uneven" class="uneven small watch-text">▲ {{ uneven }}</p>
    <p v-if="!feet.length" class="small muted">Put on the floor once there is a device.</p>
  </section>
</template>

<style scoped>
.strip {
  flex: none;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  padding: 4px 10px;
}
.uneven {
  grid-column: 1 / -1;
}
.foot {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
}
.foot .words {
  flex: 1;
  min-width: 0;
  font-size: 12px;
  line-height: 15px;
  white-space: normal;
}
.foot .words :deep(svg) {
  flex: none;
}
</style>
