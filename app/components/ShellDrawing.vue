<script setup lang="ts">
import type { Stations } from '../../core/footwear/catalogueSchema'

/**
 * A shell cut open, with the measure that is asked for drawn on it: where to hold the tape, the
 * calliper or the stick.
 */
const { at } = defineProps<{ at: keyof Stations }>()
type Shape = { d: string; dot?: [number, number][] }
/** From the side: heel left, toe right, boot board at y = 150; from above: heel left. */
const SIDE: Partial<Record<keyof Stations, Shape>> = {
  lengthMm: {
    d: 'M30 150H292',
    dot: [
      [30, 150],
      [292, 150],
    ],
  },
  toeBoxHeightMm: {
    d: 'M272 150V112',
    dot: [
      [272, 150],
      [272, 112],
    ],
  },
  ballHeightMm: {
    d: 'M212 150V92',
    dot: [
      [212, 150],
      [212, 92],
    ],
  },
  instepHeightMm: {
    d: 'M162 150V74',
    dot: [
      [162, 150],
      [162, 74],
    ],
  },
  waistGirthMm: {
    d: 'M150 152C138 132 142 96 152 78',
    dot: [
      [150, 152],
      [152, 78],
    ],
  },
  instepGirthMm: {
    d: 'M166 152C156 130 158 94 164 74',
    dot: [
      [166, 152],
      [164, 74],
    ],
  },
  heelInstepGirthMm: {
    d: 'M36 146L124 56',
    dot: [
      [36, 146],
      [124, 56],
    ],
  },
  ankleHeightMm: {
    d: 'M66 150V66',
    dot: [
      [66, 150],
      [66, 66],
    ],
  },
  cuffGirthMm: {
    d: 'M40 16C64 24 92 24 118 14',
    dot: [
      [40, 16],
      [118, 14],
    ],
  },
  cuffHeightMm: {
    d: 'M30 150V14',
    dot: [
      [30, 150],
      [30, 14],
    ],
  },
}
const PLAN: Partial<Record<keyof Stations, Shape>> = {
  toeBoxWidthMm: {
    d: 'M262 212V284',
    dot: [
      [262, 212],
      [262, 284],
    ],
  },
  ballWidthMm: {
    d: 'M212 202V292',
    dot: [
      [212, 202],
      [212, 292],
    ],
  },
  heelWidthMm: {
    d: 'M58 216V278',
    dot: [
      [58, 216],
      [58, 278],
    ],
  },
  ankleWidthMm: {
    d: 'M86 210V284',
    dot: [
      [86, 210],
      [86, 284],
    ],
  },
  fifthToeRoomMm: { d: 'M252 280V292', dot: [[252, 292]] },
  fifthMetRoomMm: { d: 'M196 284V296', dot: [[196, 296]] },
  firstMetRoomMm: { d: 'M216 204V192', dot: [[216, 192]] },
  navicularRoomMm: { d: 'M140 216V204', dot: [[140, 204]] },
}
</script>

<template>
  <svg viewBox="0 0 320 320" role="img" aria-label="Where on the shell this is measured">
    <path
      d="M30 150L30 120C30 90 36 60 40 16L118 14C120 46 124 56 140 66C170 80 220 88 268 110C288 120 294 134 292 150Z"
      fill="var(--wash)"
      stroke="var(--ink)"
      stroke-width="1.6"
    />
    <path d="M30 150H292" stroke="var(--ink)" stroke-width="1.2" />
    <path
      d="M30 247C30 224 50 214 90 214C140 216 180 204 220 202C268 202 292 224 292 246C292 270 268 286 230 290C180 294 130 280 90 282C50 282 30 270 30 247Z"
      fill="var(--wash)"
      stroke="var(--ink)"
      stroke-width="1.6"
    />
    <text x="6" y="172" class="cap">from the side, liner out</text>
    <text x="6" y="314" class="cap">from above; inner side up</text>
    <template v-for="(shape, i) in [SIDE[at], PLAN[at]]" :key="i">
      <g v-if="shape">
        <path
          :d="shape.d"
          fill="none"
          stroke="var(--stop)"
          stroke-width="3"
          stroke-linecap="round"
        />
        <circle
          v-for="(p, k) in shape.dot"
          :key="k"
          :cx="p[0]"
          :cy="p[1]"
          r="5"
          fill="var(--sheet)"
          stroke="var(--stop)"
          stroke-width="2.4"
        />
      </g>
    </template>
  </svg>
</template>

<style scoped>
.cap {
  font-size: 12px;
  fill: var(--muted);
}
</style>
