// `npm run demo`: install, build, load the demo data, serve.
import { spawn } from 'node:child_process';
import { build, install, ROOT, say } from './prepare.mjs';

install();
build();
say('Starting ...');
const server = spawn(process.execPath, ['--enable-source-maps', 'dist/server/main.js', '--demo'], {
  cwd: ROOT,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
