<script setup lang="ts">
import { FAMILY_KINDS } from '../../core/kinds/families/all'
import { computed, ref } from 'vue'
import { VBtn, VDataTable, VTextField } from 'vuetify/components'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { sizeWords } from '../../core/footwear/reasons'
import { packOutWords } from '../../core/followup/learnedPackOut'
import { biasWords } from '../../core/footwear/learnedBias'
import { catalogueCautions, writeCatalogueCsv } from '../../core/formats/catalogueCsv'
import { download } from '~/browser/download'
import { readHere } from '~/composables/readHere'
import { useModels } from '~/stores/models'
import { useSession } from '~/stores/session'
import AmountStepper from '~/components/AmountStepper.vue'
import AppHeader from '~/components/AppHeader.vue'
import ImportCatalogue from '~/components/ImportCatalogue.vue'
import ModelDetails from '~/components/ModelDetails.vue'
import MeasureShell from '~/components/MeasureShell.vue'
import StatusMark from '~/components/StatusMark.vue'
import PlainButton from '~/components/PlainButton.vue'
import { useOutbox } from '~/stores/outbox'

/**
 * The shop's footwear: what is known of each model's inside, stock by size, what shell checks
 * taught; import, export, measuring.
 */
const models = useModels()
const session = useSession()
const trouble = ref('')
const done = ref('')
const search = ref('')
const looking = ref('')
const importing = ref(false)
const measuring = ref<'new' | 'this' | null>(null)
const load = (again = true) =>
  models
    .load(again)
    .then(() => models.countShelf())
    .catch((error: Error) => (trouble.value = error.message))
