import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { firstLoad } from './firstLoad.js'
import { precompressed } from './precompressed.js'
import { verovioWasm } from './verovioWasm.js'

const first = firstLoad()

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
    globPatterns: ['learn.html', '**/*.{js,css,woff2,wasm,svg,png}'],
    manifestTransforms: [(entries) => ({ manifest: entries.filter((e) => first.isLearners(e.url)), warnings: [] })],
    maximumFileSizeToCacheInBytes: 12 * 1024 * 1024, // the engraver
    navigateFallback: '/learn.html',
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

/** Lists and windows that open: a learner’s first screen has none. */
const OPENING = 'src/ui/(Choice|Dialog|MoreMenu|DeletedList|InstrumentChoice)'

/** What nearly every screen is made of comes as a few scripts and not as forty. */
const SHARED = [
  { name: 'frame', test: /node_modules\/(react|react-dom|scheduler|react-router|@tanstack)\//, priority: 3 },
  { name: 'house', test: new RegExp(`^(?!.*${OPENING}).*src/(ui|api|calendar|offline)/`), priority: 2 },
  { name: 'widgets', test: new RegExp(`node_modules/@headlessui|${OPENING}`), priority: 1 },
]

export default defineConfig({
  plugins: [react(), tailwindcss(), verovioWasm(), first.plugin, learnersPages, precompressed()],
  // One script without import.meta: Chromium's tab crashes now and then where a module worker asks for it.
  worker: { format: 'iife', plugins: () => [verovioWasm()] },
  build: { target: 'es2022', rolldownOptions: { output: { codeSplitting: { groups: SHARED } } } },
  server: { proxy: { '/api': 'http://127.0.0.1:4710' } },
})
