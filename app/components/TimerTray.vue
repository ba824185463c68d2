<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn, VMenu, VTextField } from 'vuetify/components'
import { leftWords } from '../../core/bench/timer'
import { ringOnce } from '~/browser/alarm'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'
import AmountStepper from './AmountStepper.vue'

/**
 * Timers of the bench in every header: the next to end, all of them on a tap, and an alarm on every
 * open device.
 */
const timers = useTimers()
const session = useSession()
const may = computed(() => session.may('jobs.change'))
onMounted(() => session.may('timers.see') && timers.listen())
watch(
  () => session.person?.id,
  (id) => (id && session.may('timers.see') ? timers.listen() : timers.quiet()),
)
const bell = useIntervalFn(ringOnce, 4000, { immediate: false, immediateCallback: true })
watch(
  () => timers.ringing.length > 0,
  (is) => (is ? bell.resume() : bell.pause()),
  { immediate: true },
)
const next = computed(
  () =>
    timers.timers
      .filter((t) => t.state === 'running')
      .sort((a, b) => timers.left(a) - timers.left(b))[0],
)
const name = ref('')
const minutes = ref(5)
async function start() {
  await timers.start(name.value.trim() || 'Timer', minutes.value)
  name.value = ''
}
</script>

<template>
  <VMenu v-if="session.person" :close-on-content-click="false">
    <template #activator="{ props }"
      ><VBtn
        v-bind="props"
        class="tray"
        :class="{ rings: timers.ringing.length }"
        :aria-label="next ? `Timers: ${next.name}, ${leftWords(timers.left(next))}` : 'Timers'"
        ><template v-if="next"
          ><span class="ellipsis nm">{{ next.name }}</span>
          <b>{{ leftWords(timers.left(next)) }}</b></template
        ><template v-else>Timers</template></VBtn
      ></template
    >
    <div class="card pop">
      <p v-if="timers.away" class="small watch-text" role="status">
        The server does not answer; times go on by this device.
      </p>
      <p v-if="timers.trouble" class="small stop-text" role="alert">{{ timers.trouble }}</p>
      <ul>
        <li v-for="t in timers.timers" :key="t.id" class="one">
          <span class="what"
            ><b>{{ t.name }}</b
            ><span class="small muted"
              >set to {{ t.plannedMin }} min{{ t.state === 'paused' ? ' · paused' : ''
              }}{{ t.by ? ` · ${t.by}` : '' }}</span
            ></span
          ><b class="time" :class="{ over: timers.left(t) <= 0 }">{{
            leftWords(timers.left(t))
          }}</b>
          <span v-if="may" class="btns"
            ><VBtn
              size="small"
              :aria-label="`${t.state === 'paused' ? 'Go on with' : 'Pause'} ${t.name}`"
              @click="timers.change(t.id, { do: t.state === 'paused' ? 'resume' : 'pause' })"
              >{{ t.state === 'paused' ? 'Go on' : 'Pause' }}</VBtn
            ><VBtn
              size="small"
              :aria-label="`One minute more for ${t.name}`"
              @click="timers.change(t.id, { do: 'extend', minutes: 1 })"
              >+ 1 min</VBtn
            ><VBtn
              size="small"
              :aria-label="`Stop ${t.name}`"
              @click="timers.change(t.id, { do: 'stop' })"
              >Stop</VBtn
            ></span
          >
        </li>
        <li v-if="timers.timers.length === 0" class="muted pad">No timer runs.</li>
      </ul>
      <form v-if="may" class="new" @submit.prevent="start">
        <VTextField
          v-model="name"
          maxlength="80"
          placeholder="what for"
          aria-label="Name of a new timer"
        /><AmountStepper
          :value="minutes"
          unit="min"
          :step="1"
          :min="0.1"
          :max="600"
          :start="5"
          label="Minutes of a new timer"
          @keep="(v: number) => (minutes = v)"
        /><VBtn type="submit" color="primary" variant="flat">Start</VBtn>
      </form>
    </div>
  </VMenu>
  <div v-if="timers.ringing.length" class="alarm" role="alertdialog" aria-label="Timer is over">
    <div v-for="t in timers.ringing" :key="t.id" class="ring">
      <b>{{ t.name }}</b><span class="time">{{ leftWords(timers.left(t)) }}</span
      ><template v-if="may"
        ><VBtn @click="timers.change(t.id, { do: 'extend', minutes: 1 })">1 min more</VBtn
        ><VBtn color="primary" variant="flat" @click="timers.change(t.id, { do: 'stop' })"
          >Done</VBtn
        ></template
      >
    </div>
  </div>
</template>

<style scoped>
.tray {
  max-width: 190px;
}
.tray .nm {
  max-width: 96px;
  display: inline-block;
  vertical-align: bottom;
  margin-right: 6px;
}
.tray.rings {
  background: var(--stop-tint);
  border-color: var(--stop);
  color: var(--stop);
}
.pop {
  width: 420px;
  max-width: 94vw;
  max-height: 70vh;
  overflow: auto;
  padding: 10px 12px;
}
.one {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--hairline);
  align-items: center;
}
.what {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.btns {
  grid-column: 1 / -1;
  display: flex;
  gap: 6px;
}
.time {
  font-size: 24px;
  line-height: 28px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
.over {
  color: var(--stop);
}
.new {
  display: grid;
  grid-template-columns: 1fr 140px auto;
  gap: 8px;
  padding-top: 10px;
}
.pad {
  padding: 8px 0;
}
.alarm {
  position: fixed;
  right: 16px;
  top: 88px;
  z-index: 3000;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.ring {
  display: flex;
  gap: 12px;
  align-items: center;
  background: var(--stop-tint);
  border: 2px solid var(--stop);
  border-radius: 6px;
  padding: 10px 14px;
}
.ring b {
  font-size: 18px;
}
</style>
