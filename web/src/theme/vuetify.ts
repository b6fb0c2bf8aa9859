import 'vuetify/styles';
import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

/** Paper by day, a dim hall by night. Ink and two accents: petrol for what is done, madder for what needs a look. */
export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    cspNonce: document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? '',
    defaultTheme: 'paper',
    themes: {
      paper: {
        dark: false,
        colors: {
          background: '#f5f0e6',
          surface: '#fcf9f2',
          'on-background': '#24211c',
          'on-surface': '#24211c',
          primary: '#1d4a54',
          secondary: '#94382a',
          error: '#94382a',
          warning: '#7a5200',
          info: '#1d4a54',
          success: '#1d4a54',
        },
        variables: {
          'border-color': '#5b4a2f',
          'border-opacity': 0.22,
          'medium-emphasis-opacity': 0.76,
        },
      },
      hall: {
        dark: true,
        colors: {
          background: '#191a1b',
          surface: '#232526',
          'on-background': '#ece6da',
          'on-surface': '#ece6da',
          primary: '#8cc3cd',
          secondary: '#eda08f',
          error: '#eda08f',
          warning: '#e3bd6b',
          info: '#8cc3cd',
          success: '#8cc3cd',
        },
        variables: { 'border-color': '#d9cdb8', 'border-opacity': 0.24 },
      },
    },
  },
  defaults: {
    VBtn: { rounded: 'sm', variant: 'outlined', class: 'text-none' },
    VCard: { rounded: 'sm', variant: 'outlined' },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VAlert: { rounded: 'sm', variant: 'outlined', density: 'compact' },
    VSwitch: { color: 'primary', density: 'compact', hideDetails: true },
    VSlider: { color: 'primary', hideDetails: true, thumbSize: 18 },
  },
});
