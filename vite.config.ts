import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify';

export default defineConfig({
  root: 'web',
  plugins: [vue({ template: { transformAssetUrls } }), vuetify({ autoImport: true })],
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  worker: { format: 'es' },
  build: { outDir: '../dist/web', emptyOutDir: true, sourcemap: true },
  server: { proxy: { '/api': 'http://127.0.0.1:4700' } },
});
