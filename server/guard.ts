import { hostname, networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { refuse } from './http';

/** Names by which a browser on this very machine calls it. */
const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * Names this server answers to: its own loopback names; on the shop's network its addresses and its machine's name too, and
 * those that are set. A page from elsewhere that has its own name point here (rebinding) is not answered.
 */
export function ownNames(isOnNetwork: boolean, set: readonly string[] = []): ReadonlySet<string> {
  if (!isOnNetwork) return new Set([...LOOPBACK, ...set]);
  const addresses = Object.values(networkInterfaces()).flatMap((of) =>
    (of ?? []).map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address)),
  );
  const machine = hostname().toLowerCase();
  return new Set([...LOOPBACK, ...addresses, machine, `${machine}.local`, ...set]);
}

/** `Name:4700` without its port, in small letters. */
const nameIn = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/** Answers only those who call this server by a name of its own. */
export const knownHost =
  (names: ReadonlySet<string>): RequestHandler =>
  (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!names.has(nameIn(host))) refuse(421, 'notFound', 'Host', 'a name of this server', host.slice(0, 80) || 'none');
    next();
  };

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Refuses what a page of another site had a browser send: by Sec-Fetch-Site, where the browser says it, else by Origin.
 * Programs that are no browsers send neither and are let through.
 */
export const fromOwnPages: RequestHandler = (request, _response, next) => {
  const site = request.headers['sec-fetch-site'];
  const origin = request.headers.origin;
  const isOwn =
    site !== undefined
      ? site === 'same-origin' || site === 'none'
      : origin === undefined || READS.has(request.method) || hostOf(origin) === request.headers.host;
  if (!isOwn) refuse(403, 'notAllowed', 'Origin', 'a page of this server', (origin ?? String(site)).slice(0, 80));
  next();
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

/** Answers are data: kept by nothing between, and saved rather than shown where somebody leads a browser to one. */
export const asData: RequestHandler = (_request, response, next) => {
  response.set({ 'cache-control': 'no-store', 'content-disposition': 'attachment; filename="answer.json"' });
  next();
};

const MINUTE_MS = 60_000;

/** At most so many requests a minute from one address. */
export const atMost = (limit: number, what: string): RequestHandler =>
  rateLimit({
    windowMs: MINUTE_MS,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => refuse(429, 'busy', '', `at most ${limit} ${what} a minute`, 'more'),
  });
