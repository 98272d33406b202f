import type { RequestHandler } from 'express';

/** What happened at this process since it began, in numbers alone. */
export class Counts {
  readonly since = new Date();
  saves = 0;
  clashes = 0;
  refused = 0;
  faults = 0;
  searches = 0;

  /** Counts how requests ended. */
  readonly watch: RequestHandler = (request, response, next) => {
    response.on('finish', () => {
      const { statusCode } = response;
      const path = request.originalUrl.split('?')[0] ?? '';
      if (statusCode >= 500) this.faults++;
      else if (statusCode === 409) this.clashes++;
      else if (statusCode >= 400) this.refused++;
      else if (request.method === 'PATCH' && path.startsWith('/api/jobs/')) this.saves++;
      else if (request.method === 'POST' && path === '/api/finder') this.searches++;
    });
    next();
  };
}
