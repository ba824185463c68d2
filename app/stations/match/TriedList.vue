<script setup lang="ts">
import { format } from 'date-fns'
import { computed } from 'vue'
import { tryOnWords } from '../../../core/footwear/felt'
import { checkWords, lastCheck } from '../../../core/footwear/checksMade'
import { sizeWords } from '../../../core/footwear/reasons'
import type { TryOn } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import PlainButton from '~/components/PlainButton.vue'
import SideMark from '~/components/SideMark.vue'
import type { Match } from './useMatch'
import type { TryOnInHand } from './useTryOn'

/** Everything that was tried, the last first: what each foot said of it, and its shell check. */
const { match, tried } = defineProps<{ match: Match; tried: TryOnInHand }>()

function footOf(t: TryOn, foot: Side) {
  const worn = t.worn[foot]
  if (!worn) return []
  const check = lastCheck(match.footwear.value, { model: worn.model, foot })
  const felt = tryOnWords(t, foot, match.fitting.norms)
  return [
    {
      foot,
      size: sizeWords(worn.sizeMm),
      felt: felt?.words ?? 'not read yet',
      check: check ? `shell check ${sizeWords(check.sizeMm)}: ${checkWords(check)}` : '',
    },
  ]
}
const rows = computed(() =>
  [...tried.all.value].reverse().map((t) => ({
    t,
    name: tried.nameOf(t),
    when: `${format(new Date(t.startedAt), 'd MMM')}${t.by ? ` ${t.by}` : ''}`,
    runs: tried.isRunning(t),
    isShown: t.id === tried.current.value?.id,
    feet: SIDES.flatMap((foot) => footOf(t, foot)),
  })),
)
</script>

<template>
  <ul class="log scroll small" tabindex="0" aria-label="Tried so far">
    <li v-for="row in rows" :key="row.t.id">
      <PlainButton
        class="old"
        :class="{ on: row.isShown }"
        :aria-pressed="row.isShown"
        @click="tried.look(row.t)"
      >
        <span class="top"
          ><b class="ellipsis">{{ row.name }}</b
          ><span class="muted">{{ row.runs ? 'clock runs' : row.when }}</span></span
        >
        <span v-for="f in row.feet" :key="f.foot" class="foot"
          ><SideMark :side="f.foot" /> <span>{{ f.size }}</span><span
            >{{ f.felt }}<span v-if="f.check" class="muted check">{{ f.check }}</span></span
          ></span
        >
      </PlainButton>
    </li>
    <li v-if="rows.length === 0" class="muted pad">
      Nothing tried yet. Each model that is put on gets its own clock; this list keeps them side by
      side.
    </li>
  </ul>
</template>

<style scoped>
.log {
  flex: 1;
  border-top: 1px solid var(--hairline);
}
.old {
  padding: 8px 14px;
  width: 100%;
  min-height: 44px;
  border-bottom: 1px solid var(--hairline);
}
.old.on {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.foot {
  display: grid;
  grid-template-columns: 16px 34px minmax(0, 1fr);
  gap: 4px;
  align-items: start;
}
.check {
  display: block;
}
.pad {
  padding: 14px 16px;
}
</style>
