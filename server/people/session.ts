import cookieParser from 'cookie-parser';
import type { CookieOptions, Request, RequestHandler } from 'express';
import session from 'express-session';
import type { PeopleRepository, StoredDevice } from '../db/people-repository';
import type { SessionStore } from '../db/session-store';
import { digest } from './secrets';

const HALF_DAY_MS = 12 * 3600_000;
const YEAR_MS = 365 * 24 * 3600_000;

const DEVICE_COOKIE = 'lowgap-device';

/** Over HTTPS by a name that a browser takes from this very host alone (RFC 6265bis, cookie name prefixes). */
const nameOf = (cookie: string, isSecure: boolean): string => (isSecure ? `__Host-${cookie}` : cookie);

declare module 'express-serve-static-core' {
  interface Request {
    /** The paired device this browser is. */
    device?: StoredDevice | null;
  }
}

export interface SessionParts {
  readonly people: PeopleRepository;
  readonly store: SessionStore;
  readonly secret: string;
  /** Whether browsers come by HTTPS, to this process or to a proxy before it. */
  readonly isSecure: boolean;
}

const cookieOf = (isSecure: boolean, maxAge: number): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: isSecure,
  maxAge,
  path: '/',
});

/** Finds out, for each request, which paired device it comes from and who is signed in. */
export function whoAsks({ people, store, secret, isSecure }: SessionParts): RequestHandler[] {
  return [
    cookieParser(),
    session({
      name: nameOf('lowgap', isSecure),
      store,
      secret,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      // Behind a proxy that ends TLS the connection itself is plain.
      proxy: true,
      cookie: cookieOf(isSecure, HALF_DAY_MS),
    }),
    async (request, _response, next) => {
      const token = (request.cookies as Readonly<Record<string, unknown>>)[nameOf(DEVICE_COOKIE, isSecure)];
      request.device = typeof token === 'string' ? await people.deviceOf(digest(token)) : null;
      const { personId, deviceId } = request.session;
      const person = personId === undefined ? null : await people.person(personId);
      // A session of a device is good on that device alone.
      const isHere = (deviceId ?? null) === null || deviceId === request.device?.id;
      if (person && !person.isAway && isHere) {
        request.who = { name: person.name, role: person.role, device: request.device?.name ?? null };
      }
      next();
    },
  ];
}

/** A session of this person's, by a name that was not known before. */
export function begin(request: Request, personId: string, deviceId: string | null): Promise<void> {
  return new Promise((resolve, reject) =>
    request.session.regenerate((error: unknown) => {
      if (error) return reject(error as Error);
      request.session.personId = personId;
      request.session.deviceId = deviceId;
      request.session.save((failed: unknown) => (failed ? reject(failed as Error) : resolve()));
    }),
  );
}

export const end = (request: Request): Promise<void> =>
  new Promise((resolve, reject) =>
    request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve())),
  );

/** Makes this browser the device that holds `token`. */
export function holdDevice(request: Request, token: string, isSecure: boolean): void {
  request.res!.cookie(nameOf(DEVICE_COOKIE, isSecure), token, cookieOf(isSecure, YEAR_MS));
}
