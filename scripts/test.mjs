// `npm test`: installs what it needs, runs every check, ends with what really ran.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, ROOT, say } from './prepare.mjs';

const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
const BROWSER_ENV = { CHROMIUM_PATH: CHROMIUM };
const results = [];

const record = (name, passed, failed) => results.push({ name, passed, failed });

/** Runs a command, shows its output when it ends, resolves to its exit status. */
function command(title, file, args, env = {}) {
  return new Promise((resolve) => {
    const started = Date.now();
    const child = spawn(file, args, { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    const chunks = [];
    child.stdout.on('data', (chunk) => chunks.push(chunk));
    child.stderr.on('data', (chunk) => chunks.push(chunk));
    child.on('error', (error) => chunks.push(Buffer.from(error.message)));
    child.on('close', (status) => {
      say(`\n== ${title} (${((Date.now() - started) / 1000).toFixed(0)} s) ${status === 0 ? 'ok' : 'FAILED'}`);
      process.stdout.write(Buffer.concat(chunks));
      resolve(status);
    });
  });
}

const bin = (name) => join(ROOT, 'node_modules/.bin', name);

async function check(title, name, args) {
  const status = await command(title, bin(name), args);
  record(title, status === 0 ? 1 : 0, status === 0 ? 0 : 1);
}

/** What failed; a run that ended badly has failed once at least, also when no test of it got as far. */
const notOk = (status, failed) => (status === 0 ? failed : Math.max(1, failed));

async function unitTests(title, patterns, env = {}) {
  const report = join(ROOT, '.cache', `${title.replace(/\W+/g, '-')}.json`);
  rmSync(report, { force: true });
  const args = [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    ...patterns,
  ];
  const status = await command(title, process.execPath, [...args, '--json', `--outputFile=${report}`], {
    ...env,
    FORCE_COLOR: '0',
  });
  if (!existsSync(report)) return record(title, 0, 1);
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
  record(title, numPassedTests, notOk(status, numFailedTests + numRuntimeErrorTestSuites));
}

async function browserTests() {
  const report = join(ROOT, '.cache/browser.json');
  rmSync(report, { force: true });
  const status = await command('browser tests', bin('playwright'), ['test', '--reporter=list,json'], {
    ...BROWSER_ENV,
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
  });
  if (!existsSync(report)) return record('browser tests', 0, 1);
  const { expected, unexpected, flaky } = JSON.parse(readFileSync(report, 'utf8')).stats;
  record('browser tests', expected + flaky, notOk(status, unexpected));
}

function debianPackage(name, isThere) {
  if (isThere()) return true;
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) =>
    spawnSync([...sudo, 'apt-get'][0], [...sudo.slice(1), ...(sudo.length ? ['apt-get'] : []), ...args], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  say(`Installing Debian's package ${name} ...`);
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', name);
  if (isThere()) return true;
  say(
    `\nDebian's package "${name}" is not here and could not be installed. Install it by hand (apt-get install ${name})` +
      `${name === 'chromium' ? ', or point CHROMIUM_PATH at a Chromium' : ''}. The tests that need it did not run.\n`,
  );
  return false;
}

const postgresFolder = () => {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).filter((v) => existsSync(join(base, v, 'bin/initdb'))) : [];
  return versions.length ? join(base, versions.sort().at(-1), 'bin') : null;
};

/** The contract tests once more, against a PostgreSQL server of their own on loopback. */
async function postgresTests() {
  const title = 'contract tests on a PostgreSQL server';
  if (!debianPackage('postgresql', () => postgresFolder() !== null)) return record(title, 0, 1);
  const folder = postgresFolder();
  const port = 55470;
  const home = mkdtempSync(join(tmpdir(), 'lowgap-pg-'));
  const data = join(home, 'data');
  const asPostgres = process.getuid?.() === 0 ? ['runuser', '-u', 'postgres', '--'] : [];
  const pg = (name, ...args) => {
    const words = [...asPostgres, join(folder, name), ...args];
    return spawnSync(words[0], words.slice(1), { stdio: 'ignore', cwd: home }).status === 0;
  };
  if (asPostgres.length) spawnSync('chown', ['postgres', home]);
  const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=off`;
  const started =
    pg('initdb', '-D', data, '-A', 'trust', '-U', 'lowgap', '--no-sync') &&
    pg('pg_ctl', '-D', data, '-w', '-o', options, 'start');
  try {
    if (!started) {
      say('\nThe PostgreSQL server for the contract tests did not start.');
      return record(title, 0, 1);
    }
    // Each suite makes a database of its own on it.
    await unitTests(title, ['server/.*contract'], {
      TEST_DATABASE_URL: `postgres://lowgap@127.0.0.1:${port}/postgres`,
    });
  } finally {
    if (started) pg('pg_ctl', '-D', data, '-m', 'immediate', 'stop');
    rmSync(home, { recursive: true, force: true });
  }
}

install();
mkdirSync(join(ROOT, '.cache'), { recursive: true });
const hasChromium = debianPackage('chromium', () => existsSync(CHROMIUM));

// The checks of the text beside the unit tests, which keep both cores busy once those are done.
await Promise.all([
  (async () => {
    await check('lint', 'eslint', ['.', '--max-warnings', '0']);
    await check('format', 'prettier', ['--check', '--log-level', 'warn', '.']);
    await check('boundaries', 'depcruise', [
      '--config',
      '.dependency-cruiser.cjs',
      'core',
      'contracts',
      'meshes',
      'sheets',
      'server',
      'web',
      'cli',
      'demo',
      'bench',
    ]);
    await check('types', 'vue-tsc', ['--noEmit']);
  })(),
  unitTests('unit and contract tests', []),
]);
await postgresTests();
build();
if (hasChromium) await browserTests();
else record('browser tests', 0, 1);

say('\n== Summary');
for (const { name, passed, failed } of results) say(`   ${name}: ${passed} ok, ${failed} not ok`);
const total = (key) => results.reduce((sum, result) => sum + result[key], 0);
say(`\n${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') === 0 ? 0 : 1);
