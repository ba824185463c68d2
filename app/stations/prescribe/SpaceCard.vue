<script setup lang="ts">
import { computed } from 'vue'
import type { SpacePlace } from '../../../core/device/space'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { roomOf } from '../../../core/footwear/room'
import type { Device } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/record/vocabulary'
import type { Shape } from '~/workers/device.worker'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'

/** Height the devices take against what the chosen footwear gives once its own insole is out. */
const { model, shapes, left, right } = defineProps<{ model: FootwearModel | undefined; shapes: Record<Side, Shape | null>; left: Device; right: Device }>()
const PLACES: { key: SpacePlace; name: string }[] = [{ key: 'heelMm', name: 'heel' }, { key: 'archMm', name: 'arch' }, { key: 'ballMm', name: 'ball' }, { key: 'toesMm', name: 'toes' }]
const room = computed(() => (model ? roomOf(model) : null))
const rows = computed(() =>
  SIDES.map((side) => ({
    side,
    kind: (side === 'left' ? left : right).kind,
    places: PLACES.map((p) => ({ ...p, needed: shapes[side]?.stackMm[p.key], left: room.value && shapes[side] ? room.value[p.key] - shapes[side]!.stackMm[p.key] : null })),
  })),
)
</script>

<template>
  <section class="card space" aria-label="Space in the footwear">
    <div class="card-head"><b>Space under the foot</b><span class="aside small">{{ model ? `${model.name}, insole out · estimate` : 'choose footwear in Match to see room' }}</span></div>
    <div v-for="row in rows" :key="row.side" class="row">
      <SideMark :side="row.side" word />
      <span v-if="row.kind === 'none'" class="muted">no device</span>
      <template v-else><span v-for="p in row.places" :key="p.key" class="cell"><span class="muted small">{{ p.name }}</span> <b>{{ p.needed?.toFixed(1) ?? '–' }}</b>
        <StatusMark v-if="p.left !== null" :kind="p.left < 0 ? 'stop' : p.left < 1 ? 'watch' : 'good'" :word="p.left < 0 ? `${(-p.left).toFixed(1)} too much` : `${p.left.toFixed(1)} left`" /></span></template>
    </div>
  </section>
</template>

<style scoped>
.space { flex: none; padding-bottom: 6px; }
.space .card-head { padding: 6px 12px; }
.row { display: grid; grid-template-columns: 60px repeat(4, 1fr); gap: 6px; padding: 5px 10px 0; align-items: center; }
.cell { line-height: 17px; }
.cell :deep(.status) { font-size: 12px; }
</style>
