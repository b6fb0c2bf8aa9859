import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  // The server puts a fresh nonce in its place with every page; see server/http/webApplication.ts.
  html: { cspNonce: '__CSP_NONCE__' },
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    VitePWA({
      // A new version waits until the application is closed: no page reloads under an examiner’s hand.
      registerType: 'prompt',
      includeAssets: ['mark.svg'],
      manifest: {
        name: 'Kritikos',
        short_name: 'Kritikos',
        description: 'Practical examinations of orthopedic special tests',
        theme_color: '#f5f0e6',
        background_color: '#f5f0e6',
        display: 'standalone',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        // The very first visit is served without a reload, so that the tablet is ready to go offline.
        clientsClaim: true,
        // The application itself and the two Latin font files; the API is never cached here,
        // because sheets have a store of their own (marking/deviceStore.ts).
        globPatterns: ['**/*.{js,css,html,svg}', '**/*-latin-wght-normal*.woff2'],
        // Nobody reads the description of the API beside a couch.
        globIgnores: ['**/swagger-ui*'],
        navigateFallbackDenylist: [/^\/api\//, /^\/panel/],
      },
    }),
  ],
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    // A judge's seat is a page of its own, so that it loads little.
    rolldownOptions: { input: { index: 'index.html', seat: 'seat.html' } },
  },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4747' } },
});
