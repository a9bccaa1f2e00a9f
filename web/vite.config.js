import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { verovioWasm } from './verovioWasm.js'

/**
 * Learners' pages open without a network: what they are made of stays on the phone, and the last answers to what they
 * ask.
 */
const learnersPages = VitePWA({
  filename: 'learn-worker.js',
  // A learner's page registers it; teachers' pages do not pass through it.
  injectRegister: false,
  // Each learner's own page is what is installed, so each has a manifest of its own, from the server.
  manifest: false,
  workbox: {
    globPatterns: ['**/*.{html,js,css,woff2,wasm,svg,png}'],
    maximumFileSizeToCacheInBytes: 12 * 1024 * 1024, // the engraver
    navigateFallback: '/index.html',
    navigateFallbackAllowlist: [/^\/learn\//],
    skipWaiting: true,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ({ url }) => url.pathname.startsWith('/api/learn/'),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'learn',
          networkTimeoutSeconds: 6,
          cacheableResponse: { statuses: [200] },
          expiration: { maxEntries: 80 },
        },
      },
    ],
  },
})

export default defineConfig({
  plugins: [react(), tailwindcss(), verovioWasm(), learnersPages],
  // One script without import.meta: Chromium's tab crashes now and then where a module worker asks for it.
  worker: { format: 'iife', plugins: () => [verovioWasm()] },
  build: { target: 'es2022', chunkSizeWarningLimit: 1000 },
  server: { proxy: { '/api': 'http://127.0.0.1:4710' } },
})
