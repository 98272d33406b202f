import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';
import 'vuetify/styles';

export type ThemeName = 'bay' | 'counter';

const THEME_KEY = 'lowgap.theme';

/** `bay`: dark, for a lamp-lit wheel well. `counter`: light, for a customer looking over the shoulder. */
const themes = {
  counter: {
    dark: false,
    colors: {
      background: '#f1efe9',
      surface: '#fdfcf9',
      'on-surface': '#1a2327',
      primary: '#0d4a57',
      secondary: '#7a4414',
      error: '#a3173a',
      clear: '#0f6b5a',
      close: '#8f5300',
      tooClose: '#b5340a',
      rubs: '#a3173a',
      rule: '#c9c4b6',
      field: '#83898c',
      muted: '#56616a',
      ghost: '#8a949b',
      rubber: '#1a2327',
      metal: '#c9c4b6',
    },
  },
  bay: {
    dark: true,
    colors: {
      background: '#10171a',
      surface: '#19242a',
      'on-surface': '#e9ecea',
      primary: '#7fd0de',
      secondary: '#f0a33a',
      error: '#ff8fa3',
      clear: '#66d3bb',
      close: '#f3b65a',
      tooClose: '#ff8a5c',
      rubs: '#ff8fa3',
      rule: '#3a4a52',
      field: '#6d7d85',
      muted: '#a3b0b6',
      ghost: '#6d7d85',
      rubber: '#38474f',
      metal: '#a3b0b6',
    },
  },
};

export function rememberedTheme(): ThemeName {
  return localStorage.getItem(THEME_KEY) === 'bay' ? 'bay' : 'counter';
}

export function rememberTheme(name: ThemeName): void {
  localStorage.setItem(THEME_KEY, name);
}

/** A square with a thin edge, and a tick in it where it is on; a chevron. */
const OWN_ICONS = {
  checkboxOff: 'M3 3H21V21H3ZM5 5V19H19V5Z',
  checkboxOn: 'M3 3H21V21H3ZM5 5V19H19V5ZM10.2 17L6 12.6L7.6 11L10.2 13.8L16.4 7.2L18 8.8Z',
  dropdown: 'M4.6 8L12 15.4L19.4 8L21 9.6L12 18.6L3 9.6Z',
};

export const makeVuetify = () =>
  createVuetify({
    icons: { defaultSet: 'mdi', aliases: { ...aliases, ...OWN_ICONS }, sets: { mdi } },
    theme: { defaultTheme: rememberedTheme(), themes },
    defaults: {
      VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
      VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
      VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
      VMenu: { transition: false },
      VCheckbox: { density: 'comfortable', ripple: false, hideDetails: 'auto' },
      VBtn: { variant: 'flat', rounded: 'sm' },
      VBtnToggle: { rounded: 'sm', variant: 'outlined', divided: true, mandatory: true },
    },
  });
