// Bundles the command line into one file, so that tests which start it many times do not translate it each time.
import { fileURLToPath, URL } from 'node:url';
import { build } from 'vite';

const [outDir] = process.argv.slice(2);
await build({
  configFile: false,
  logLevel: 'error',
  resolve: { alias: { '@': fileURLToPath(new URL('..', import.meta.url)) } },
  build: {
    ssr: true,
    outDir,
    target: 'node20',
    minify: false,
    rolldownOptions: { input: { main: 'cli/main.ts' }, output: { entryFileNames: '[name].mjs' } },
  },
});
