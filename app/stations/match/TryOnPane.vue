<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import type { TryOn } from '../../../core/record/schema'
import { MARK_VIEWS, SIDES, type Side } from '../../../core/tables/vocabulary'
import SpotMap, { type Spot } from '~/drawing/SpotMap.vue'
import TriedList from './TriedList.vue'
import TryOnClock from './TryOnClock.vue'
import TryOnFoot from './TryOnFoot.vue'
import TryOnSetup from './TryOnSetup.vue'
import { useTryOn } from './useTryOn'
import type { Match } from './useMatch'

/**
 * A quarter of an hour in the footwear: one model on each foot or two models, several in turn, each
 * with its clock and its shell check; the ranking follows what is felt.
 */
const { match } = defineProps<{ match: Match }>()
const emit = defineEmits<{ check: [worn: TryOn['worn']] }>()
const { fitting } = match
const tried = useTryOn(match)
const { current } = tried

/** Is another model being put on? */
const adding = ref(false)
function start(worn: TryOn['worn'], onDevice: boolean) {
  tried.start(worn, onDevice)
  adding.value = false
}

const view = ref<(typeof MARK_VIEWS)[number]>('medial')
const VIEWS = { plantar: 'Sole', dorsal: 'Top', medial: 'Inner', lateral: 'Outer' }
const LEVEL = ['', 'felt', 'bothers', 'hurts']
const spot = ref<{ side: Side; index: number } | null>(null)
const spots = computed(() =>
  SIDES.flatMap((side) => tried.spotsOf(side).map((h, index) => ({ h, side, index })))
    .filter(({ h }) => h.view === view.value)
    .map(({ h, side, index }): Spot => ({
      side,
      index,
      xMm: h.xMm,
      yMm: h.yMm,
      sizeMm: 8 + 5 * h.level,
      glyph: String(h.level),
      words: `hot spot ${LEVEL[h.level]} on the ${side} foot; Enter makes it stronger, then takes it off`,
      bad: h.level === 3,
    })),
)
function place(side: Side, xMm: number, yMm: number) {
  if (!current.value || fitting.readOnly || Math.abs(xMm) > 150 || yMm < -20 || yMm > 420) return
  tried.change(side, {
    hotSpots: [...tried.spotsOf(side), { view: view.value, xMm, yMm, level: 1 }],
  })
}
function cycle(side: Side, index: number) {
  if (fitting.readOnly) return
  spot.value = { side, index }
  tried.change(side, {
    hotSpots: tried.spotsOf(side).flatMap((h, i) => {
      if (i !== index) return [h]
      return h.level >= 3 ? [] : [{ ...h, level: h.level + 1 }]
    }),
  })
}
</script>

<template>
  <div class="cols try">
    <section class="card worn" tabindex="0" aria-label="What is worn and felt">
      <TryOnSetup
        v-if="!current || adding"
        :match="match"
        :again="current !== null"
        @start="start"
      />
      <p v-if="!current" class="muted pad">
        Buckle or lace, stand, flex, walk. The clock runs 15 minutes; read both feet at 0, 5, 10 and
        15.
      </p>
      <template v-else>
        <TryOnClock
          :tried="tried"
          :adding="adding"
          @check="emit('check', current.worn)"
          @another="adding = !adding"
        />
        <div class="feet">
          <TryOnFoot v-for="s in SIDES" :key="s" :match="match" :tried="tried" :side="s" />
        </div>
      </template>
    </section>
    <section class="card felt" tabindex="0" aria-label="Hot spots">
      <div class="card-head">
        <h2>Hot spots</h2>
        <span class="aside small">tap: felt, bothers, hurts, off</span>
      </div>
      <VBtnToggle v-model="view" mandatory role="group" aria-label="Side of the foot" class="views"
        ><VBtn v-for="v in MARK_VIEWS" :key="v" :value="v">{{ VIEWS[v] }}</VBtn></VBtnToggle
      >
      <div class="map">
        <SpotMap :view="view" :spots="spots" :at="spot" @place="place" @choose="cycle" />
      </div>
      <TriedList :match="match" :tried="tried" />
    </section>
  </div>
</template>

<style scoped>
.try {
  grid-template-columns: minmax(0, 1fr) minmax(0, 330px);
}
.worn,
.felt {
  display: flex;
  flex-direction: column;
  overflow: auto;
}
.pad {
  padding: 14px 16px;
}
.feet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  padding: 10px 14px;
}
.views {
  margin: 10px 12px 0;
}
.map {
  height: 220px;
  flex: none;
}
@media (max-width: 1000px) {
  .try {
    grid-template-columns: 1fr;
  }
}
</style>
