<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { inTurn } from '~/browser/inTurn'

/**
 * A piece of a station that is drawn in a task of its own, once its station stands: opening one
 * never holds the page for long.
 */
const here = ref(false)
let takeBack = () => {}
onMounted(() => (takeBack = inTurn(() => (here.value = true))))
onBeforeUnmount(() => takeBack())
</script>

<template><slot v-if="here" /></template>
