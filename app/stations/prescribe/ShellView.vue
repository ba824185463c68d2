<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { proxy } from 'comlink'
import { computed, onBeforeUnmount, shallowReactive, ref, watch } from 'vue'
import { VBtn, VProgressLinear, VTable, VTextField } from 'vuetify/components'
import { twoDigits } from '../../../core/mechanics/effectSteps'
import { comfortOf, forceOf } from '../../../core/mechanics/plate/comfort'
import { shellVariants } from '../../../core/mechanics/plate/variants'
import type { ThicknessForGive } from '../../../core/mechanics/plate/thicknessForGive'
import { normsOf } from '../../../core/record/tables'
import { parseNumber } from '../../../core/measure/parseNumber'
import { FORCE_WORDS } from '../../../core/kinds/activities/forces'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import EstimateTag from '~/components/EstimateTag.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import DeflectionMap from '~/drawing/DeflectionMap.vue'
import { newestWins } from '~/workers/deviceWorker'
import { searchWorker, shellWorker, stopSearch } from '~/workers/effectsWorker'
import type { Question, Said, ShellAnswer } from '~/workers/effects.worker'
import type { useEffects } from './useEffects'
import type { useStudio } from './useStudio'

/**
 * How stiff the shells are: deflection terrain, figures with their range, feel by body and
 * activity, what changes them, and the thickness for a give.
 */
const { studio, estimates } = defineProps<{
  studio: ReturnType<typeof useStudio>
  estimates: ReturnType<typeof useEffects>
}>()
const { fitting } = studio
const answers = shallowReactive<Record<Side, ShellAnswer | null>>({ left: null, right: null })
const refused = shallowReactive<Record<Side, string>>({ left: '', right: '' })
const stale = shallowReactive<Record<Side, boolean>>({ left: true, right: true })
const norms = computed(() => normsOf(fitting.record))
const force = computed(() => forceOf(fitting.record))
const REST_MS = 350
const timers: Partial<Record<Side, ReturnType<typeof setTimeout>>> = {}
const text = (side: Side) => {
  const q = estimates.shellQuestion(side)
  return typeof q === 'string' ? q : JSON.stringify(q)
}
for (const side of SIDES) {
  const ask = newestWins(
    async ({
      question,
      step,
    }: {
      question: string
      step: 4 | 6
    }): Promise<{ got: ShellAnswer | Said; step: 4 | 6; question: string }> => ({
      got: await shellWorker().shell(JSON.parse(question) as Question, step),
      step,
      question,
    }),
    ({ got, step, question }) => {
      if ('refused' in got) [answers[side], refused[side]] = [null, got.refused]
      else [answers[side], refused[side]] = [got, '']
      stale[side] = step === 6
      // Coarse while something runs, fine at rest.
      if (step === 6 && !('refused' in got))
        timers[side] = setTimeout(() => ask({ question, step: 4 }), REST_MS)
    },
  )
  watch(
    () => text(side),
    (question) => {
      clearTimeout(timers[side])
      stale[side] = true
      if (question.startsWith('{')) ask({ question, step: 6 })
      else [answers[side], refused[side]] = [null, question]
    },
    { immediate: true },
  )
}
const heights = computed(() =>
  Math.max(answers.left?.lengthMm ?? 262, answers.right?.lengthMm ?? 262),
)
const n = (v: number, d = 2) => Number(v.toFixed(d)).toString()
const figures = computed(() =>
  SIDES.map((side) => {
    const s = answers[side]?.stiffness
    return {
      side,
      s,
      comfort: s && comfortOf(s.archStiffnessNPerMm, s.forceN, force.value, norms.value),
    }
  }),
)

