// `npm run build`: the web files, then the server.
import { build } from 'vite';

const logLevel = process.argv.includes('warn') ? 'warn' : 'info';
await build({ configFile: 'vite.config.ts', logLevel });
await build({ configFile: 'vite.server.config.ts', logLevel });
