import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { JobRepository } from './db/job-repository';
import type { Driver } from './devices/driver';
import { answer, notFound, sendRefusal } from './http';
import { deviceRoutes } from './routes/devices';
import { jobRoutes } from './routes/jobs';

export interface AppParts {
  readonly jobs: JobRepository;
  readonly drivers?: readonly Driver[];
  readonly logger: Logger;
  /** Built web files; absent in tests of the API alone. */
  readonly webRoot?: string;
}

export function makeApp({ jobs, drivers = [], logger, webRoot }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger, autoLogging: { ignore: (request) => !request.url?.startsWith('/api') } }));
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
      strictTransportSecurity: false,
    }),
  );
  app.get(
    '/healthz',
    answer(async () => {
      await jobs.ping();
      return { status: 'ok' };
    }),
  );
  app.use('/api', express.json({ limit: '8mb' }));
  app.use('/api/jobs', jobRoutes(jobs));
  app.use('/api/devices', deviceRoutes(drivers));
  app.use('/api', notFound);
  if (webRoot !== undefined) {
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
