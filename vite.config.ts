import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify';

/** Source bytes below which what a set of rooms shares goes in with the set most like it. */
const MERGED_BYTES = 6_000;

export default defineConfig({
  root: 'web',
  plugins: [
    vue({ template: { transformAssetUrls } }),
    vuetify({ autoImport: true }),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'offline',
      filename: 'service-worker.ts',
      injectRegister: false,
      injectManifest: { globPatterns: ['**/*.{js,css,html,svg,png,ttf,woff2}'] },
      manifest: {
        name: 'Low Gap',
        short_name: 'Low Gap',
        description: 'Wheel and tire fitment: how low the gap gets, where, and the least change that makes it clear.',
        display: 'standalone',
        background_color: '#f3f1ec',
        theme_color: '#0d4a57',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
    }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  worker: { format: 'es' },
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    sourcemap: true,
    rolldownOptions: {
      output: {
        chunkFileNames: ({ name }) => `assets/${name.split('~')[0]}-[hash].js`,
        assetFileNames: ({ names }) => `assets/${names[0]?.split('~')[0]?.replace(/\.\w+$/, '')}-[hash][extname]`,
        // Files that need each other come of it: what is in them runs in the order it would have without.
        strictExecutionOrder: true,
        // What several rooms share comes in a few files, not in one for each set of rooms: a first view asks for each.
        codeSplitting: {
          groups: [{ name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: MERGED_BYTES }],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4700' } },
});
