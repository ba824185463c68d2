<script setup lang="ts">
import { computed, ref } from 'vue'
import StatusMark from './StatusMark.vue'
import { useFitting } from '~/stores/fitting'
import PlainButton from './PlainButton.vue'

/**
 * Cautions that follow the client through every station: one line, all of them at a tap. What is
 * still to be asked stands in the ledger before anything is made, and here once it is.
 */
const { making } = defineProps<{ making: boolean }>()
const fitting = useFitting()
const open = ref(false)
const cautions = computed(() => fitting.cautions.filter((c) => making || !c.asks))
</script>

<template>
  <div v-if="cautions.length" class="strip" :class="cautions[0]!.kind">
    <PlainButton class="line" :aria-expanded="open" @click="open = !open">
      <StatusMark
        :kind="cautions[0]!.kind"
        :word="cautions[0]!.kind === 'stop' ? 'Stop' : 'Mind'"
      /><span class="ellipsis">{{ cautions[0]!.words }}</span
      ><b v-if="cautions.length > 1" class="more">{{
        open ? 'less' : `${cautions.length - 1} more`
      }}</b>
    </PlainButton>
    <ul v-if="open">
      <li v-for="c in cautions" :key="c.code">
        <StatusMark :kind="c.kind" :word="c.kind === 'stop' ? 'Stop' : 'Mind'" /><span>{{
          c.words
        }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.strip {
  border: 1px solid var(--watch);
  background: var(--watch-tint);
  border-radius: 6px;
  flex: none;
}
.strip.stop {
  border-color: var(--stop);
  background: var(--stop-tint);
}
.line {
  display: flex;
  width: 100%;
  gap: 8px;
  align-items: center;
  min-height: 36px;
  padding: 4px 12px;
}
.line .ellipsis {
  flex: 1;
  min-width: 0;
  font-size: 13.5px;
}
.more {
  flex: none;
  text-decoration: underline;
  font-size: 13px;
}
ul {
  padding: 0 12px 8px;
  display: grid;
  gap: 4px;
}
li {
  display: flex;
  gap: 8px;
  font-size: 13.5px;
  align-items: baseline;
}
</style>
