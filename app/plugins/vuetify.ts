import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import 'vuetify/styles'

/**
 * Linen, oak and enamel by day; near-black and warm in the room. Meaning never rests on colour
 * alone.
 */
const desk = {
  dark: false,
  colors: {
    background: '#F5F1E8',
    surface: '#FFFDF9',
    'surface-variant': '#EADFCB',
    'on-surface-variant': '#3E342B',
    primary: '#1E6A66',
    'on-primary': '#FFFFFF',
    secondary: '#5A4430',
    'on-secondary': '#FFFFFF',
    error: '#8E1F3F',
    'on-error': '#FFFFFF',
    warning: '#8A5406',
    'on-warning': '#FFFFFF',
    success: '#4C7037',
    'on-success': '#FFFFFF',
    info: '#236A8A',
    'on-info': '#FFFFFF',
    'on-background': '#2B2621',
    'on-surface': '#2B2621',
  },
  variables: {
    'border-color': '#B79C78',
    'border-opacity': 0.55,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 0.82,
  },
}
const room = {
  dark: true,
  colors: {
    background: '#14100C',
    surface: '#1E1813',
    'surface-variant': '#352B22',
    'on-surface-variant': '#F5E8D3',
    primary: '#1F5C58',
    'on-primary': '#FFFFFF',
    secondary: '#C9AE86',
    'on-secondary': '#14100C',
    error: '#F3A38E',
    'on-error': '#2A0E0A',
    warning: '#F0C274',
    'on-warning': '#241700',
    success: '#A9C78F',
    'on-success': '#10190A',
    info: '#8CC4CF',
    'on-info': '#0B1A1E',
    'on-background': '#F8EBD6',
    'on-surface': '#F8EBD6',
  },
  variables: {
    'border-color': '#B79C78',
    'border-opacity': 0.4,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 0.8,
  },
}

export default defineNuxtPlugin((app) => {
  const vuetify = createVuetify({
    ssr: true,
    theme: { defaultTheme: 'desk', themes: { desk, room } },
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    defaults: {
      VBtn: { variant: 'flat', rounded: 'lg', class: 'text-none', height: 44 },
      VTextField: {
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
      },
      VTextarea: {
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
        autoGrow: true,
        rows: 2,
      },
      VSelect: {
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
      },
      VAutocomplete: {
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
      },
      VCard: { flat: true, rounded: 'lg' },
      VDialog: { maxWidth: 560 },
      VSwitch: { inset: true },
    },
  })
  app.vueApp.use(vuetify)
})
