import { fileURLToPath, URL } from 'node:url'
import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  server: { host: '127.0.0.1', proxy: { '/api': process.env.PALEGATE_ADDRESS ?? 'http://127.0.0.1:7411' } },
  build: { outDir: 'dist', emptyOutDir: true, chunkSizeWarningLimit: 900 },
  test: {
    environment: 'happy-dom',
    // Files share what was loaded: loading the components anew for each took three times what the tests take. They pass in any order.
    pool: 'threads',
    isolate: false,
    include: ['src/**/*.test.ts'],
    setupFiles: ['src/api/testSetup.ts'],
    server: { deps: { inline: ['vuetify'] } },
  },
})
