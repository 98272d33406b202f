import { MOST_JOB_BYTES } from '@/contracts/job-size';
import { openApiDocument } from '@/contracts/openapi';
import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { CatalogueRepository } from './db/catalogue-repository';
import type { BinRepository } from './db/bin';
import type { JobRepository } from './db/job-repository';
import type { WellRepository } from './db/well-repository';
import type { ShopRepository } from './db/shop-repository';
import type { PhotoRepository } from './db/photo-repository';
import type { Driver } from './devices/driver';
import { asData, atMost, fromOwnPages, knownHost, ownNames } from './guard';
import { answer, notFound, refuse, sendRefusal } from './http';
import { backupRoutes } from './routes/backup';
import { installationRoutes } from './routes/installation';
import { binRoutes } from './routes/bin';
import { catalogueRoutes } from './routes/catalogue';
import { wellRoutes } from './routes/wells';
import { photoRoutes } from './routes/photos';
import { finderRoutes } from './routes/finder';
import type { Searches } from './jobs/searches';
import type { JobContent } from '@/contracts/job-api';
import { deviceRoutes } from './routes/devices';
import type { Installation } from '@/contracts/installation-api';
import type { Counts } from './counts';
import type { WholeShop } from './db/whole-shop';
import { only, signedIn, SignIn } from './people/sign-in';
import { whoAsks, type SessionParts } from './people/session';
import { peopleRoutes } from './routes/people';
import type { Live } from './live';
import { liveRoutes } from './routes/live';
import { jobRoutes } from './routes/jobs';
import { shopRoutes } from './routes/shop';
import { sheetRoutes } from './routes/sheets';

export interface AppParts {
  readonly jobs: JobRepository;
  readonly catalogue: CatalogueRepository;
  readonly photos: PhotoRepository;
  readonly wells: WellRepository;
  readonly shop: ShopRepository;
  readonly bin: BinRepository;
  readonly live: Live;
  readonly whole: WholeShop;
  readonly counts: Counts;
  /** Absent: the one at this machine is alone, and is not asked who they are. */
  readonly access?: SessionParts;
  readonly installation: () => Promise<Installation>;
  /** false: it is being ended, and new requests belong elsewhere. Absent: never. */
  readonly isReady?: () => boolean;
  readonly drivers?: readonly Driver[];
  /** Absent in tests of the rest alone. */
  readonly searches?: Searches;
  readonly logger: Logger;
  /** An invented job to look round in. */
  readonly example: () => JobContent;
  /** Browsers come by HTTPS with a certificate they know. */
  readonly isTrusted?: boolean;
  /** A proxy on this machine says for whom it asks. */
  readonly isBehindProxy?: boolean;
  /** Names this server answers to, beside those of loopback. */
  readonly names?: ReadonlySet<string>;
  /** Built web files; absent in tests of the API alone. */
  readonly webRoot?: string;
}

/** From one address in a minute: a shop of fifty browsers behind one proxy saves about 200 times a second at its busiest. */
const MOST_REQUESTS = 30_000;

/** What is written down of a request: which, how it ended, how long it took; nothing of what it held. */
const LOGGED = {
  autoLogging: { ignore: (request: { readonly url?: string }) => !request.url?.startsWith('/api') },
  serializers: {
    req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
      id,
      method,
      url: url.split('?')[0],
    }),
    res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
  },
};

export function makeApp({
  jobs,
  catalogue,
  photos,
  wells,
  shop,
  bin,
  live,
  whole,
  counts,
  access,
  installation,
  isReady = () => true,
  drivers = [],
  searches,
  logger,
  example,
  isTrusted = false,
  isBehindProxy = false,
  names = ownNames(false),
  webRoot,
}: AppParts): Express {
  const app = express();
  let api: string | null = null;
  app.disable('x-powered-by');
  if (isBehindProxy) app.set('trust proxy', 'loopback');
  app.use(pinoHttp({ logger, ...LOGGED }));
  app.use(knownHost(names));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: true,
        directives: {
          'default-src': ["'self'"],
          // Vuetify writes its theme into a style element.
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'worker-src': ["'self'", 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      // A browser that was once told so lets nobody past a certificate it does not know: not for one made here.
      strictTransportSecurity: isTrusted && { includeSubDomains: false },
    }),
  );
  app.get(
    '/healthz',
    answer(async () => {
      await jobs.ping();
      return { status: 'ok' };
    }),
  );
  app.get(
    '/readyz',
    answer(async () => {
      if (!isReady()) refuse(503, 'busy', '', 'a server that goes on', 'one that is being ended');
      await jobs.ping().catch(() => refuse(503, 'internal', '', 'a database that answers', 'none'));
      return { status: 'ready' };
    }),
  );
  app.use('/api', asData, counts.watch, fromOwnPages, atMost(MOST_REQUESTS, 'requests'));
  if (access) app.use('/api', ...whoAsks(access));
  const signIn = access ? new SignIn(access.people) : null;
  app.use('/api/people', express.json({ limit: '10kb' }), peopleRoutes(signIn, access?.isSecure === true));
  if (access) app.use('/api', signedIn);
  // Before the JSON parser: their bodies are bytes.
  app.use('/api/photos', photoRoutes(photos));
  app.use(
    '/api/backup',
    only('lookAfter'),
    backupRoutes({ whole, jobs, shop, saved: (job, revision) => live.saved(job, revision) }),
  );
  app.use('/api', express.json({ limit: MOST_JOB_BYTES }));
  app.use('/api/jobs', jobRoutes(jobs, live, example));
  app.use('/api/catalogue', catalogueRoutes(catalogue));
  app.use('/api/wells', wellRoutes(wells));
  app.use('/api/shop', shopRoutes(shop));
  app.use('/api/live', liveRoutes(live, jobs));
  app.use('/api/installation', only('lookAfter'), installationRoutes(installation));
  app.use('/api/bin', binRoutes(bin, jobs));
  app.use('/api/devices', deviceRoutes(drivers));
  app.get('/api/openapi.json', (_request, response) => {
    response.type('application/json').send((api ??= openApiDocument()));
  });
  app.use('/api/sheets', sheetRoutes());
  if (searches) app.use('/api/finder', finderRoutes(searches));
  app.use('/api', notFound);
  if (webRoot !== undefined) {
    // A build's assets have their content in their names.
    app.use('/assets', express.static(join(webRoot, 'assets'), { index: false, immutable: true, maxAge: '1y' }));
    // Says which version the program is of: asked for anew each time.
    app.get('/service-worker.js', (_request, response) => {
      response.sendFile('service-worker.js', { root: webRoot, maxAge: 0 });
    });
    app.use(express.static(webRoot, { index: false, maxAge: '1h' }));
    app.get('/{*any}', (request, response, next) => {
      if (request.path.startsWith('/assets/')) next();
      else response.sendFile('index.html', { root: webRoot, maxAge: 0 });
    });
  }
  app.use(notFound);
  app.use(sendRefusal);
  return app;
}
