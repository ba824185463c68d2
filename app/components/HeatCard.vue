<script setup lang="ts">
import { onMounted } from 'vue'
import { VBtn } from 'vuetify/components'
import HeatCurve from '~/drawing/HeatCurve.vue'
import { useHeat } from '~/stores/heat'

/** The heat of one piece beside its step: the curve of its log, or a way to begin one. */
const {
  window: windowId,
  fittingId,
  name,
  may,
} = defineProps<{ window: string; fittingId: string; name: string; may: boolean }>()
const heat = useHeat()
onMounted(() => heat.load())
const log = () => heat.logs.find((l) => l.fittingId === fittingId && !l.stoppedAt)
async function begin() {
  const id = await heat.start({
    name: name.slice(0, 80),
    apparatus: heat.apparatusOf(windowId),
    window: windowId,
    fittingId,
  })
  if (id) heat.listen(id)
}
</script>

<template>
  <section class="card">
    <div class="card-head">
      <h2>{{ heat.windowOf(windowId)?.name ?? 'Heat' }}</h2>
      <span class="aside label"
        >{{ heat.windowOf(windowId)?.lowC }}–{{ heat.windowOf(windowId)?.highC }} °C</span
      >
    </div>
    <div class="card-body">
      <p v-if="heat.trouble" class="small stop-text" role="alert">{{ heat.trouble }}</p>
      <HeatCurve
        v-if="log()"
        :log="log()!"
        :window="heat.windowOf(windowId) ?? null"
        :prior="heat.priorOf(log()!.apparatus)"
        :height="230"
        :w="350"
      />
      <p v-else class="muted">No log of this piece yet.</p>
      <p class="line">
        <VBtn v-if="!log() && may" height="56" @click="begin">Log with the probe</VBtn
        ><template v-else-if="log() && may"
          ><VBtn v-if="!heat.listening(log()!.id)" height="56" @click="heat.listen(log()!.id)"
            >Probe on</VBtn
          ><VBtn v-else height="56" @click="heat.quiet(log()!.id)">Probe off</VBtn
          ><VBtn height="56" @click="heat.stop(log()!.id)">Out of the heat</VBtn></template
        ><NuxtLink to="/heat">All heat</NuxtLink>
      </p>
    </div>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 8px;
}
</style>
