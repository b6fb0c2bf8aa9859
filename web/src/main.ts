import './theme/paper.css';
import '@fontsource-variable/source-sans-3';
import '@fontsource-variable/source-serif-4';
import { createPinia } from 'pinia';
import { registerSW } from 'virtual:pwa-register';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router.ts';
import { vuetify } from './theme/vuetify.ts';

registerSW({ immediate: true });
createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app');
