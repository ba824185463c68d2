<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn, VTextarea, VTextField } from 'vuetify/components'
import { shopBody, type Hours, type ShopState } from '../../shared/shopDetails'
import { api } from '~/browser/api'
import { readForm, typedText } from '~/browser/readForm'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useSession } from '~/stores/session'
import HoursFields from './HoursFields.vue'

/** The shop as its papers and codes say it: name, address, contact, tax number, initials, hours. */
const session = useSession()
const outbox = useOutbox()
const may = computed(() => session.may('shop.change'))
const name = ref('')
const FIELDS = [
  { key: 'phone', label: 'Telephone', most: 40 },
  { key: 'mail', label: 'Mail', most: 120 },
  { key: 'taxNumber', label: 'Tax number', most: 40 },
  { key: 'initials', label: 'Client codes begin with', most: 4 },
] as const
const typed = ref({ address: '', phone: '', mail: '', taxNumber: '', initials: '' })
const hours = ref<Hours>({})
const trouble = ref('')
const done = ref('')
const emit = defineEmits<{ kept: [] }>()

onMounted(async () => {
  try {
    const shop = await api<ShopState>('shop')
    name.value = shop.name
    for (const key of Object.keys(typed.value) as (keyof typeof typed.value)[])
      typed.value[key] = shop.details[key] ?? ''
    hours.value = shop.details.hours ?? {}
  } catch (error) {
    trouble.value = (error as Error).message
  }
})
const form = computed(() => {
  const { address, phone, mail, taxNumber, initials } = typed.value
  return readForm(shopBody, {
    name: name.value,
    details: {
      address: typedText(address),
      phone: typedText(phone),
      mail: typedText(mail),
      taxNumber: typedText(taxNumber),
      initials: typedText(initials.toUpperCase()),
      ...(Object.keys(hours.value).length > 0 && { hours: hours.value }),
    },
  })
})
const wrong = (key: string) => form.value.troubles[`details.${key}`]
const hoursTrouble = computed(
  () =>
    Object.entries(form.value.troubles).find(([path]) => path.startsWith('details.hours'))?.[1] ??
    '',
)
async function keep() {
  trouble.value = done.value = ''
  try {
    const kept = await outbox.write({
      method: 'PUT',
      path: 'shop',
      body: form.value.value,
      words: 'the shop’s name and address',
    })
    done.value = 'waits' in kept ? KEPT_HERE : 'Kept. Papers say so from now on.'
    await session.refresh()
    emit('kept')
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
</script>

<template>
  <form class="cols two" @submit.prevent="keep">
    <section class="card scroll card-body form" tabindex="0" role="region" aria-label="Shop">
      <VTextField
        v-model="name"
        label="Name of the shop"
        maxlength="80"
        :disabled="!may"
        :error-messages="form.troubles.name"
      />
      <VTextarea
        v-model="typed.address"
        label="Address"
        rows="2"
        maxlength="300"
        :disabled="!may"
      />
      <div class="grid">
        <VTextField
          v-for="f in FIELDS"
          :key="f.key"
          v-model="typed[f.key]"
          :label="f.label"
          :maxlength="f.most"
          :disabled="!may"
          :error-messages="wrong(f.key)"
        />
      </div>
      <p class="small muted">
        Client codes count on under these initials: codes that clients have stay theirs.
      </p>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-else-if="done" class="notice" role="status">{{ done }}</p>
      <div v-if="may">
        <VBtn type="submit" color="primary" variant="flat" :disabled="!form.value">Keep</VBtn>
      </div>
      <p v-else class="notice">The owner changes these; you can read them.</p>
    </section>
    <section class="card scroll card-body" tabindex="0" role="region" aria-label="Opening hours">
      <h2>Open</h2>
      <HoursFields :hours="hours" of="open" :disabled="!may" @change="(next) => (hours = next)" />
      <p v-if="hoursTrouble" class="stop-text small" role="alert">{{ hoursTrouble }}</p>
    </section>
  </form>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) minmax(320px, 460px);
}
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px 14px;
  align-items: start;
}
</style>
