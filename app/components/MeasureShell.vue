<script setup lang="ts">
import { format } from 'date-fns'
import { computed, nextTick, ref, watch } from 'vue'
import { VBtn, VCard, VDialog } from 'vuetify/components'
import { modelSchema, type FootwearModel, type Stations } from '../../core/footwear/catalogueSchema'
import { FAMILY_RULES } from '../../core/footwear/families'
import { cautionsOf } from '../../core/formats/catalogueCsv'
import { parseNumber } from '../../core/measure/callOut'
import { FAMILIES } from '../../core/record/vocabulary'
import ShellDrawing from './ShellDrawing.vue'
import StatusMark from './StatusMark.vue'

/** Measuring a shell of the shop: which model, then station by station with a drawing of where; Enter goes on, what is not known stays empty. */
const { model = null, by } = defineProps<{ model?: FootwearModel | null; by: string }>()
const emit = defineEmits<{ keep: [FootwearModel] }>()
const open = defineModel<boolean>({ required: true })
/** Steps: −2 which model, −1 what is in it, then one station after the other. */
const ASK: { key: keyof Stations; name: string; how: string }[] = [
  {
    key: 'lengthMm',
    name: 'Length',
    how: 'Liner out. Stick on the boot board, from the back of the heel to the front.',
  },
  {
    key: 'ballWidthMm',
    name: 'Ball width',
    how: 'Inside calliper at the widest, 10 to 15 mm over the boot board, liner out.',
  },
  { key: 'toeBoxWidthMm', name: 'Toe box width', how: 'Inside calliper, 30 mm behind the front.' },
  {
    key: 'toeBoxHeightMm',
    name: 'Toe box height',
    how: 'Boot board to the roof, 20 mm behind the front.',
  },
  { key: 'ballHeightMm', name: 'Ball height', how: 'Boot board to the roof over the ball.' },
  { key: 'instepHeightMm', name: 'Instep height', how: 'Boot board to the roof at half length.' },
  {
    key: 'waistGirthMm',
    name: 'Waist girth',
    how: 'Tape inside, around the narrowest of the midfoot.',
  },
  {
    key: 'instepGirthMm',
    name: 'Instep girth',
    how: 'Tape inside, around the highest of the instep.',
  },
  {
    key: 'heelInstepGirthMm',
    name: 'Heel–instep girth',
    how: 'Tape inside, from the point of the heel around the bend.',
  },
  {
    key: 'heelWidthMm',
    name: 'Heel width',
    how: 'Inside calliper in the pocket, 20 mm over the boot board.',
  },
  { key: 'heelDepthMm', name: 'Heel pocket depth', how: 'From the back to where the pocket ends.' },
  {
    key: 'ankleWidthMm',
    name: 'Ankle width',
    how: 'Inside calliper between the two ankle pockets.',
  },
  {
    key: 'ankleHeightMm',
    name: 'Ankle pocket height',
    how: 'Boot board to the middle of the inner pocket.',
  },
  {
    key: 'cuffGirthMm',
    name: 'Cuff girth',
    how: 'Tape inside the top of the cuff, closed as worn.',
  },
  { key: 'cuffHeightMm', name: 'Cuff height', how: 'Boot board to the top of the cuff.' },
  {
    key: 'fifthToeRoomMm',
    name: 'Room beside the fifth toe',
    how: 'How far the wall stands out of a smooth foot\u2019s line: 0 where it is smooth.',
  },
  {
    key: 'fifthMetRoomMm',
    name: 'Room beside the fifth met head',
    how: 'How far the wall stands out of a smooth foot\u2019s line.',
  },
  {
    key: 'navicularRoomMm',
    name: 'Room at the navicular',
    how: 'How far the inner wall stands out there.',
  },
]
const head = ref({
  maker: '',
  name: '',
  family: 'rigid-shell' as FootwearModel['family'],
  reference: '265',
  sizes: '',
})
const typed = ref<Partial<Record<keyof Stations, string>>>({})
/** What lies in the shell and what its wall allows. */
const BUILD = [
  { key: 'liner.toe', name: 'Liner at the toes, mm' },
  { key: 'liner.ball', name: 'at the ball' },
  { key: 'liner.instep', name: 'over the instep' },
  { key: 'liner.ankle', name: 'at the ankles' },
  { key: 'liner.heel', name: 'at the heel' },
  { key: 'packOut', name: 'Liner packs out, %' },
  { key: 'insole', name: 'Insole supplied, mm' },
  { key: 'board', name: 'Boot board gives, mm' },
  { key: 'ramp', name: 'Ramp, °' },
  { key: 'stretch', name: 'Wall stretches, mm' },
  { key: 'limit', name: 'Plastic up to, °C' },
  { key: 'wall', name: 'Wall, mm' },
  { key: 'least', name: 'Wall at least, mm' },
  { key: 'flex', name: 'Flex by the maker' },
  { key: 'lean', name: 'Cuff leans, °' },
] as const
type BuildKey = (typeof BUILD)[number]['key']
const build = ref<Partial<Record<BuildKey, string>>>({})
const whole = ref(false)
const step = ref(-2)
const trouble = ref('')
const field = ref<HTMLInputElement | null>(null)
function begin() {
  typed.value = Object.fromEntries(Object.entries(model?.at ?? {}).map(([k, v]) => [k, String(v)]))
  head.value = model
    ? {
        maker: model.maker,
        name: model.name,
        family: model.family,
        reference: String(model.referenceMm),
        sizes: model.sizesMm.join(' '),
      }
    : { maker: '', name: '', family: 'rigid-shell', reference: '265', sizes: '' }
  const m = model
  build.value = m
    ? {
        'liner.toe': `${m.liner.thicknessMm.toe}`,
        'liner.ball': `${m.liner.thicknessMm.ball}`,
        'liner.instep': `${m.liner.thicknessMm.instep}`,
        'liner.ankle': `${m.liner.thicknessMm.ankle}`,
        'liner.heel': `${m.liner.thicknessMm.heel}`,
        packOut: `${Math.round(m.liner.packOut * 100)}`,
        insole: `${m.insoleMm}`,
        board: `${m.bootBoard.grindableMm}`,
        ramp: `${m.bootBoard.rampDeg}`,
        stretch: `${m.plastic.stretchMm}`,
        limit: `${m.plastic.limitC}`,
        wall: `${m.plastic.wallMm}`,
        least: `${m.plastic.minWallMm}`,
        flex: m.flex ? `${m.flex.index}` : '',
        lean: m.cuffLeanDeg === undefined ? '' : `${m.cuffLeanDeg}`,
      }
    : { packOut: '20', insole: '3' }
  whole.value = m?.shellStep === 'whole'
  step.value = -2
  trouble.value = ''
}
watch(open, (is) => is && begin(), { immediate: true })
const ask = computed(() => ASK[step.value])
function go(to: number) {
  const a = ask.value
  if (a) {
    const text = (typed.value[a.key] ?? '').trim()
    const value = text === '' ? null : parseNumber(text)
    if (text !== '' && (value === null || value < 0 || value > 1000)) {
      trouble.value = `${a.name}: “${text}” is not a number of mm from 0 to 1000.`
      return
    }
  } else if (step.value === -1) {
    const bad = BUILD.find(
      (b) =>
        (build.value[b.key] ?? '').trim() !== '' &&
        (parseNumber(build.value[b.key]!) === null || parseNumber(build.value[b.key]!)! < 0),
    )
    if (bad) {
      trouble.value = `${bad.name}: “${build.value[bad.key]}” is not a number.`
      return
    }
  } else if (
    !head.value.name.trim() ||
    sizes.value === null ||
    parseNumber(head.value.reference) === null
  ) {
    trouble.value = !head.value.name.trim()
      ? 'Give the model a name.'
      : sizes.value === null
        ? 'Write its sizes in mm, as 255 260 265.'
        : 'Write the measured size in mm, as 265.'
    return
  }
  trouble.value = ''
  step.value = to
  void nextTick(() => field.value?.focus())
}
const sizes = computed(() => {
  const list = head.value.sizes
    .trim()
    .split(/[\s,;]+/)
    .map((s) => parseNumber(s))
  return list.length === 0 || list.includes(null) || list.some((s) => s! < 100 || s! > 400)
    ? null
    : (list as number[])
})
const num = (key: BuildKey) => {
  const text = (build.value[key] ?? '').trim()
  return text === '' ? undefined : (parseNumber(text) ?? undefined)
}
const made = computed(() => {
  const flex = num('flex')
  const lean = num('lean')
  const inside = {
    shellStep: whole.value ? 'whole' : 'half',
    insoleMm: num('insole') ?? 3,
    liner: {
      thicknessMm: Object.fromEntries(
        (['toe', 'ball', 'instep', 'ankle', 'heel'] as const).map((k) => [
          k,
          num(`liner.${k}`) ?? 0,
        ]),
      ),
      packOut: (num('packOut') ?? 20) / 100,
      mouldable: model?.liner.mouldable ?? false,
    },
    bootBoard: {
      rampDeg: num('ramp') ?? 0,
      thicknessMm: model?.bootBoard.thicknessMm ?? 0,
      grindableMm: num('board') ?? 0,
    },
    plastic: {
      ...(model?.plastic.name && { name: model.plastic.name }),
      stretchMm: num('stretch') ?? 0,
      limitC: num('limit') ?? 0,
      wallMm: num('wall') ?? 0,
      minWallMm: num('least') ?? 0,
    },
    ...(flex !== undefined && { flex: { index: flex } }),
    ...(lean !== undefined && { cuffLeanDeg: lean }),
  }
  const at = Object.fromEntries(
    Object.entries(typed.value).flatMap(([k, v]) => (v?.trim() ? [[k, parseNumber(v)]] : [])),
  )
  const read = modelSchema.safeParse({
    ...(model ?? {
      id: `${head.value.maker}-${head.value.name}`
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .slice(0, 80),
    }),
    maker: head.value.maker.trim(),
    name: head.value.name.trim(),
    family: head.value.family,
    referenceMm: parseNumber(head.value.reference) ?? 265,
    sizesMm: sizes.value ?? [],
    at,
    ...inside,
    measured: { by, on: format(new Date(), 'yyyy-MM-dd') },
  })
  return read.success ? read.data : null
})
function keep() {
  go(step.value)
  if (!trouble.value && made.value) {
    emit('keep', made.value)
    open.value = false
  } else trouble.value ||= 'Something is still missing: look at the name and the sizes.'
}
</script>

