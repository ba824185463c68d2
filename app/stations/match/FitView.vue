<script setup lang="ts">
import { STATION_KINDS, type Station } from '../../../core/kinds/stations/all'
import { curveCatmullRomClosed, line as d3line } from 'd3-shape'
import { computed } from 'vue'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import type { Feet, PairFit } from '../../../core/footwear/match'
import { borderAt, planPoints, planView } from '../../../core/footwear/planView'
import { oneDecimal } from '../../../core/footwear/reasons'
import { contactSpots } from '../../../core/footwear/spots'
import { verdictOf, verdictWord } from '../../../core/footwear/targets'
import { backView, sideView, type Line } from '../../../core/footwear/views'
import { normsOf } from '../../../core/record/tables'
import type { FittingRecord } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'

/** A mark put on the drawing: a piece of work, numbered. */
export interface DrawnMark {
  foot: Side
  at: { fromHeelMm: number; heightMm: number; side: string }
  text: string
}

/**
 * Each foot inside its shell, to scale: from above, from the inner side, from behind. Contact is
 * where a clearance lies below its band.
 */
const {
  record,
  fit,
  model,
  feet,
  view,
  only = null,
  marks = [],
  dims = false,
  asNew = false,
} = defineProps<{
  record: FittingRecord
  fit: PairFit
  model: FootwearModel
  feet: Feet
  view: 'plan' | 'side' | 'back'
  only?: Side | null
  marks?: DrawnMark[]
  dims?: boolean
  asNew?: boolean
}>()
const soles = { left: useSole(() => record, 'left'), right: useSole(() => record, 'right') }
const smooth = d3line<[number, number]>().curve(curveCatmullRomClosed.alpha(0.6))
const n1 = (v: number | null | undefined) => (v === null || v === undefined ? '–' : oneDecimal(v))
const LABELS: Record<'plan' | 'side' | 'back', [Station, number][]> = {
  plan: [
    ['length', 1],
    ['fifthToe', 0.85],
    ['ball', 0.69],
    ['firstMet', 0.76],
    ['navicular', 0.52],
    ['waist', 0.37],
    ['heel', 0.1],
  ],
  side: [
    ['length', 0.98],
    ['toeBoxHeight', 0.9],
    ['ballHeight', 0.68],
    ['instepHeight', 0.48],
  ],
  back: [
    ['cuff', 0.86],
    ['anklePocket', 0.45],
    ['ankle', 0.33],
    ['heel', 0.08],
  ],
}
const pairs = computed(() =>
  SIDES.filter((s) => fit[s] && feet[s] && (only === null || only === s)).map((side) => {
    const foot = feet[side]!
    const one = fit[side]!
    const sole = soles[side].value
    const m = mirror(side)
    const spots = contactSpots(foot, model, one)
    const own = marks.filter((k) => k.foot === side)
    const label = ([station, share]: [Station, number]) => {
      const value = asNew ? one.asNew[station] : one.clearances[station]
      return {
        station,
        share,
        value,
        verdict:
          value === null
            ? undefined
            : verdictOf(value, one.targets[station]!, normsOf(record).verdictMm),
      }
    }
    const labels = LABELS[view].map(label).filter((l) => l.value !== null)
    if (view === 'plan') {
      const plan = planView(sole.sole, sole.parameters, model, one.sizeMm)
      const L = plan.lengthMm
      const at = ([x, y]: [number, number]): [number, number] => [m * x, L - y]
      const path = (line: Line) =>
        `M${line
          .map((p) =>
            at(p)
              .map((v) => v.toFixed(1))
              .join(' '),
          )
          .join('L')}Z`
      const edge = (y: number) => at([borderAt(plan.shell, Math.min(L - 1, y), -1) ?? 0, y])
      return {
        side,
        box: `-106 -14 212 ${L + 24}`,
        foot: path(plan.foot),
        shell: path(plan.shell),
        rings: sole.rings,
        shift: `translate(0 ${(L - sole.lengthMm - (plan.foot[0] ? Math.min(...plan.foot.map(([, y]) => y)) - Math.min(...plan.shell.map(([, y]) => y)) : 0)).toFixed(1)})`,
        spots: spots.flatMap((s) => planPoints(plan, s).map((p) => ({ at: at(p), s }))),
        marks: own.flatMap((k) =>
          planPoints(plan, k.at).map((p) => ({
            at: at(p),
            text: k.text,
            dim: `${k.at.fromHeelMm}`,
            y: at([0, 0])[1],
          })),
        ),
        labels: labels.map((l) => ({
          ...l,
          x: -m * 104,
          y: Math.min(L - 8, Math.max(4, L - l.share * sole.lengthMm - 6)),
          to: edge(l.share * sole.lengthMm),
          end: m === -1,
        })),
        guessed: [] as string[],
        floor: null as number | null,
      }
    }
    const v =
      view === 'side' ? sideView(foot, model, one.sizeMm) : backView(foot, model, one.sizeMm)
    const top = Math.max(...v.foot.map(([, z]) => z), ...v.shell.map(([, z]) => z))
    // Toes point outwards on the page, as the feet lie from above.
    const flip = view === 'side' ? -m : m
    const [low, high] = [Math.min(...v.shell.map(([x]) => x)), Math.max(...v.shell.map(([x]) => x))]
    const at = ([x, z]: [number, number]): [number, number] => [
      flip * (x - (view === 'side' ? (low + high) / 2 : 0)),
      top - z,
    ]
    const path = (line: Line) => smooth(line.map(at)) ?? ''
    const half = (high - low) / 2
    const placeOf = (p: {
      fromHeelMm: number
      heightMm: number
      side: string
    }): [number, number][] => {
      if (view === 'side')
        return [
          at([p.side === 'front' ? high : p.side === 'back' ? low : p.fromHeelMm, p.heightMm]),
        ]
      const wall = (sign: 1 | -1): [number, number] =>
        at([
          sign *
            Math.max(
              ...v.shell
                .filter(([x, z]) => sign * x > 0 && Math.abs(z - p.heightMm) < 40)
                .map(([x]) => sign * x),
              10,
            ),
          p.heightMm,
        ])
      return p.side === 'both'
        ? [wall(1), wall(-1)]
        : p.side === 'medial'
          ? [wall(1)]
          : p.side === 'lateral'
            ? [wall(-1)]
            : [at([0, p.heightMm])]
    }
    const inBack = (y: number) => view === 'side' || y < 0.4 * foot.lengthMm
    const wide = half + (view === 'side' ? 12 : 60)
    // From the side the leg is cut off: what is worked lies below it, and it would make everything
    // small.
    const from = view === 'side' ? Math.max(-14, top - 0.56 * foot.lengthMm) : -14
    return {
      side,
      box: `${-wide} ${from} ${2 * wide} ${top + 42 - from}`,
      foot: path(v.foot),
      shell: path(v.shell),
      rings: [],
      shift: '',
      spots: spots
        .filter((s) => inBack(s.fromHeelMm))
        .flatMap((s) => placeOf(s).map((p) => ({ at: p, s }))),
      marks: own
        .filter((k) => inBack(k.at.fromHeelMm))
        .flatMap((k) =>
          placeOf(k.at).map((p) => ({ at: p, text: k.text, dim: `${k.at.heightMm}`, y: top })),
        ),
      labels: labels.map((l) => ({
        ...l,
        x: view === 'side' ? flip * (l.share * foot.lengthMm - (low + high) / 2) : -m * (half + 56),
        y: view === 'side' ? top + 18 : top - l.share * top,
        to: null,
        end: view === 'back' && m === -1,
      })),
      guessed: v.guessed.map((s) => STATION_KINDS.of(s).short),
      floor: top,
    }
  }),
)
const FROM = { plan: 'from above', side: 'from the inner side', back: 'from behind' } as const
/** What a drawing shows, for who does not see it. */
function sentence({ side, labels, spots }: (typeof pairs.value)[number]): string {
  const told = labels.map(({ station, value, verdict }) => {
    const word = verdict ? ` ${verdictWord(station, verdict)}` : ''
    return `${STATION_KINDS.of(station).short} ${n1(value)} mm${word}`
  })
  const touched = new Set(spots.map(({ s }) => STATION_KINDS.of(s.station).short))
  const contact = touched.size > 0 ? `Contact: ${[...touched].join(', ')}` : 'No contact predicted'
  return `${side} foot in ${model.name}, ${FROM[view]}: ${told.join(', ')}. ${contact}`
}
</script>

