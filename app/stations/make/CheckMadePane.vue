<script setup lang="ts">
import { computed, reactive, ref, toRaw, watch } from 'vue'
import { checkMade, CALIPER_NAMES } from '../../../core/bench/checkMade'
import { CALIPER_PLACES, type CaliperPlace, type Calipers } from '../../../core/device/calipers'
import { deviceRows } from '../../../core/device/deviceRows'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Foot } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { useChanges } from '~/stores/changes'
import { useFitting } from '~/stores/fitting'
import { useSession } from '~/stores/session'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'

/** What a caliper reads off the finished devices, against what their bodies have. */
const { disabled } = defineProps<{ disabled: boolean }>()
const fitting = useFitting()
const changes = useChanges()
const session = useSession()
const trouble = ref('')
/** what each finished device should read */
const asked = reactive<Partial<Record<Side, Calipers | undefined>>>({})
for (const side of SIDES) {
  const reckon = newestWins(
    async (foot: Foot) => {
      try {
        return await deviceWorker().calipers(foot, deviceRows(fitting.norms))
      } catch (error) {
        trouble.value = (error as Error).message
        return null
      }
    },
    (found) => (asked[side] = found ?? undefined),
  )
  watch(
    () => fitting.record.feet[side],
    (foot) => {
      if (foot?.device && foot.device.kind !== 'none') reckon(structuredClone(toRaw(foot)))
      else asked[side] = undefined
    },
    { immediate: true },
  )
}
const checks = computed(() => fitting.record.making?.checked ?? [])
const of = (side: Side) => checks.value.find((c) => c.foot === side)
const feet = computed(() =>
  SIDES.flatMap((side) => {
    const should = asked[side]
    if (!should) return []
    const differences = checkMade(should, of(side) ?? {})
    return [
      {
        side,
        rows: CALIPER_PLACES.flatMap((place) =>
          should[place] === null
            ? []
            : [
                {
                  place,
                  name: CALIPER_NAMES[place],
                  should: should[place].toFixed(1),
                  is: of(side)?.[place],
                  difference: differences.find((d) => d.place === place),
                },
              ],
        ),
      },
    ]
  }),
)
function keep(side: Side, place: CaliperPlace, text: string) {
  const value = text.trim() === '' ? undefined : parseNumber(text)
  if (value === null || (value !== undefined && (value < 0 || value > 90)))
    return void (trouble.value = `“${text}” is no thickness. Write millimetres, as 5.5.`)
  const { [place]: _, ...others } = of(side) ?? { foot: side }
  const next = {
    ...others,
    ...(value !== undefined && { [place]: value }),
    by: session.person?.name,
    at: new Date().toISOString(),
  }
  trouble.value =
    changes.put(
      'making',
      {
        ...fitting.record.making,
        checked: [...checks.value.filter((c) => c.foot !== side), next],
      },
      `${CALIPER_NAMES[place]} ${side}`,
    ) ?? ''
}
const said = (mm: number) => `${mm > 0 ? '+' : '−'}${Math.abs(mm).toFixed(1)} mm`
</script>

<template>
  <section v-if="feet.length || trouble" class="card">
    <div class="card-head">
      <h2>Checked after making</h2>
      <span class="aside">caliper, flat bench</span>
    </div>
    <div class="card-body">
      <p v-if="trouble" class="small stop-text" role="alert">{{ trouble }}</p>
      <div v-for="foot in feet" :key="foot.side" class="foot">
        <SideMark :side="foot.side" word />
        <div v-for="row in foot.rows" :key="row.place" class="row">
          <span
            ><b class="name">{{ row.name }}</b>
            <span class="muted">should be {{ row.should }} mm</span></span
          >
          <DraftField
            inputmode="decimal"
            class="num"
            suffix="mm"
            :value="row.is"
            :disabled
            :aria-label="`${foot.side} ${row.name}, mm`"
            @keep="(text: string) => keep(foot.side, row.place, text)"
          />
          <p v-if="row.difference?.cause" class="small watch-text cause">
            ▲ {{ said(row.difference.differenceMm) }}: {{ row.difference.cause }}.
          </p>
          <p v-else-if="row.difference" class="small good-text cause">
            ● {{ said(row.difference.differenceMm) }}, as it should be.
          </p>
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.foot {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding-bottom: 8px;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px;
  gap: 8px;
  align-items: center;
}
.name {
  display: inline-block;
}
.name::first-letter {
  text-transform: uppercase;
}
.cause {
  grid-column: 1 / -1;
}
</style>
