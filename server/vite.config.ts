import { defineConfig } from 'vite'

/** One file for plain node; packages stay outside it and come from node_modules. */
export default defineConfig({
  root: import.meta.dirname,
  build: { ssr: 'src/main.ts', outDir: 'dist', target: 'node20', minify: false, rollupOptions: { output: { entryFileNames: 'main.js' } } },
  // The picture library is native: it cannot be bundled.
  ssr: { noExternal: true, external: ['sharp'] },
})
