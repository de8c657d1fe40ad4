/** Vuetify's behaviour under our own look: colours are those of tokens.css, defaults are set once here. */
import 'vuetify/styles'
import './themes.css'
import { createVuetify, type ThemeDefinition } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

const day: ThemeDefinition = {
  dark: false,
  colors: {
    background: '#F5F0E4',
    surface: '#FCF9F1',
    primary: '#23302C',
    secondary: '#8A4A22',
    error: '#B03A26',
    'on-background': '#23302C',
    'on-surface': '#23302C',
    'on-primary': '#FCF9F1',
  },
  variables: { 'medium-emphasis-opacity': 0.82, 'high-emphasis-opacity': 1, 'border-opacity': 0.2 },
}
const night: ThemeDefinition = {
  dark: true,
  colors: {
    background: '#161D1B',
    surface: '#1D2623',
    primary: '#ECE5D3',
    secondary: '#DD9A66',
    error: '#F08A70',
    'on-background': '#ECE5D3',
    'on-surface': '#ECE5D3',
    'on-primary': '#161D1B',
  },
  variables: { 'medium-emphasis-opacity': 0.82, 'high-emphasis-opacity': 1, 'border-opacity': 0.25 },
}
const red: ThemeDefinition = {
  dark: true,
  colors: {
    background: '#0A0101',
    surface: '#120303',
    primary: '#EC4032',
    secondary: '#EE4A3C',
    error: '#F55A4B',
    'on-background': '#EC4032',
    'on-surface': '#EC4032',
    'on-primary': '#FF8F80',
  },
  variables: { 'medium-emphasis-opacity': 0.9, 'high-emphasis-opacity': 1, 'border-opacity': 0.3 },
}

export const THEMES = { day, night, red }

const field = { variant: 'outlined', density: 'compact', hideDetails: 'auto' } as const

export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  // Its colours stand in themes.css: no style is written into the page, which our own policy forbids.
  theme: false,
  defaults: {
    VBtn: { variant: 'outlined', height: 34, ripple: false },
    VTextField: field,
    VTextarea: field,
    VSelect: field,
    VAutocomplete: field,
    VCheckbox: { density: 'compact', hideDetails: true },
    VDialog: { maxWidth: 560 },
    VMenu: { transition: false },
    VSlider: { color: 'var(--saddle)', thumbColor: 'var(--saddle)', trackColor: 'var(--line)', trackSize: 3, thumbSize: 16, elevation: 0, ripple: false },
  },
})
