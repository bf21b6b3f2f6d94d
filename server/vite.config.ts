import { defineConfig } from 'vite'

/** The server and its calculating thread, each one file for plain node; packages are bundled in. */
export default defineConfig({
  root: import.meta.dirname,
  build: {
    ssr: true,
    outDir: 'dist',
    target: 'node20',
    minify: false,
    rollupOptions: {
      input: { main: 'src/main.ts', 'calculation.worker': 'src/calculations/calculation.worker.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
    },
  },
  // The picture library is native: it cannot be bundled.
  ssr: { noExternal: true, external: ['sharp'] },
})
