import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import type { VuetifyOptions } from 'vuetify'

const PAPER = {
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
}

const FIELD = { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' } as const

/**
 * Vuetify in our colours, borders and density, for the application and for tests of components;
 * its shadows, capitals and ripples are off. What a component looks like by default stands here and
 * in `vuetify.css`, nowhere else.
 *
 * @param cspNonce the page's own nonce, which lets Vuetify write its colours under our policy
 */
export const vuetifyOptions = (cspNonce?: string): VuetifyOptions => ({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: { cspNonce, defaultTheme: 'paper', themes: { paper: PAPER } },
  defaults: {
    global: { ripple: false },
    VBtn: { variant: 'outlined' },
    VTextField: FIELD,
    VTextarea: { ...FIELD, autoGrow: true, rows: 2 },
    VSelect: FIELD,
    VAutocomplete: FIELD,
    VCombobox: FIELD,
    VNumberInput: FIELD,
    VFileInput: FIELD,
    VBtnToggle: { mandatory: true, density: 'comfortable' },
    VCheckbox: { hideDetails: true, color: 'primary', density: 'comfortable' },
    VCheckboxBtn: { color: 'primary', density: 'compact' },
    VSwitch: { hideDetails: true, color: 'primary', density: 'comfortable', inset: true },
    VSlider: { hideDetails: true, color: 'primary' },
    VTable: { density: 'comfortable' },
    VDataTable: { density: 'comfortable', hideDefaultFooter: true, itemsPerPage: -1 },
    VTabs: { color: 'primary', density: 'comfortable' },
    VChip: { variant: 'outlined', rounded: 'sm' },
    VDialog: { maxWidth: 560 },
  },
})
