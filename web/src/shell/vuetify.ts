import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

const light = {
  background: '#f4f1ea',
  surface: '#fcfaf6',
  'surface-variant': '#e7e2d6',
  'on-surface-variant': '#23313c',
  'on-background': '#23313c',
  'on-surface': '#23313c',
  primary: '#1b625e',
  secondary: '#54626d',
  error: '#973525',
  warning: '#7d5200',
  success: '#2c653c',
}

const dark = {
  background: '#141b20',
  surface: '#1c252b',
  'surface-variant': '#2b363d',
  'on-surface-variant': '#e9e4d9',
  'on-background': '#e9e4d9',
  'on-surface': '#e9e4d9',
  primary: '#7cc4bc',
  secondary: '#a7b2ba',
  error: '#eb9a8b',
  warning: '#e2b867',
  success: '#98cfa5',
}

export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    defaultTheme: window.localStorage.getItem('palegate-theme') ?? 'system',
    themes: { light: { dark: false, colors: light }, dark: { dark: true, colors: dark } },
  },
  defaults: {
    VBtn: { variant: 'outlined', rounded: 'sm', ripple: false, class: 'pg-button' },
    VTextField: { variant: 'outlined', density: 'compact', color: 'primary', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', density: 'compact', color: 'primary', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', color: 'primary', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'compact', color: 'primary', hideDetails: 'auto' },
    VCheckbox: { density: 'compact', color: 'primary', hideDetails: 'auto' },
    VRadioGroup: { density: 'compact', color: 'primary', hideDetails: 'auto' },
  },
})
