// Runs before anything is installed, so plain JavaScript with nothing but Node itself.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

export const say = (text) => process.stdout.write(`${text}\n`);

/** Runs a command in the project, its output passed through; ends the script when it fails. */
export function run(command, args, why) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' });
  if (done.status === 0) return;
  process.stderr.write(
    `\n${why}: "${command} ${args.join(' ')}" ${done.error ? done.error.message : `ended with ${done.status}`}.\n`,
  );
  process.exit(1);
}

const STAMPS = join(ROOT, '.cache');

/** Runs `work` unless the stamp says it was done for the same fingerprint. */
function once(name, fingerprint, isThere, work) {
  const stamp = join(STAMPS, name);
  if (isThere && existsSync(stamp) && readFileSync(stamp, 'utf8') === fingerprint) return;
  work();
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(stamp, fingerprint);
}

function fingerprint(paths) {
  const hash = createHash('sha256').update(process.version);
  const add = (path) => {
    const full = join(ROOT, path);
    if (!existsSync(full)) return;
    hash.update(path).update(readFileSync(full));
  };
  const walk = (folder) => {
    for (const entry of readdirSync(join(ROOT, folder), { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const path = `${folder}/${entry.name}`;
      if (entry.isDirectory()) walk(path);
      else if (!entry.name.endsWith('.test.ts')) add(path);
    }
  };
  for (const path of paths) {
    if (path.includes('.')) add(path);
    else walk(path);
  }
  return hash.digest('hex');
}

/** Packages, when the lock file changed or they are not there. */
export function install() {
  once(
    'installed',
    fingerprint(['package.json', 'package-lock.json', '.npmrc']),
    existsSync(join(ROOT, 'node_modules')),
    () => {
      say('Installing packages (about a minute with an empty cache) ...');
      run('npm', ['ci', '--no-progress', '--loglevel=error'], 'The packages could not be installed');
    },
  );
}

const BUILT_FROM = [
  'core',
  'contracts',
  'server',
  'web',
  'demo',
  'vite.config.ts',
  'vite.server.config.ts',
  'tsconfig.json',
  'package-lock.json',
];

/** The web files and the server, when anything they are made from changed. */
export function build() {
  once('built', fingerprint(BUILT_FROM), existsSync(join(ROOT, 'dist/server/main.js')), () => {
    say('Building ...');
    run('npm', ['run', '--silent', 'build', '--', '--logLevel', 'warn'], 'The build failed');
  });
}