/** Work that takes a while: shells compared, or a thickness sought; it can be stopped. */
const busy = ref('')
const looked = ref(0)
const variants = shallowReactive<Record<Side, { name: string; k: number; percent: number }[]>>({
  left: [],
  right: [],
})
const trouble = ref('')
let run = 0
async function work(words: string, task: (mine: () => boolean) => Promise<void>) {
  const mine = ++run
  busy.value = words
  looked.value = 0
  trouble.value = ''
  await task(() => mine === run)
  if (mine === run) busy.value = ''
}
function stop() {
  run++
  busy.value = ''
  stopSearch()
}
onBeforeUnmount(() => {
  if (busy.value) stop()
  Object.values(timers).forEach((t) => clearTimeout(t))
})
const compare = () =>
  work('comparing shells', async (mine) => {
    for (const side of SIDES) {
      const q = estimates.shellQuestion(side)
      if (typeof q === 'string') continue
      const list = [{ name: 'As it is', device: q.device }, ...shellVariants(q.device)]
      const out: { name: string; k: number; percent: number }[] = []
      for (const v of list) {
        const got = await searchWorker().variant({
          ...q,
          device: plainCopy(v.device),
        })
        if (!mine()) return
        looked.value++
        if ('refused' in got) {
          if (v === list[0]) break
          continue
        }
        out.push({
          name: v.name,
          k: got.archStiffnessNPerMm,
          percent: out[0] ? 100 * (got.archStiffnessNPerMm / out[0].k - 1) : 0,
        })
        variants[side] = out.slice(1)
      }
    }
  })
const rows = computed(() =>
  [...new Set(SIDES.flatMap((s) => variants[s].map((v) => v.name)))].map((name) => ({
    name,
    by: Object.fromEntries(
      SIDES.map((s) => [s, variants[s].find((v) => v.name === name)]),
    ) as Record<Side, { k: number; percent: number } | undefined>,
  })),
)
const give = ref('')
const sought = shallowReactive<Record<Side, ThicknessForGive | null>>({ left: null, right: null })
async function seek() {
  const value = parseNumber(give.value)
  if (value === null || value < 0.05 || value > 20) {
    trouble.value = `“${give.value}” is not a give from 0.05 to 20 mm.`
    return
  }
  await work('seeking a thickness', async (mine) => {
    for (const side of SIDES) {
      const q = estimates.shellQuestion(side)
      if (typeof q === 'string') continue
      const got = await searchWorker().thickness(
        q,
        value,
        norms.value.activityFactor[force.value],
        proxy(() => void looked.value++),
      )
      if (!mine()) return
      if ('refused' in got) trouble.value = got.refused
      else sought[side] = got
    }
  })
}
const tenth = (v: number) => Math.round(v * 10) / 10
const setThickness = (side: Side, mm: number) =>
  studio.keep(
    side,
    (d) => ({ ...d, shell: { ...d.shell, thicknessMm: tenth(mm), graded: undefined } }),
    `shell ${tenth(mm)}`,
  )
</script>