readHere(() => load())
const HEADERS = [
  { title: 'Model', key: 'name' },
  { title: 'Maker', key: 'maker' },
  { title: 'Family', key: 'family' },
  { title: 'Sizes', key: 'sizes' },
  { title: 'Length', key: 'length', align: 'end' as const },
  { title: 'Ball', key: 'ball', align: 'end' as const },
  { title: 'Shelf', key: 'shelf', align: 'end' as const },
  { title: 'Price', key: 'price', align: 'end' as const },
]
const rows = computed(() =>
  models.models.map((m) => ({
    id: m.id,
    name: m.name,
    maker: m.maker,
    family: FAMILY_KINDS.of(m.family).plural,
    sizes: `${sizeWords(Math.min(...m.sizesMm))} – ${sizeWords(Math.max(...m.sizesMm))}`,
    length: m.at.lengthMm ?? null,
    ball: m.at.ballWidthMm ?? m.lastWidthMm ?? null,
    shelf: Object.values(m.stock).reduce((a, b) => a + b, 0),
    price: m.price,
  })),
)
const m = computed(() => models.byId(looking.value))
const bias = computed(() => models.learned[looking.value])
const NAMES: Record<string, string> = {
  lengthMm: 'length',
  toeBoxWidthMm: 'toe box width',
  toeBoxHeightMm: 'toe box height',
  ballWidthMm: 'ball width',
  ballHeightMm: 'ball height',
  waistGirthMm: 'waist girth',
  instepHeightMm: 'instep height',
  instepGirthMm: 'instep girth',
  heelWidthMm: 'heel width',
  heelInstepGirthMm: 'heel–instep girth',
  ankleWidthMm: 'ankle width',
  ankleHeightMm: 'ankle pocket height',
  cuffGirthMm: 'cuff girth',
  cuffHeightMm: 'cuff height',
  fifthToeRoomMm: 'room, fifth toe',
  fifthMetRoomMm: 'room, fifth met',
  firstMetRoomMm: 'room, first met',
  navicularRoomMm: 'room, navicular',
}
async function act(task: () => Promise<unknown>, words: string) {
  trouble.value = ''
  try {
    await task()
    done.value = words
    await load()
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const outbox = useOutbox()
const write = (what: 'stock' | 'measured' | 'details' | 'remove', body: object) =>
  outbox.write({
    method: 'POST',
    path: `models/${what}`,
    body,
    words: `catalogue: ${'name' in body ? String(body.name) : (m.value?.name ?? what)}`,
  })
const stock = (sizeMm: number, count: number) =>
  act(
    () => write('stock', { model: looking.value, sizeMm, count }),
    `${m.value?.name} ${sizeWords(sizeMm)}: ${count} on the shelf`,
  )
const keep = (model: FootwearModel) =>
  act(async () => {
    await write('measured', model)
    looking.value = model.id
  }, `${model.name} kept`)
const detailing = ref(false)
const keepDetails = (model: FootwearModel) =>
  act(() => write('details', model), `${model.name} kept`)
async function remove() {
  const name = m.value?.name
  await act(() => write('remove', { model: looking.value }), `${name} taken out of the catalogue`)
  looking.value = ''
}
const csv = () => download('catalogue.csv', writeCatalogueCsv(models.models), 'text/csv')
const json = () =>
  download(
    'catalogue.json',
    JSON.stringify({ format: 'gentle-arch/catalogue', version: 1, models: models.models }, null, 2),
    'application/json',
  )
function measureNew() {
  looking.value = ''
  measuring.value = 'new'
}
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Catalogue" fact="footwear of this shop" />
    <main class="main">
      <div class="title-row">
        <h1>Catalogue</h1>
        <span class="fact"
          >{{ models.models.length }} models of
          {{ new Set(models.models.map((x) => x.maker)).size }} makers</span
        >
        <VTextField
          v-model="search"
          class="find"
          type="search"
          placeholder="find a model"
          aria-label="Find a model"
        />
        <VBtn :disabled="!models.models.length" @click="csv">Export CSV</VBtn
        ><VBtn :disabled="!models.models.length" @click="json">Export JSON</VBtn>
        <VBtn v-if="session.may('models.change')" @click="importing = true">Import</VBtn
        ><VBtn
          v-if="session.may('models.measure')"
          color="primary"
          variant="flat"
          @click="measureNew"
          >Measure a shell</VBtn
        >
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-if="done" class="small good-text" role="status">{{ done }}</p>
      <div class="cols two">
        <section class="card scroll" tabindex="0" aria-label="Models">
          <VDataTable
            :headers="HEADERS"
            :items="rows"
            :search="search"
            items-per-page="25"
            density="compact"
            hover
          >
            <template #[`item.name`]="{ item }"
              ><PlainButton
                class="name"
                :aria-pressed="looking === item.id"
                @click="looking = item.id"
              >
                {{ item.name }}
              </PlainButton></template
            >
            <template #[`item.length`]="{ item }"
              ><span v-if="item.length !== null">{{ item.length }} mm</span
              ><StatusMark v-else kind="watch" word="not known"
            /></template>
            <template #[`item.ball`]="{ item }">{{
              item.ball === null ? '–' : `${item.ball} mm`
            }}</template>
            <template #no-data
              ><p class="muted none">
                The catalogue is empty. Import a file, or measure a shell.
              </p></template
            ></VDataTable
          >
        </section>
        <section v-if="m" class="card scroll one" tabindex="0" aria-label="This model">
          <div class="card-head">
            <b class="strong">{{ m.name }}</b><span class="aside small"
              >{{ m.maker }} · {{ FAMILY_KINDS.of(m.family).name }}</span
            >
          </div>
          <div class="card-body">
            <p class="small">
              {{
                m.measured
                  ? `Measured here${m.measured.by ? ` by ${m.measured.by}` : ''}${m.measured.on ? `, ${m.measured.on}` : ''}`
                  : 'As the maker states'
              }}
              ·
              {{
                m.shellStep === 'whole'
                  ? `whole shells, pairing ${m.pairing}`
                  : 'a shell each half size'
              }}
              · grade a step: length {{ m.grade.lengthMm }}, widths {{ m.grade.widthMm }}, heights
              {{ m.grade.heightMm }}, girths {{ m.grade.girthMm }} mm
            </p>
            <p class="small">{{ bias ? biasWords(bias) : 'no shell checks yet' }}</p>
            <p v-if="models.packs[m.id]" class="small">
              {{ packOutWords(m, models.packs[m.id]!) }}
            </p>
            <p v-if="bias?.bent" class="small">knee bent: {{ biasWords(bias.bent) }}</p>
            <p v-for="c in catalogueCautions(m)" :key="c.column" class="small">
              <StatusMark kind="watch" :word="c.words" />
            </p>
            <h3>On the shelf</h3>
            <div class="stock">
              <div v-for="s in m.sizesMm" :key="s" class="size">
                <b>{{ sizeWords(s) }}</b><AmountStepper
                  :value="m.stock[String(s)] ?? 0"
                  unit=""
                  :step="1"
                  :min="0"
                  :max="99"
                  :start="1"
                  :label="`${sizeWords(s)} on the shelf`"
                  :disabled="!session.may('models.stock')"
                  @keep="(v: number) => stock(s, v)"
                /><span v-if="models.reserved[m.id]?.[String(s)]" class="small muted"
                  >{{ models.reserved[m.id]![String(s)]!.length }} chosen, not handed over</span
                ><span v-if="models.elsewhereWords(m.id, s)" class="small muted">{{
                  models.elsewhereWords(m.id, s)
                }}</span>
              </div>
            </div>
            <h3>Inside at {{ sizeWords(m.referenceMm) }}, bare, mm</h3>
            <dl class="inside">
              <template v-for="(name, key) in NAMES" :key="key"
                ><dt>{{ name }}</dt>
                <dd>{{ m.at[key as keyof typeof m.at] ?? '–' }}</dd></template
              >
              <dt>liner toe, ball, instep, ankle, heel</dt>
              <dd>
                {{ Object.values(m.liner.thicknessMm).join(' / ') }}, packs out
                {{ Math.round(m.liner.packOut * 100) }} %{{
                  m.liner.mouldable ? ', mouldable' : ''
                }}
              </dd>
              <dt>insole, boot board</dt>
              <dd>
                {{ m.insoleMm }}; gives {{ m.bootBoard.grindableMm }}, ramp
                {{ m.bootBoard.rampDeg }}°
              </dd>
              <dt>wall</dt>
              <dd>
                {{ m.plastic.name ?? '' }} stretches {{ m.plastic.stretchMm }}, to
                {{ m.plastic.limitC }} °C, {{ m.plastic.wallMm }} thick, least
                {{ m.plastic.minWallMm }}
              </dd>
              <dt>flex, cuff lean, sole</dt>
              <dd>
                {{ m.flex?.index ?? '–' }}, {{ m.cuffLeanDeg ?? '–' }}°, {{ m.soleNorm ?? '–' }}
              </dd>
            </dl>
            <div v-if="session.may('models.measure')" class="line">
              <VBtn @click="measuring = 'this'">Measure it again</VBtn
              ><VBtn v-if="session.may('models.change')" @click="detailing = true">Details</VBtn
              ><VBtn v-if="session.may('models.change')" variant="text" @click="remove"
                >Take out of the catalogue</VBtn
              >
            </div>
          </div>
        </section>
        <p v-else class="muted none">Choose a model to see its inside and to count its shelf.</p>
      </div>
      <ImportCatalogue
        v-model="importing"
        :known="models.models"
        @done="
          (n: number) => {
            done = `${n} models kept`
            load()
          }
        "
      />
      <ModelDetails v-if="m" v-model="detailing" :model="m" @keep="keepDetails" />
      <MeasureShell
        :model-value="measuring !== null"
        :model="measuring === 'this' ? m : null"
        :by="session.person?.name ?? ''"
        :known="models.models"
        @update:model-value="(v: boolean) => !v && (measuring = null)"
        @keep="keep"
      />
    </main>
  </div>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) minmax(0, 400px);
}
.find {
  width: 180px;
}
.name {
  min-height: 36px;
  font-weight: 600;
  color: var(--spruce);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.name[aria-pressed='true'] {
  color: var(--ink);
}
.none {
  padding: 14px 16px;
}
h3 {
  font-weight: 600;
  padding: 10px 0 4px;
}
.stock {
  display: grid;
  grid-template-columns: repeat(2, 1fr);
  gap: 6px 12px;
}
.size {
  display: grid;
  grid-template-columns: 44px 1fr;
  align-items: center;
}
.two :deep(td) {
  white-space: nowrap;
}
.inside {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 2px 10px;
  font-size: 13px;
}
.inside dt {
  color: var(--muted);
}
.inside dd {
  margin: 0;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 10px;
}
</style>
