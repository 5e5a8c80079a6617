import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import 'vuetify/styles'
import { DESK, ROOM } from '~/theme/colours'

const desk = {
  dark: false,
  colors: {
    ...DESK,
    background: DESK.linen,
    surface: DESK.paper,
    'surface-variant': DESK['linen-deep'],
    'on-surface-variant': DESK['ink-brown'],
    primary: DESK.basin,
    'on-primary': DESK.chalk,
    secondary: DESK['oak-deep'],
    'on-secondary': DESK.chalk,
    error: DESK.berry,
    'on-error': DESK.chalk,
    warning: DESK['amber-deep'],
    'on-warning': DESK.chalk,
    success: DESK['moss-deep'],
    'on-success': DESK.chalk,
    info: DESK.water,
    'on-info': DESK.chalk,
    'on-background': DESK.ink,
    'on-surface': DESK.ink,
  },
  variables: {
    'border-color': DESK['oak-light'],
    'border-opacity': 0.55,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 0.82,
  },
}
const room = {
  dark: true,
  colors: {
    ...ROOM,
    background: ROOM.night,
    surface: ROOM.hearth,
    'surface-variant': ROOM.bark,
    'on-surface-variant': ROOM.candle,
    primary: ROOM.enamel,
    'on-primary': ROOM.snow,
    secondary: ROOM['candle-dim'],
    'on-secondary': ROOM.night,
    error: ROOM.coal,
    'on-error': ROOM['coal-ink'],
    warning: ROOM.glow,
    'on-warning': ROOM.night,
    success: ROOM.leaf,
    'on-success': ROOM.night,
    info: ROOM['enamel-water'],
    'on-info': ROOM.night,
    'on-background': ROOM.candle,
    'on-surface': ROOM.candle,
  },
  variables: {
    'border-color': ROOM['brass-light'],
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
      // A list stands where it opens: nothing glides away under the finger.
      VMenu: { transition: false },
      VSelect: {
        menuProps: { transition: false },
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
      },
      VAutocomplete: {
        menuProps: { transition: false },
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
      },
      VCombobox: {
        variant: 'outlined',
        density: 'comfortable',
        hideDetails: 'auto',
        color: 'primary',
        menuProps: { transition: false },
      },
      VCard: { flat: true, rounded: 'lg' },
      VDialog: { maxWidth: 560 },
      VSwitch: { inset: true },
    },
  })
  app.vueApp.use(vuetify)
})