<template>
  <div class="cols shells">
    <section class="card terrain" aria-label="Deflection of the shells, estimate">
      <div class="caps">
        <SideMark side="left" word /><EstimateTag
          of="shell"
          :facts="[
            `force on the arch goes with body weight${fitting.record.client?.massKg === undefined ? '; 75 kg taken, none was asked' : ''}`,
          ]"
        /><SideMark side="right" word />
      </div>
      <div v-for="s in SIDES" :key="s" class="foot" :class="{ stale: stale[s] }">
        <DeflectionMap
          v-if="answers[s]"
          :side="s"
          :length-mm="answers[s]!.lengthMm"
          :outline="answers[s]!.outline"
          :trims="answers[s]!.trims"
          :rings="answers[s]!.rings"
          :interval-mm="answers[s]!.intervalMm"
          :ellipse="answers[s]!.ellipse"
          :peak="{ ...answers[s]!.stiffness.peakAt, mm: answers[s]!.stiffness.peakDeflectionMm }"
          :height-mm="heights"
        />
        <p v-else class="muted said">{{ refused[s] || 'solving the shell …' }}</p>
      </div>
      <p class="small muted note">
        what the arch bends under
        {{
          answers.left
            ? n(answers.left.stiffness.forceN, 0)
            : answers.right
              ? n(answers.right.stiffness.forceN, 0)
              : '–'
        }}
        N, standing; dashed: where it is pressed · rings every
        {{ answers.left?.intervalMm ?? answers.right?.intervalMm ?? 0.1 }} mm, darker = more
      </p>
    </section>
    <div class="stack">
      <section class="card estimate figures" aria-label="Stiffness, estimate">
        <VTable class="table">
          <thead>
            <tr>
              <th>Shell, estimate</th>
              <th><SideMark side="left" word /></th>
              <th><SideMark side="right" word /></th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <td>Arch stiffness</td>
              <td v-for="f in figures" :key="f.side">
                <template v-if="f.s"
                  ><b>{{ twoDigits(f.s.archStiffnessNPerMm) }} N/mm</b
                  ><span v-if="f.s.rangeNPerMm" class="small block"
                    >{{ twoDigits(f.s.rangeNPerMm[0]) }} to {{ twoDigits(f.s.rangeNPerMm[1]) }} by
                    what it stands on</span
                  ></template
                ><span v-else>–</span>
              </td>
            </tr>
            <tr>
              <td>Gives, {{ FORCE_WORDS[force].split(':')[0] }} use</td>
              <td v-for="f in figures" :key="f.side">
                <template v-if="f.comfort"
                  ><b>{{ n(f.comfort.giveMm, 1) }} mm: {{ f.comfort.class }}</b></template
                ><span v-else>–</span>
              </td>
            </tr>
            <tr>
              <td>Bends most</td>
              <td v-for="f in figures" :key="f.side">
                {{
                  f.s
                    ? `${twoDigits(f.s.peakDeflectionMm)} mm, ${n(f.s.peakAt.yMm, 0)} from the heel`
                    : '–'
                }}
              </td>
            </tr>
            <tr>
              <td>Peak strain</td>
              <td v-for="f in figures" :key="f.side">
                {{ f.s?.peakStrain ? `${twoDigits(100 * f.s.peakStrain)} %` : '–' }}
              </td>
            </tr>
            <tr>
              <td>Peak stress</td>
              <td v-for="f in figures" :key="f.side">
                <template v-if="f.s?.peakStressMPa"
                  >{{ twoDigits(f.s.peakStressMPa) }} MPa<span class="small block">{{
                    f.s.utilisationPercent === null
                      ? 'no limit set for this material'
                      : `${twoDigits(f.s.utilisationPercent)} % of its limit`
                  }}</span></template
                ><span v-else>–</span>
              </td>
            </tr>
          </tbody>
        </VTable>
        <p
          v-for="f in figures.flatMap((x) =>
            (x.s?.flags ?? []).map((words) => ({ side: x.side, words })),
          )"
          :key="f.side + f.words"
          class="small flag"
        >
          <SideMark :side="f.side" /> <StatusMark kind="watch" word="Watch" /> {{ f.words }}
        </p>
      </section>
      <section class="card give" aria-label="Thickness for a give">
        <form class="line" @submit.prevent="seek">
          <b>What thickness gives</b
          ><VTextField
            v-model="give"
            class="num"
            inputmode="decimal"
            aria-label="Wanted give, mm"
            placeholder="1.5"
          /><span>mm in {{ FORCE_WORDS[force].split(':')[0] }} use?</span
          ><VBtn type="submit" :disabled="busy !== '' || !give.trim()">Seek</VBtn>
        </form>
        <div v-if="busy" class="line" role="status">
          <VProgressLinear indeterminate color="primary" class="bar" :aria-label="busy" /><span
            class="small nowrap"
            >{{ busy }}, {{ looked }} looked at</span
          ><VBtn size="small" height="36" @click="stop">Stop</VBtn>
        </div>
        <p v-if="trouble" class="notice" role="alert">{{ trouble }}</p>
        <template v-for="s in SIDES" :key="s"
          ><div v-if="sought[s]" class="line">
            <SideMark :side="s" /><span v-if="sought[s]!.reached"
              ><b>{{ tenth(sought[s]!.thicknessMm) }} mm</b> gives {{ n(sought[s]!.giveMm, 1) }} mm
              <i class="small">estimate</i></span
            ><span v-else
              >Between {{ n(sought[s]!.between[0], 1) }} and {{ n(sought[s]!.between[1], 1) }} mm
              none does; {{ n(sought[s]!.thicknessMm, 1) }} mm gives {{ n(sought[s]!.giveMm, 1) }}.
              Another material would.</span
            ><VBtn
              v-if="sought[s]!.reached"
              size="small"
              height="36"
              class="end"
              :disabled="fitting.readOnly"
              @click="setThickness(s, sought[s]!.thicknessMm)"
              >Set {{ tenth(sought[s]!.thicknessMm) }} mm</VBtn
            >
          </div></template
        >
      </section>
      <section class="card grow changes" aria-label="What changes it, estimate">
        <div class="card-head">
          <b>What changes it</b><span class="aside small">against the shell as it is, estimate</span
          ><VBtn size="small" height="36" :disabled="busy !== ''" @click="compare">{{
            rows.length ? 'Again' : 'Compare'
          }}</VBtn>
        </div>
        <div class="scroll rows" tabindex="0" role="region" aria-label="Shells compared">
          <VTable v-if="rows.length" class="table">
            <tbody>
              <tr v-for="r in rows" :key="r.name">
                <td>{{ r.name }}</td>
                <td v-for="s in SIDES" :key="s" class="nowrap">
                  <template v-if="r.by[s]"
                    ><SideMark :side="s" />
                    {{
                      Math.abs(r.by[s]!.percent) < 1
                        ? 'the same'
                        : `${twoDigits(Math.abs(r.by[s]!.percent))} % ${r.by[s]!.percent > 0 ? 'stiffer' : 'softer'}`
                    }}</template
                  >
                </td>
              </tr>
            </tbody>
          </VTable>
          <p v-else class="muted said">
            Thinner, thicker, without cut-outs or posts, another edge: compare what each does to the
            arch.
          </p>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.shells {
  grid-template-columns: minmax(0, 1fr) minmax(0, 490px);
}
.terrain {
  display: grid;
  grid-template: 32px 1fr auto / 1fr 1fr;
  padding: 8px;
}
.caps,
.note {
  grid-column: 1 / -1;
}
.caps {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.note {
  text-align: center;
}
.foot {
  min-height: 0;
  min-width: 0;
}
.stale {
  opacity: 0.7;
}
.figures {
  flex: none;
  background: var(--sheet);
}
.figures .table {
  table-layout: fixed;
}
.figures th:first-child {
  width: 106px;
}
.figures td,
.figures th {
  padding: 4px 8px 4px 10px;
  vertical-align: top;
}
.block {
  display: block;
  color: var(--ink);
}
.flag {
  padding: 3px 10px;
}
.give {
  flex: none;
  padding: 8px 10px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.num {
  width: 76px;
  --v-input-control-height: 40px;
}
.bar {
  flex: 1;
}
.end {
  margin-left: auto;
}
.shells .stack {
  overflow: auto;
}
.changes {
  display: flex;
  flex-direction: column;
  min-height: 150px;
}
.changes .card-head {
  padding: 4px 10px;
  align-items: center;
}
.rows {
  flex: 1;
}
.changes td {
  padding: 4px 10px;
}
.said {
  padding: 14px;
}
@media (max-width: 1179px) {
  .shells {
    grid-template-columns: minmax(0, 1fr) minmax(0, 440px);
  }
}
</style>
