<script setup lang="ts">
import { STATION_KINDS, type Station } from '../../../core/kinds/stations/all'
import { computed } from 'vue'
import { VBtn, VCheckboxBtn } from 'vuetify/components'
import StatusMark from '~/components/StatusMark.vue'
import ClearanceStrip from './ClearanceStrip.vue'
import { pairSizeWords, pairVerdict, workMinutesOf } from '../../../core/footwear/pairFit'
import type { Match } from './useMatch'
import PlainButton from '~/components/PlainButton.vue'

/** Every candidate with its clearances, and under them what cannot be made to fit, with why. */
const { match } = defineProps<{ match: Match }>()
const { result, current, looking, model, chosen, compared, most, matched } = match
const COLUMNS: Station[] = ['length', 'ball', 'waist', 'instepHeight', 'heel', 'ankle']
const band = (s: Station) => current.value?.left?.targets[s] ?? current.value?.right?.targets[s]
const words = (s: Station) =>
  band(s)
    ?.map((v) => String(v).replace('-', '−'))
    .join(' – ') ?? ''
/** Each as it ranks; one whose sizes were taken by hand in those. */
const shown = computed(() => (result.value?.pair ?? []).map((p) => match.fitOf(p.model) ?? p))
const more = computed(
  () =>
    (result.value?.counts.fit ?? 0) > (result.value?.pair.length ?? 0) ||
    (result.value ? result.value.counts.compared - result.value.counts.fit : 0) >
      (result.value?.rejected.length ?? 0),
)
</script>

<template>
  <section v-if="result" class="card list">
    <div class="row heads">
      <span class="muted">Candidate</span
      ><span v-for="s in COLUMNS" :key="s" class="center"
        ><b>{{ STATION_KINDS.of(s).name }}</b
        ><br /><span class="muted small">{{ words(s) }}</span></span
      >
    </div>
    <ul class="scroll grow" tabindex="0" aria-label="Candidates">
      <li v-if="result.pair.length === 0" class="muted none">
        None of these can be made to fit. See why below, look at all families, or think of a shell
        made to measure (Split and custom).
      </li>
      <li v-for="(p, i) in shown" :key="p.model" class="item">
        <PlainButton
          class="row pick"
          :class="{ now: p.model === looking }"
          :aria-pressed="p.model === looking"
          @click="looking = p.model"
        >
          <span class="who"
            ><span class="rank">{{ i + 1 }}</span
            ><span class="name"
              ><b class="strong ellipsis" :title="model(p.model)?.name">{{
                model(p.model)?.name
              }}</b
              ><span class="muted label ellipsis"
                >{{ model(p.model)?.maker }} · {{ pairSizeWords(p) }}</span
              ><StatusMark v-bind="pairVerdict(p)" /><span class="small muted"
                >{{ workMinutesOf(p) ? `${workMinutesOf(p)} min of work` : 'no work'
                }}{{ chosen?.model === p.model ? ' · chosen' : ''
                }}{{ p === result.pair[i] ? '' : ' · sizes taken' }}</span
              ></span
            ></span
          >
          <ClearanceStrip
            v-for="s in COLUMNS"
            :key="s"
            :band="p.left?.targets[s] ?? p.right!.targets[s]!"
            :left="p.left?.clearances[s] ?? null"
            :right="p.right?.clearances[s] ?? null"
            :left-verdict="p.left?.verdicts[s]"
            :right-verdict="p.right?.verdicts[s]"
            :name="STATION_KINDS.of(s).name"
          />
        </PlainButton>
        <label class="cmp" :title="`Compare ${model(p.model)?.name}`"
          ><VCheckboxBtn
            :model-value="compared.includes(p.model)"
            :aria-label="`Compare ${model(p.model)?.name}`"
            @update:model-value="match.compare(p.model)"
        /></label>
      </li>
      <li v-if="result.rejected.length" class="out">
        <b>Not these</b
        ><PlainButton
          v-for="r in result.rejected"
          :key="r.model"
          class="no"
          :class="{ now: r.model === looking }"
          @click="looking = r.model"
        >
          <b>{{ model(r.model)?.name }}</b> <span class="muted">{{ r.because }}</span>
        </PlainButton>
      </li>
      <li v-if="more" class="none">
        <VBtn @click="most = most === 40 ? 400 : 0">Show more of {{ matched?.offered }}</VBtn>
      </li>
    </ul>
    <p class="small muted legend">
      <span class="swatch" /> target band, mm · above = loose, below = tight · half-discs: each foot
      on its device, liner broken in, sock on · tick to compare
    </p>
  </section>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  flex: 1;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 166px) repeat(6, minmax(0, 1fr));
  gap: 6px;
  align-items: center;
  width: 100%;
  padding: 8px 8px;
  border-bottom: 1px solid var(--hairline);
}
.heads {
  font-size: 13px;
  padding-right: 46px;
}
.center {
  text-align: center;
  line-height: 16px;
}
.item {
  display: flex;
  border-bottom: 1px solid var(--hairline);
}
.item .row {
  border: 0;
}
.pick {
  min-height: 92px;
}
.pick.now {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.cmp {
  display: grid;
  place-items: center;
  width: 44px;
  flex: none;
  cursor: pointer;
}
.who {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  padding-left: 6px;
}
.rank {
  font-size: 17px;
  font-weight: 600;
  color: var(--spruce);
  min-width: 14px;
}
.name {
  display: flex;
  flex-direction: column;
  min-width: 0;
  gap: 1px;
}
.none,
.out {
  padding: 12px 16px;
}
.no {
  display: block;
  width: 100%;
  min-height: 32px;
  padding: 3px 6px;
  font-size: 12.5px;
}
.no.now {
  background: var(--wash);
}
.legend {
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
}
.swatch {
  display: inline-block;
  width: 28px;
  height: 10px;
  background: var(--wash);
}
@media (max-width: 1179px) {
  .row {
    grid-template-columns: minmax(0, 134px) repeat(6, minmax(0, 1fr));
  }
}
</style>
