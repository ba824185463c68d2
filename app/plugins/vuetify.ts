import 'vuetify/styles/core'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** Vuetify in our colours; its shadows, capitals and ripples are off. */
export default defineNuxtPlugin((nuxtApp) => {
  nuxtApp.vueApp.use(
    createVuetify({
      icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
      theme: {
        // The page's own nonce lets Vuetify write its colours under our content security policy.
        cspNonce: document.querySelector<HTMLElement>('script[nonce]')?.nonce,
        defaultTheme: 'paper',
        themes: {
          paper: {
            dark: false,
            colors: {
              background: '#F5F1E8',
              surface: '#FFFDF8',
              primary: '#24564B',
              secondary: '#5F6E6B',
              error: '#A63A2B',
              warning: '#86570A',
              success: '#3E6A2F',
              info: '#24564B',
              'on-surface': '#22302E',
              'on-background': '#22302E',
              'on-primary': '#FFFDF8',
            },
            variables: { 'medium-emphasis-opacity': 0.8, 'high-emphasis-opacity': 1 },
          },
        },
      },
      defaults: {
        global: { ripple: false },
        VBtn: { variant: 'outlined', height: 44 },
        VTextField: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
        VTextarea: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
        VSelect: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
        VBtnToggle: { mandatory: true, density: 'comfortable' },
        VCheckbox: { hideDetails: true, color: 'primary', density: 'comfortable' },
        VDialog: { maxWidth: 560 },
      },
    }),
  )
})
