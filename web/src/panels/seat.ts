import '../theme/paper.css';
import '@fontsource-variable/source-sans-3';
import '@fontsource-variable/source-serif-4';
import { createApp } from 'vue';
import { vuetify } from '../theme/vuetify.ts';
import SeatPage from './SeatPage.vue';

/** A judge's page is an application of its own: whoever sits once, on a phone, loads no more than it needs. */
createApp(SeatPage).use(vuetify).mount('#app');
