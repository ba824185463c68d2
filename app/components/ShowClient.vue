<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components'
import { clientPicture } from '../../core/followup/clientPicture'
import { PLACES } from '../../core/kinds/places'
import { SIDES, type Side } from '../../core/tables/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'
import { useFitting } from '~/stores/fitting'

/**
 * A picture for the client on one page: the two feet, what was found, what it means, what is
 * proposed and what else could be done.
 */
const open = defineModel<boolean>({ required: true })
const fitting = useFitting()
const picture = computed(() => clientPicture(fitting.record, fitting.today))
const soles = {
  left: useSole(() => fitting.record, 'left'),
  right: useSole(() => fitting.record, 'right'),
}
const tall = computed(() => Math.max(soles.left.value.lengthMm, soles.right.value.lengthMm))
const first = computed(() => (fitting.client?.details.name ?? '').split(/\s+/)[0] ?? '')
const spots = (side: Side) =>
  (fitting.record.story?.complaints ?? [])
    .filter((c) => c.foot === side && PLACES[c.at].spot)
    .map((c) => {
      const [x, y] = PLACES[c.at].spot!
      const { forefootWidthMm, lengthMm } = soles[side].value.parameters
      return {
        x: mirror(side) * x * (forefootWidthMm / 2),
        y: lengthMm * (1 - y),
        words: PLACES[c.at].plain,
      }
    })
const print = () => window.print()
useEventListener('keydown', (event) => {
  if (event.key === 'Escape') open.value = false
})
let before: HTMLElement | null = null
const back = ref<{ $el: HTMLElement } | null>(null)
onBeforeUnmount(() => document.documentElement.classList.remove('showing'))
watch(
  open,
  async (on) => {
    document.documentElement.classList.toggle('showing', on)
    if (!on) {
      before?.focus()
      return
    }
    before = document.activeElement as HTMLElement | null
    await nextTick()
    back.value?.$el.focus()
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="open" class="show" role="dialog" aria-modal="true" aria-label="For the client">
    <header>
      <h1>{{ first ? `${first}, these are your feet` : 'These are your feet' }}</h1>
      <span class="acts"
        ><VBtn size="large" @click="print">Print</VBtn
        ><VBtn ref="back" size="large" color="primary" variant="flat" @click="open = false"
          >Back to the bench</VBtn
        ></span
      >
    </header>
    <div class="page">
      <section class="feet">
        <figure v-for="side in SIDES" :key="side">
          <svg :viewBox="`-66 -6 132 ${tall + 12}`" role="img" :aria-label="`Your ${side} foot`">
            <g :transform="`translate(0 ${tall - soles[side].value.lengthMm})`">
              <path
                :d="soles[side].value.outline"
                :fill="HUES[side]"
                fill-opacity=".14"
                :stroke="HUES[side]"
                stroke-width="2"
              />
              <g v-for="s in spots(side)" :key="s.words">
                <circle
                  :cx="s.x"
                  :cy="s.y"
                  r="9"
                  fill="#FBF1DD"
                  stroke="#A86F0C"
                  stroke-width="1.6"
                />
              </g>
            </g>
          </svg>
          <figcaption>
            <b :style="{ color: HUES[side] }">{{ side === 'left' ? 'Left' : 'Right' }}</b>
            <span v-if="picture.feet[side].lengthMm"
              >{{ picture.feet[side].lengthMm!.toFixed(0) }} mm long<template
                v-if="picture.feet[side].widthMm"
                >, {{ picture.feet[side].widthMm!.toFixed(0) }} mm wide</template
              ></span
            ><span v-else>not measured yet</span>
            <span v-for="w in picture.feet[side].words" :key="w">{{ w }}</span>
          </figcaption>
        </figure>
      </section>
      <section class="say">
        <div>
          <h2>What we found</h2>
          <ul>
            <li v-if="picture.between">{{ picture.between }}</li>
            <li v-for="f in picture.found" :key="f">{{ f }}</li>
            <li v-if="!picture.between && picture.found.length === 0">Nothing unusual so far.</li>
          </ul>
        </div>
        <div v-if="picture.means.length">
          <h2>What it means</h2>
          <ul>
            <li v-for="m in picture.means" :key="m">{{ m }}</li>
          </ul>
        </div>
        <div v-if="picture.hurts.length">
          <h2>What you told us</h2>
          <ul>
            <li v-for="h in picture.hurts" :key="h.side + h.words">
              {{ h.side === 'left' ? 'Left' : 'Right' }} foot, {{ h.words
              }}<template v-if="h.score !== null">: {{ h.score }} of 10</template>
            </li>
          </ul>
        </div>
        <div v-if="picture.proposed.length">
          <h2>{{ picture.isDecided ? 'What we propose' : 'What could be done' }}</h2>
          <ul>
            <li v-for="p in picture.proposed" :key="p">{{ p }}</li>
          </ul>
        </div>
        <div v-if="picture.takes.length">
          <h2>What it takes</h2>
          <ul>
            <li v-for="t in picture.takes" :key="t">{{ t }}</li>
          </ul>
        </div>
        <div v-if="picture.instead.length">
          <h2>What else could be done</h2>
          <ul>
            <li v-for="p in picture.instead" :key="p">{{ p }}</li>
          </ul>
        </div>
        <p class="foot">
          You decide. This supports; it does not diagnose. Rules for care where you live come first.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.show {
  position: fixed;
  inset: 0;
  z-index: 200;
  background: var(--paper);
  display: flex;
  flex-direction: column;
  padding: 20px 28px;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 16px;
}
header h1 {
  font-size: 34px;
  line-height: 40px;
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 10px;
}
.page {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
  gap: 36px;
  min-height: 0;
}
.feet {
  display: flex;
  gap: 20px;
  justify-content: center;
  min-height: 0;
}
figure {
  margin: 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  min-height: 0;
  flex: 1;
}
figure svg {
  flex: 1;
  min-height: 200px;
  max-width: 100%;
}
figcaption {
  text-align: center;
  font-size: 19px;
  line-height: 25px;
  padding-top: 6px;
}
figcaption b {
  display: block;
  font-size: 22px;
}
figcaption span {
  display: block;
}
.say {
  display: flex;
  flex-direction: column;
  gap: 16px;
  padding-top: 12px;
}
.say h2 {
  font-size: 23px;
  line-height: 28px;
}
.say ul {
  list-style: disc;
  padding-left: 24px;
}
.say li {
  font-size: 20px;
  line-height: 29px;
}
.foot {
  font-size: 16px;
  color: var(--muted);
  margin-top: auto;
}
@media (max-width: 760px) {
  .page {
    grid-template-columns: 1fr;
  }
  header {
    flex-wrap: wrap;
  }
}
@media print {
  .show {
    position: static;
    background: #fff;
    padding: 0;
    overflow: visible;
  }
  .acts {
    display: none;
  }
  .page {
    min-height: 0;
  }
  figure svg {
    max-height: 150mm;
  }
}
</style>
