import 'vuetify/styles/core'
import { createVuetify } from 'vuetify'
import { vuetifyOptions } from '~/theme/vuetifyOptions'

export default defineNuxtPlugin((nuxtApp) => {
  const nonce = document.querySelector<HTMLElement>('script[nonce]')?.nonce
  nuxtApp.vueApp.use(createVuetify(vuetifyOptions(nonce)))
})
