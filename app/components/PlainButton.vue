<script setup lang="ts">
import { VBtn } from 'vuetify/components'

/**
 * Vuetify's button without a face of its own: a row, a drawing or a word that can be pressed looks
 * like what stands in it. What it takes off stands in `vuetify.css` under `.plain-button`, with no
 * weight, so that the component that uses it can dress it.
 */
</script>

<template>
  <VBtn variant="text" class="plain-button"><slot /></VBtn>
</template>
