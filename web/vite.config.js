import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { verovioWasm } from './verovioWasm.js'

export default defineConfig({
  plugins: [react(), tailwindcss(), verovioWasm()],
  // One script without import.meta: Chromium's tab crashes now and then where a module worker asks for it.
  worker: { format: 'iife', plugins: () => [verovioWasm()] },
  build: { target: 'es2022', chunkSizeWarningLimit: 1000 },
  server: { proxy: { '/api': 'http://127.0.0.1:4710' } },
})
