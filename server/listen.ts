import type { Express } from 'express';
import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { Certificate } from './certificate';

export interface Place {
  readonly port: number;
  readonly host: string;
  readonly certificate: Certificate | null;
}

/** Begins to answer. Resolves once it does. @throws the system's own error, such as EADDRINUSE */
export function listen(app: Express, { port, host, certificate }: Place): Promise<Server> {
  const server = certificate
    ? createSecureServer({ cert: certificate.cert, key: certificate.key }, app)
    : createServer(app);
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve(server);
    });
  });
}

/** Ends it: answers under way are finished, idle lines and streams are closed. */
export function endListening(server: Server, mostMs: number): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => resolve());
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), mostMs).unref();
  });
}
