import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue()],
  build: { outDir: 'dist', target: 'es2022', chunkSizeWarningLimit: 700, modulePreload: { polyfill: false } },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:4811' } },
})
