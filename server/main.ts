import { existsSync, readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { dirname, resolve } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { seededNormal } from '@/core/1-base/numeric/seeded-random';
import { demoCatalogue } from '@/demo/demo-catalogue';
import { demoJobs, exampleJob } from '@/demo/demo-jobs';
import { DEMO_PICTURE } from '@/demo/demo-pictures';
import { makeApp } from './app';
import { simulatedGauge } from './devices/simulated-gauge';
import { everywhere } from './devices/everywhere';
import { simulatedScanner } from './devices/simulated-scanner';
import { CatalogueRepository } from './db/catalogue-repository';
import { BinRepository } from './db/bin';
import { WellRepository } from './db/well-repository';
import { ShopRepository } from './db/shop-repository';
import { PhotoRepository } from './db/photo-repository';
import { JobRepository } from './db/job-repository';
import { COPIES } from './db/data-directory';
import { openDatabase } from './db/open';
import { WholeShop } from './db/whole-shop';
import { Counts } from './counts';
import { Copies } from './shop-copy/copies';
import { Upkeep } from './upkeep';
import { faultOf } from './http';
import { FindThreads } from './jobs/find-threads';
import { openSearches } from './jobs/open-searches';
import { Live } from './live';
import { givenCertificate, ownCertificate, type Certificate } from './certificate';
import { PeopleRepository } from './db/people-repository';
import { SessionStore } from './db/session-store';
import { ownNames } from './guard';
import { endListening, listen } from './listen';
import { newToken } from './people/secrets';
import { SignIn } from './people/sign-in';
import { readSettings, type Settings } from './settings';

/** ms that lines still open are given when the server is ended. */
const LAST_MS = 3000;

/** The first folder upward that holds package.json: the same from source and from the build. */
function projectRoot(from: string): string {
  return existsSync(resolve(from, 'package.json')) ? from : projectRoot(dirname(from));
}

async function main(): Promise<void> {
  const settings = readSettings(process.env);
  let isEnding = false;
  const dataDir = settings.LOWGAP_DATA.startsWith('memory://') ? settings.LOWGAP_DATA : resolve(settings.LOWGAP_DATA);
  const root = projectRoot(dirname(fileURLToPath(import.meta.url)));
  const logger = pino({ level: settings.LOG_LEVEL });
  const database = await openDatabase({
    url: settings.DATABASE_URL,
    dataDir,
    migrationsFolder: resolve(root, 'server/db/migrations'),
    onBroken: (error) => logger.warn({ fault: faultOf(error) }, 'a database connection broke'),
  });
  const jobs = new JobRepository(database.db);
  const catalogue = new CatalogueRepository(database.db);
  const photos = new PhotoRepository(database.db);
  // Two processes that start on one empty database make one demo.
  await database.exclusively(async () => {
    await jobs.summarize();
    if (process.argv.includes('--demo') && (await jobs.isEmpty())) await fillDemo(root, { jobs, catalogue, photos });
  });
  const searches = await openSearches(database, new FindThreads(...findWorker()), (error) =>
    logger.error({ fault: faultOf(error) }, 'a search or its queue failed'),
  );
  const live = new Live(database.wire);
  const shop = new ShopRepository(database.db);
  const whole = new WholeShop(database.db);
  const people = new PeopleRepository(database.db);
  const counts = new Counts();
  const isKept = database.kind === 'embedded' && !dataDir.startsWith('memory://');
  const daysKept = settings.LOWGAP_COPIES;
  const copies = new Copies(resolve(dataDir, COPIES), whole, shop, daysKept);
  const upkeep = new Upkeep({
    version: versionAt(root),
    database,
    whole,
    people,
    counts,
    searches,
    logger,
    ...(isKept ? { dataDir } : {}),
    ...(isKept && daysKept > 0 ? { copies: { of: copies, daysKept } } : {}),
  });
  const isOnNetwork = settings.LOWGAP_HOST !== undefined;
  const names = ownNames(isOnNetwork, settings.LOWGAP_NAMES);
  const certificate =
    isOnNetwork && settings.LOWGAP_TLS === 'own' ? await certificateFor(settings, dataDir, names) : null;
  const access = isOnNetwork
    ? {
        people,
        store: new SessionStore(database.db),
        secret: await people.secret('session', newToken()),
        isSecure: settings.LOWGAP_TLS !== 'off',
      }
    : undefined;
  const app = makeApp({
    jobs,
    searches,
    catalogue,
    photos,
    wells: new WellRepository(database.db),
    shop,
    bin: new BinRepository(database.db),
    live,
    names,
    ...(access ? { access } : {}),
    isTrusted: settings.LOWGAP_TLS_CERT !== undefined || (isOnNetwork && settings.LOWGAP_TLS === 'proxy'),
    isBehindProxy: settings.LOWGAP_TLS === 'proxy',
    whole,
    counts,
    installation: () => upkeep.told(),
    isReady: () => !isEnding,
    drivers: [everywhere(simulatedGauge(seededNormal(23)), database.wire), simulatedScanner()],
    logger,
    example: exampleJob,
    webRoot: resolve(root, 'dist/web'),
  });
  const server = await listen(app, {
    port: settings.PORT,
    host: settings.LOWGAP_HOST ?? '127.0.0.1',
    certificate,
  }).catch(async (error: unknown) => fail(error, () => database.close()));
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : settings.PORT;
  const shown =
    settings.LOWGAP_HOST === undefined ? '127.0.0.1' : (settings.LOWGAP_NAMES[0] ?? shownHost(settings.LOWGAP_HOST));
  process.stdout.write(`Low Gap is ready at ${certificate ? 'https' : 'http'}://${shown}:${port}/\n`);
  if (certificate?.ownPrint) {
    process.stdout.write(`Its certificate was made here (docs/network.md). SHA-256 ${certificate.ownPrint}\n`);
  }
  if (access && settings.LOWGAP_TLS === 'off') {
    process.stdout.write('It is not encrypted: whoever is on the network can read what is typed, passwords too.\n');
  }
  const code = access ? await new SignIn(access.people).firstCode() : null;
  if (code) process.stdout.write(`Nobody can sign in yet. The code that makes the owner, good for a day: ${code}\n`);

  const end = async (): Promise<void> => {
    if (isEnding) return;
    isEnding = true;
    await setTimeout(1000 * settings.LOWGAP_DRAIN);
    live.close();
    await endListening(server, LAST_MS);
    await Promise.all([searches.close(), upkeep.close()]);
    await database.close();
  };
  const stop = (): void =>
    void end().then(
      () => process.exit(0),
      (error: unknown) => fail(error),
    );
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

/** In the build the worker stands beside the server's own file; from source each thread reads TypeScript by itself. */
const findWorker = (): [URL, readonly string[]] =>
  import.meta.url.endsWith('.ts')
    ? [new URL('./jobs/find-worker.ts', import.meta.url), ['--import', 'tsx']]
    : [new URL('./find-worker.js', import.meta.url), []];

const versionAt = (root: string): string =>
  (JSON.parse(readFileSync(resolve(root, 'package.json'), 'utf8')) as { version: string }).version;

/** An address that means all of this machine's is shown as one that a browser can be pointed at. */
const shownHost = (host: string): string =>
  host === '0.0.0.0' || host === '::' ? hostname() : host.includes(':') ? `[${host}]` : host;

function certificateFor(settings: Settings, dataDir: string, names: ReadonlySet<string>): Promise<Certificate> {
  const { LOWGAP_TLS_CERT: cert, LOWGAP_TLS_KEY: key } = settings;
  if (cert !== undefined && key !== undefined) return givenCertificate(cert, key);
  if (cert !== undefined || key !== undefined) {
    throw new Error('LOWGAP_TLS_CERT and LOWGAP_TLS_KEY belong together: one of them is not set.');
  }
  return ownCertificate(resolve(dataDir, 'tls'), [...names], new Date());
}

async function fillDemo(
  root: string,
  { jobs, catalogue, photos }: { jobs: JobRepository; catalogue: CatalogueRepository; photos: PhotoRepository },
): Promise<void> {
  for (const job of demoJobs()) {
    const { id } = await jobs.create(job);
    if (!job.title.startsWith(DEMO_PICTURE.job)) continue;
    const content = new Uint8Array(readFileSync(resolve(root, DEMO_PICTURE.file)));
    await photos.add(id, { mediaType: DEMO_PICTURE.mediaType, content }, DEMO_PICTURE.id);
  }
  await catalogue.add(demoCatalogue());
}

async function fail(error: unknown, close?: () => Promise<void>): Promise<never> {
  const inUse = (error as { code?: string }).code === 'EADDRINUSE';
  const text = inUse
    ? 'The port is taken by another program. Choose another with PORT.'
    : error instanceof Error
      ? error.message
      : String(error);
  process.stderr.write(`Low Gap could not start: ${text}\n`);
  await close?.();
  process.exit(1);
}

main().catch((error: unknown) => fail(error));
