import './theme/paper.css';
import '@fontsource-variable/source-sans-3';
import '@fontsource-variable/source-serif-4';
import { PiniaColada } from '@pinia/colada';
import { createPinia } from 'pinia';
import { registerSW } from 'virtual:pwa-register';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router.ts';
import { vuetify } from './theme/vuetify.ts';

registerSW({ immediate: true });
createApp(App)
  .use(createPinia())
  .use(PiniaColada, {
    // What a page shows is read again whenever it opens; until then what was known stands there.
    queryOptions: { staleTime: 0 },
  })
  .use(router)
  .use(vuetify)
  .mount('#app');
