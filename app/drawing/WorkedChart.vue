<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import { REGIONS, type WorkedRow } from '../../core/followup/worked'

/** Change with its interval, one line a row; the band around zero is what is not believed. */
const { rows, what, counts } = defineProps<{
  rows: WorkedRow[]
  what: 'pain' | 'comfort'
  counts: number
}>()
const svg = ref<SVGSVGElement | null>(null)
const W = 760
const ROW = 34
const shown = computed(() => rows.filter((r) => r[what] !== null))
const H = computed(() => 44 + shown.value.length * ROW + 24)
const most = computed(() =>
  Math.max(
    counts * 1.5,
    ...shown.value.flatMap((r) => [Math.abs(r[what]!.low), Math.abs(r[what]!.high)]),
  ),
)
const x = computed(() => scaleLinear([-most.value, most.value], [270, W - 20]))
const name = (r: WorkedRow) => `${REGIONS.find((g) => g.id === r.region)!.words}: ${r.modification}`
const n = (v: number) => `${v > 0 ? '+' : ''}${v.toFixed(1)}`
const sentence = computed(
  () =>
    shown.value
      .map(
        (r) =>
          `${name(r)} ${n(r[what]!.mean)} (${n(r[what]!.low)} to ${n(r[what]!.high)}, ${r[what]!.count} clients)`,
      )
      .join('; ') || 'no row with ten clients',
)
/** The drawing as a file of its own, colours written in. */
function file(): string {
  const colours: Record<string, string> = {
    '--ink': '#22302e',
    '--muted': '#5f6e6b',
    '--wash': '#dce8e2',
    '--hairline': '#d9d2c3',
    '--spruce': '#24564b',
  }
  const text = svg
    .value!.outerHTML.replace(/var\((--\w+)\)/g, (_, v: string) => colours[v] ?? '#000')
    .replace(/ data-v-\w+=""/g, '')
  return text.replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg" font-family="sans-serif"')
}
defineExpose({ file })
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${W} ${H}`"
    :width="W"
    :height="H"
    role="img"
    :aria-label="`Change in ${what}: ${sentence}`"
  >
    <rect
      :x="x(-counts)"
      :width="x(counts) - x(-counts)"
      y="26"
      :height="H - 50"
      fill="var(--wash)"
    />
    <text :x="x(0)" y="16" text-anchor="middle" font-size="12" fill="var(--muted)">
      {{
        what === 'pain'
          ? '← less pain · points of 10 · more →'
          : '← less comfort · points of 100 · more →'
      }}
    </text>
    <g v-for="t in x.ticks(7)" :key="t">
      <path :d="`M${x(t)} 26V${H - 24}`" stroke="var(--hairline)" />
      <text :x="x(t)" :y="H - 8" text-anchor="middle" font-size="11" fill="var(--muted)">
        {{ t > 0 ? `+${t}` : t }}
      </text>
    </g>
    <path :d="`M${x(0)} 26V${H - 24}`" stroke="var(--ink)" />
    <g v-for="(r, i) in shown" :key="name(r)">
      <text x="4" :y="48 + i * ROW" font-size="12.5" font-weight="600" fill="var(--ink)">
        {{ name(r) }}
      </text>
      <text x="4" :y="61 + i * ROW" font-size="11" fill="var(--muted)">
        {{ r[what]!.count }} of {{ r.clients }} clients
      </text>
      <path
        :d="`M${x(r[what]!.low)} ${50 + i * ROW}H${x(r[what]!.high)}M${x(r[what]!.low)} ${45 + i * ROW}v10M${x(r[what]!.high)} ${45 + i * ROW}v10`"
        stroke="var(--spruce)"
        stroke-width="1.6"
        fill="none"
      />
      <circle :cx="x(r[what]!.mean)" :cy="50 + i * ROW" r="5" fill="var(--spruce)" />
      <text
        :x="x(r[what]!.mean)"
        :y="41 + i * ROW"
        text-anchor="middle"
        font-size="11.5"
        font-weight="700"
        fill="var(--ink)"
      >
        {{ n(r[what]!.mean) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  max-width: 100%;
  height: auto;
}
</style>
