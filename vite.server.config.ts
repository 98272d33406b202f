import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  build: {
    ssr: true,
    outDir: 'dist/server',
    target: 'node20',
    sourcemap: true,
    minify: false,
    rolldownOptions: {
      input: { main: 'server/main.ts', 'find-worker': 'server/jobs/find-worker.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