<template>
  <div class="views" :class="view">
    <svg v-for="p in pairs" :key="p.side" :viewBox="p.box" role="img" :aria-label="sentence(p)">
      <clipPath v-if="p.rings.length" :id="`fv-${p.side}-${model.id}`">
        <path :d="p.foot" />
      </clipPath>
      <g v-if="p.rings.length" :clip-path="`url(#fv-${p.side}-${model.id})`">
        <g :transform="p.shift">
          <path v-for="(ring, i) in p.rings" :key="i" :d="ring.d" :fill="ring.fill" />
        </g>
      </g>
      <path
        :d="p.foot"
        :fill="p.rings.length ? 'none' : HUES[p.side]"
        fill-opacity=".1"
        :stroke="HUES[p.side]"
        stroke-width="1.2"
      />
      <path :d="p.shell" fill="none" stroke="var(--ink)" stroke-width="2" stroke-linejoin="round" />
      <path
        v-if="p.floor !== null"
        :d="`M-170 ${p.floor}H170`"
        stroke="var(--line-strong)"
        stroke-width=".8"
        stroke-dasharray="4 3"
      />
      <g v-for="(spot, i) in p.spots" :key="`s${i}`">
        <circle
          :cx="spot.at[0]"
          :cy="spot.at[1]"
          :r="3.5 + Math.min(5, spot.s.shortMm)"
          :class="['spot', spot.s.verdict]"
        />
        <path
          :d="`M${spot.at[0] - 2.4} ${spot.at[1]}h4.8`"
          stroke="var(--stop)"
          stroke-width="1.6"
        />
      </g>
      <g v-for="(k, i) in p.marks" :key="`m${i}`">
        <path
          v-if="dims"
          :d="`M${k.at[0]} ${k.at[1]}V${k.y}`"
          stroke="var(--spruce)"
          stroke-width=".7"
          stroke-dasharray="2 2"
        />
        <circle
          :cx="k.at[0]"
          :cy="k.at[1]"
          r="7.5"
          fill="var(--sheet)"
          stroke="var(--spruce)"
          stroke-width="1.6"
        />
        <text :x="k.at[0]" :y="k.at[1] + 4" text-anchor="middle" class="mark">{{ k.text }}</text>
        <text v-if="dims" :x="k.at[0] + 9" :y="(k.at[1] + k.y) / 2" class="dim">{{ k.dim }}</text>
      </g>
      <g v-for="l in p.labels" :key="l.station">
        <path
          v-if="l.to"
          :d="`M${l.x + (l.end ? -2 : 2)} ${l.y + 19}L${l.to[0]} ${l.to[1]}`"
          stroke="var(--line-strong)"
          stroke-width=".6"
          fill="none"
        />
        <text
          :x="l.x"
          :y="l.y"
          :text-anchor="view === 'side' ? 'middle' : l.end ? 'end' : 'start'"
          class="name"
        >
          {{ STATION_KINDS.of(l.station).short }}
        </text>
        <text
          :x="l.x"
          :y="l.y + (view === 'side' ? 18 : 15)"
          :text-anchor="view === 'side' ? 'middle' : l.end ? 'end' : 'start'"
          class="num"
          :class="l.verdict"
        >
          {{ n1(l.value) }}
        </text>
      </g>
    </svg>
    <p v-if="pairs.some((p) => p.guessed.length)" class="small muted guess">
      drawn after the foot, not measured:
      {{ [...new Set(pairs.flatMap((p) => p.guessed))].join(', ') }}
    </p>
  </div>
</template>

<style scoped>
.views {
  position: relative;
  display: flex;
  flex: 1;
  min-height: 0;
  padding: 4px;
  gap: 4px;
}
.views.side {
  flex-direction: column;
}
svg {
  flex: 1;
  min-width: 0;
  min-height: 0;
  height: 100%;
  width: 100%;
}
.name {
  font-size: 13px;
  fill: var(--muted);
}
.num {
  font-size: 15px;
  font-weight: 700;
}
.num.tight,
.num.snug {
  fill: var(--stop);
  text-decoration: underline;
}
.num.loose,
.num.roomy {
  fill: var(--watch-text);
}
.spot {
  fill: var(--stop);
  fill-opacity: 0.22;
  stroke: var(--stop);
  stroke-width: 1.2;
}
.spot.snug {
  fill: var(--watch);
  stroke: var(--watch);
  fill-opacity: 0.18;
}
.mark {
  font-size: 10px;
  font-weight: 700;
  fill: var(--spruce);
}
.dim {
  font-size: 9px;
  fill: var(--spruce);
}
.views.side .name {
  font-size: 15px;
}
.views.side .num {
  font-size: 18px;
}
.guess {
  position: absolute;
  left: 10px;
  bottom: 4px;
}
</style>
