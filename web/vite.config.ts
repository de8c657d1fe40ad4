import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    VitePWA({
      // The field screens register it themselves: whoever never goes out there needs none of it.
      injectRegister: false,
      // Who is noting something decides when the page is loaded again.
      registerType: 'prompt',
      manifest: {
        name: 'Narrow Mule',
        short_name: 'Narrow Mule',
        description: 'Pick, pack and carry a camera kit.',
        start_url: '/trips',
        display: 'standalone',
        background_color: '#23302C',
        theme_color: '#23302C',
        icons: [
          { src: '/mule.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          // Drawn from it by scripts/icons.py, for phones that take no SVG.
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-mask-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // Drawing in the round is not for out there.
        globIgnores: ['**/RoomTurned*'],
        clientsClaim: true,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        runtimeCaching: [
          {
            urlPattern: ({ url, request }) => request.method === 'GET' && /^\/api\/(session|trips|field|locker|brief|carriers)/.test(url.pathname) && !url.pathname.endsWith('/scale'),
            handler: 'NetworkFirst',
            options: { cacheName: 'answers', networkTimeoutSeconds: 3, cacheableResponse: { statuses: [200] } },
          },
        ],
      },
    }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 900 },
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:8000' } },
  // Files that mount components ask for jsdom in their first line. Modules are read once for all: no test replaces one.
  // On a busy machine what takes a second may take ten: how long a test takes is no part of what it says.
  test: { environment: 'node', isolate: false, testTimeout: 60_000, unstubGlobals: true, server: { deps: { inline: ['vuetify'] } } },
})
