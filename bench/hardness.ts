/** `npm run bench:hardness`: kills under writes, many in one job, many that save at once, hostile requests. Needs a build. `-- --kills 100 --requests 10000 --seconds 60` */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { hostile } from './hardness/hostile';
import { killed } from './hardness/kills';
import { load } from './hardness/load';
import { running } from './hardness/server-process';
import { together } from './hardness/together';

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '100' },
    requests: { type: 'string', default: '10000' },
    seconds: { type: 'string', default: '60' },
    load: { type: 'string', default: '20' },
    clients: { type: 'string', default: '20' },
  },
});
const SEED = 25;
const PORT = 4795;

/** As many browsers as measure at once in a chain of some fifty bays. */
const LOAD_CLIENTS = 50;
const data = mkdtempSync(join(tmpdir(), 'lowgap-hard-'));
const url = process.env['DATABASE_URL'];
const env = { LOWGAP_DATA: data, LOWGAP_COPIES: '0' };
const say = (what: string, found: object): void => void process.stdout.write(`${what}: ${JSON.stringify(found)}\n`);

try {
  process.stdout.write(`on ${url === undefined ? 'the embedded database' : 'a PostgreSQL server'}, seed ${SEED}\n`);
  if (Number(values.kills) > 0) say('kills', await killed(Number(values.kills), PORT, env, SEED));
  const server = await running(PORT, env);
  try {
    if (Number(values.seconds) > 0) {
      say('together', await together(Number(values.clients), Number(values.seconds), server, SEED));
    }
    if (Number(values.load) > 0) say('load', await load(LOAD_CLIENTS, Number(values.load), server));
    if (Number(values.requests) > 0) say('hostile', await hostile(Number(values.requests), server, SEED));
  } finally {
    await server.kill();
  }
} finally {
  rmSync(data, { recursive: true, force: true });
}
