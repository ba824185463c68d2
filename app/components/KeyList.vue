<script setup lang="ts">
import { VBtn, VCard, VDialog } from 'vuetify/components'

const open = defineModel<boolean>({ required: true })
const KEYS = [
  ['1 – 9', 'go to station'],
  ['0', 'Today'],
  ['/', 'call-out line'],
  ['Enter', 'keep what was heard'],
  ['Esc', 'clear the line, then leave it'],
  ['U', 'take back the last kept value'],
  ['N  P', 'next, previous reading'],
  ['[  ]', 'left, right foot'],
  ['=', 'copy left to right'],
  ['W', 'first open item in Why'],
  ['A  S', 'accept, set aside it'],
  ['V', 'show the client'],
  ['B', 'bench day'],
  ['?', 'this list'],
]
</script>

<template>
  <VDialog v-model="open">
    <VCard class="keys">
      <h2>Keys</h2>
      <p class="muted small">Single letters work while no field has focus.</p>
      <dl>
        <template v-for="[k, does] in KEYS" :key="k"
          ><dt>
            <span class="kbd">{{ k }}</span>
          </dt>
          <dd>{{ does }}</dd></template
        >
      </dl>
      <VBtn @click="open = false">Close</VBtn>
    </VCard>
  </VDialog>
</template>

<style scoped>
.keys {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 8px 12px;
  margin: 0;
}
dd {
  margin: 0;
}
</style>