<template>
  <VDialog v-model="open" max-width="820">
    <VCard class="pane">
      <h2>{{ model ? `Measure ${model.name}` : 'Measure a shell' }}</h2>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <div class="two">
        <form class="form" @submit.prevent="step === ASK.length - 1 ? keep() : go(step + 1)">
          <template v-if="step === -1">
            <p class="small muted">
              What lies in it and what the wall allows. Without a liner leave its thickness empty;
              what nobody knows stays empty too, and then no work is counted on.
            </p>
            <div class="build">
              <label v-for="(b, i) in BUILD" :key="b.key"
                >{{ b.name
                }}<input
                  :ref="i === 0 ? 'field' : undefined"
                  v-model="build[b.key]"
                  class="field"
                  inputmode="decimal"
              /></label>
            </div>
            <label class="line"
              ><input v-model="whole" type="checkbox" /> whole shells: a size and the half above it
              share one</label
            >
          </template>
          <template v-else-if="!ask">
            <label
              >Maker<input ref="field" v-model="head.maker" class="field" maxlength="80"
            /></label>
            <label>Model<input v-model="head.name" class="field" maxlength="80" /></label>
            <label
              >Family<select v-model="head.family" class="field">
                <option v-for="f in FAMILIES" :key="f" :value="f">
                  {{ FAMILY_RULES[f].name }}
                </option>
              </select></label
            >
            <label
              >Size that is measured, mm<input
                v-model="head.reference"
                class="field"
                inputmode="decimal"
            /></label>
            <label
              >All its sizes, mm<input
                v-model="head.sizes"
                class="field"
                placeholder="255 260 265 270"
            /></label>
          </template>
          <template v-else>
            <p class="small muted">{{ step + 1 }} of {{ ASK.length }}, size {{ head.reference }}</p>
            <h3>{{ ask.name }}</h3>
            <p>{{ ask.how }}</p>
            <label
              ><span class="sr">{{ ask.name }}, mm</span
              ><span class="mm"
                ><input
                  ref="field"
                  v-model="typed[ask.key]"
                  class="field big"
                  inputmode="decimal"
                  :aria-label="`${ask.name}, mm`"
                /><b>mm</b></span
              ></label
            >
            <p class="small muted">
              Leave it empty when you cannot reach it: the station is then not compared.
            </p>
          </template>
          <div class="line">
            <VBtn v-if="step > -2" @click="go(step - 1)">Back</VBtn
            ><VBtn type="submit" color="primary" variant="flat">{{
              step === ASK.length - 1 ? 'Keep the shell' : 'Next'
            }}</VBtn
            ><VBtn v-if="step >= 0 && step < ASK.length - 1" @click="keep">Keep so far</VBtn
            ><VBtn variant="text" @click="open = false">Close</VBtn>
          </div>
        </form>
        <div class="draw"><ShellDrawing :at="ask?.key ?? 'lengthMm'" /></div>
      </div>
      <p v-for="c in made ? cautionsOf(made) : []" :key="c.column" class="small">
        <StatusMark kind="watch" :word="c.words" />
      </p>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 16px 18px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 18px;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.form label {
  font-size: 13px;
}
.build {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px 8px;
}
.build .field {
  height: 40px;
}
h3 {
  font-family: 'Bricolage Grotesque Variable', serif;
  font-size: 22px;
  line-height: 28px;
}
.mm {
  display: flex;
  gap: 10px;
  align-items: center;
}
.big {
  font-size: 28px;
  height: 60px;
  width: 170px;
  text-align: right;
}
.line {
  display: flex;
  gap: 8px;
  margin-top: auto;
  padding-top: 8px;
  flex-wrap: wrap;
}
.draw {
  background: var(--paper);
  border-radius: 6px;
  padding: 6px;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
