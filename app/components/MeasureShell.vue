<script setup lang="ts">
import { FAMILIES, FAMILY_KINDS } from '../../core/kinds/families/all'
import { format } from 'date-fns'
import { computed, nextTick, ref, watch } from 'vue'
import { VBtn, VCard, VCheckboxBtn, VDialog, VSelect, VTextField } from 'vuetify/components'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import {
  BUILD_MEASURES,
  measuredShell,
  SHELL_ROUND,
  shellForm,
  shellTroubles,
  type ShellForm,
} from '../../core/footwear/measuredShell'
import { catalogueCautions } from '../../core/formats/catalogueCsv'
import { Refusal } from '../../core/record/refusal'
import ShellDrawing from './ShellDrawing.vue'
import StatusMark from './StatusMark.vue'
import { choicesOf } from '~/browser/choices'

/**
 * Measuring a shell of the shop: which model, then station by station with a drawing of where;
 * Enter goes on, what is not known stays empty.
 */
const {
  model = null,
  by,
  known = [],
} = defineProps<{ model?: FootwearModel | null; by: string; known?: readonly FootwearModel[] }>()
const emit = defineEmits<{ keep: [FootwearModel] }>()
const open = defineModel<boolean>({ required: true })
/** Steps: −2 which model, −1 what is in it, then one station after the other. */
const FIRST_STEP = -2
const form = ref<ShellForm>(shellForm(null))
const step = ref(FIRST_STEP)
const trouble = ref('')
const field = ref<HTMLInputElement | null>(null)
function begin() {
  form.value = shellForm(model)
  step.value = FIRST_STEP
  trouble.value = ''
}
watch(open, (is) => is && begin(), { immediate: true })
const ask = computed(() => SHELL_ROUND[step.value])
const isLast = computed(() => step.value === SHELL_ROUND.length - 1)
/** What is wrong with the step in hand; the others are looked at when it is kept. */
const wrongHere = computed(() => {
  const mine = (path: string) =>
    ask.value
      ? path === `at.${ask.value.key}`
      : step.value === -1
        ? path.startsWith('build.')
        : !path.includes('.')
  return shellTroubles(form.value).find(({ path }) => mine(path))
})
function go(to: number) {
  trouble.value = wrongHere.value?.words ?? ''
  if (trouble.value) return
  step.value = to
  void nextTick(() => field.value?.focus())
}
const submit = () => (isLast.value ? keep() : go(step.value + 1))
const measured = () => ({ by, on: format(new Date(), 'yyyy-MM-dd') })
const cautions = computed(() => {
  try {
    return catalogueCautions(measuredShell(form.value, model, measured(), known))
  } catch (error) {
    // Not a shell yet: what is missing is told where it is typed.
    if (!(error instanceof Refusal)) throw error
    return []
  }
})
function keep() {
  try {
    emit('keep', measuredShell(form.value, model, measured(), known))
    open.value = false
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    trouble.value = error.message
  }
}
const FAMILY_CHOICES = choicesOf(FAMILIES, (kind) => FAMILY_KINDS.of(kind).name)
</script>

<template>
  <VDialog v-model="open" max-width="820">
    <VCard class="pane">
      <h2>{{ model ? `Measure ${model.name}` : 'Measure a shell' }}</h2>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <div class="two">
        <form class="form" @submit.prevent="submit">
          <template v-if="step === -1">
            <p class="small muted">
              What lies in it and what the wall allows. Without a liner leave its thickness empty;
              what nobody knows stays empty too, and then no work is counted on.
            </p>
            <div class="build">
              <label v-for="(b, i) in BUILD_MEASURES" :key="b.key"
                >{{ b.name
                }}<VTextField
                  :ref="i === 0 ? 'field' : undefined"
                  v-model="form.build[b.key]"
                  inputmode="decimal"
              /></label>
            </div>
            <label class="line"
              ><VCheckboxBtn v-model="form.wholeShells" /> whole shells: a size and the half above
              it share one</label
            >
          </template>
          <template v-else-if="!ask">
            <label>Maker<VTextField ref="field" v-model="form.maker" maxlength="80" /></label>
            <label>Model<VTextField v-model="form.name" maxlength="80" /></label>
            <label>Family<VSelect v-model="form.family" :items="FAMILY_CHOICES" /></label>
            <label
              >Size that is measured, mm<VTextField v-model="form.referenceMm" inputmode="decimal"
            /></label>
            <label
              >All its sizes, mm<VTextField v-model="form.sizesMm" placeholder="255 260 265 270"
            /></label>
          </template>
          <template v-else>
            <p class="small muted">
              {{ step + 1 }} of {{ SHELL_ROUND.length }}, size {{ form.referenceMm }}
            </p>
            <h3>{{ ask.name }}</h3>
            <p>{{ ask.how }}</p>
            <label
              ><span class="sr">{{ ask.name }}, mm</span
              ><span class="mm"
                ><VTextField
                  ref="field"
                  v-model="form.at[ask.key]"
                  class="big"
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
              isLast ? 'Keep the shell' : 'Next'
            }}</VBtn
            ><VBtn v-if="ask && !isLast" @click="keep">Keep so far</VBtn
            ><VBtn variant="text" @click="open = false">Close</VBtn>
          </div>
        </form>
        <div class="draw"><ShellDrawing :at="ask?.key ?? 'lengthMm'" /></div>
      </div>
      <p v-for="c in cautions" :key="c.column" class="small">
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
.build .v-input {
  --v-input-control-height: 40px;
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
  --v-input-control-height: 60px;
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
