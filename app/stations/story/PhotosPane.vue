<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { VBtn } from 'vuetify/components'
import type { PhotoRow } from '../../../shared/contracts'
import { api } from '~/browser/api'
import { useFitting } from '~/stores/fitting'
import PlainButton from '~/components/PlainButton.vue'
import FileField from '~/components/FileField.vue'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'

/** Photographs of the old footwear: written anew on the server, without the camera's own data. */
const fitting = useFitting()
const photos = ref<PhotoRow[]>([])
const trouble = ref('')
const busy = ref(false)
const field = ref<InstanceType<typeof FileField> | null>(null)
const MOST_BYTES = 8_000_000
const outbox = useOutbox()
const path = `fittings/${fitting.id}/photos`
const load = async () => (photos.value = (await api<{ photos: PhotoRow[] }>(path)).photos)
onMounted(() => load().catch((error: Error) => (trouble.value = error.message)))
async function add(files: File[]) {
  trouble.value = ''
  busy.value = true
  for (const file of files) {
    try {
      if (file.size > MOST_BYTES)
        throw new Error(`${file.name} is larger than 8 MB. Take a smaller picture.`)
      const body = { words: '', data: await base64(file) }
      const words = `photograph ${file.name}`
      const done = await outbox.write({ method: 'POST', path, body, words })
      if ('waits' in done) trouble.value = KEPT_HERE
    } catch (error) {
      trouble.value = `${file.name}: ${(error as Error).message}`
    }
  }
  await load().catch(() => undefined)
  busy.value = false
}
const base64 = (file: File) =>
  new Promise<string>((done, fail) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result).split(',')[1] ?? '')
    reader.onerror = () => fail(new Error('This file cannot be read.'))
    reader.readAsDataURL(file)
  })
async function drop(id: string) {
  await outbox
    .write({ method: 'DELETE', path: `photos/${id}`, body: {}, words: 'photograph taken out' })
    .catch((error: Error) => (trouble.value = error.message))
  await load().catch(() => undefined)
}
</script>

<template>
  <div class="photos">
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <div class="grid">
      <figure v-for="p in photos" :key="p.id">
        <img
          :src="`/api/photos/${p.id}`"
          :alt="`Old footwear, ${p.width} by ${p.height}`"
          loading="lazy"
        /><PlainButton
          v-if="!fitting.readOnly"
          class="x"
          :aria-label="'Take this photograph out'"
          @click="drop(p.id)"
        >
          ×
        </PlainButton>
      </figure>
      <VBtn :disabled="fitting.readOnly || busy || photos.length >= 8" @click="field?.open()">{{
        busy ? 'Storing …' : 'Add photographs'
      }}</VBtn>
    </div>
    <p class="muted small">
      Soles, heels, insoles of what is worn now. No faces. At most 8, kept at 1600 px without place
      or camera.
    </p>
    <FileField
      ref="field"
      label="Photographs of old footwear"
      accept="image/jpeg,image/png,image/webp"
      multiple
      hidden
      @files="add"
    />
  </div>
</template>

<style scoped>
.photos {
  padding: 12px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  overflow: auto;
}
.grid {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
figure {
  margin: 0;
  position: relative;
}
img {
  width: 132px;
  height: 100px;
  object-fit: cover;
  border-radius: 6px;
  border: 1px solid var(--hairline);
  display: block;
}
.x {
  position: absolute;
  top: 4px;
  right: 4px;
  width: 32px;
  height: 32px;
  background: var(--sheet);
  border-radius: 50%;
  text-align: center;
  font-size: 18px;
}
</style>
