<script setup lang="ts">
import { VApp } from 'vuetify/components'
</script>

<template>
  <VApp>
    <NuxtPage />
  </VApp>
</template>
