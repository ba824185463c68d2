<script setup lang="ts">
import { computed } from 'vue'
import { flexWords } from '../../../core/footwear/flex'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { sizeWords } from '../../../core/footwear/reasons'
import { SIDES } from '../../../core/tables/vocabulary'
import { pairVerdict, workMinutesOf } from '../../../core/footwear/pairFit'
import type { Match } from './useMatch'
import PlainButton from '~/components/PlainButton.vue'

/**
 * The two models to bring out, in which sizes, why, and what will have to be worked: the answer on
 * one look.
 */
const { match } = defineProps<{ match: Match }>()
const { result, model, looking, advice, flexRows } = match
const two = computed(() =>
  (result.value?.pair.slice(0, 2) ?? []).map((p) => ({
    p,
    m: model(p.model)!,
    why: p.reasons.filter((r) => !r.includes('try on with')).slice(0, 2),
    first: p.reasons.find((r) => r.includes('try on with')),
    work: p.work,
  })),
)
</script>

<template>
  <section v-if="two.length" class="card bring" aria-label="Bring out">
    <PlainButton
      v-for="({ p, m, why, first, work }, i) in two"
      :key="p.model"
      class="one"
      :class="{ now: looking === p.model }"
      :aria-pressed="looking === p.model"
      @click="looking = p.model"
    >
      <span class="top"
        ><span class="muted small">{{ i === 0 ? 'Bring out' : 'and' }}</span
        ><b class="strong ellipsis">{{ m.name }}</b
        ><span v-for="s in SIDES" :key="s" class="size"
          ><SideMark v-if="p[s]" :side="s" /><b v-if="p[s]">{{ sizeWords(p[s]!.sizeMm) }}</b
          ><span v-if="p[s] && match.freeOf(m, p[s]) === 0" class="small watch-text"
            >order</span
          ></span
        ><StatusMark v-bind="pairVerdict(p)"
      /></span>
      <span class="label why">{{ why.join(' · ') }}</span>
      <span class="label"
        ><template v-if="work.length"
          ><b>{{ workMinutesOf(p) }} min:</b>
          {{ work.map((w) => `${w.foot === 'left' ? 'L' : 'R'} ${w.words}`).join('; ') }}</template
        ><template v-else>no work needed</template
        ><template v-if="m.flex">
          · {{ flexWords(m, advice, flexRows).split(': ').at(-1) }} in flex</template
        ></span
      >
      <span v-if="first" class="label watch-text"
        >Try on with the finished device first: short by the bare length.</span
      >
    </PlainButton>
  </section>
</template>

<style scoped>
.bring {
  display: grid;
  grid-template-columns: 1fr 1fr;
  flex: none;
}
.one {
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 8px 12px;
  min-width: 0;
  min-height: 92px;
}
.one + .one {
  border-left: 1px solid var(--hairline);
}
.one.now {
  background: var(--wash);
  box-shadow: inset 0 3px var(--spruce);
}
.top {
  display: flex;
  align-items: center;
  gap: 7px;
  min-width: 0;
  flex-wrap: wrap;
}
.size {
  display: inline-flex;
  gap: 3px;
  align-items: center;
}
.why {
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
</style>
