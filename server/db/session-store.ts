import { and, eq, gt, lt, sql } from 'drizzle-orm';
import { Store, type SessionData } from 'express-session';
import { createHash } from 'node:crypto';
import type { Database } from './open';
import { sessions } from './tables';

declare module 'express-session' {
  interface SessionData {
    personId?: string;
    deviceId?: string | null;
  }
}

/** A session's name in the database: whoever reads it there cannot use it. */
export const sessionKey = (sid: string): string => createHash('sha256').update(sid).digest('base64url');

/** Sessions in the database, shared by every process on it. */
export class SessionStore extends Store {
  readonly #db: Database;

  constructor(db: Database) {
    super();
    this.#db = db;
  }

  override get(sid: string, done: (error: unknown, session?: SessionData | null) => void): void {
    this.#db
      .select({ data: sessions.data })
      .from(sessions)
      .where(and(eq(sessions.id, sessionKey(sid)), gt(sessions.until, sql`now()`)))
      .then(([row]) => done(null, (row?.data as SessionData | undefined) ?? null), done);
  }

  override set(sid: string, data: SessionData, done?: (error?: unknown) => void): void {
    const { personId = null, deviceId = null } = data;
    const until = untilOf(data);
    const row = { personId, deviceId, data, until, seenAt: new Date() };
    this.#db
      .insert(sessions)
      .values({ id: sessionKey(sid), ...row })
      .onConflictDoUpdate({ target: sessions.id, set: row })
      .then(() => done?.(), done);
  }

  override touch(sid: string, data: SessionData, done?: () => void): void {
    this.#db
      .update(sessions)
      .set({ until: untilOf(data), seenAt: new Date() })
      // Not at every request: each write waits for the disk.
      .where(and(eq(sessions.id, sessionKey(sid)), lt(sessions.seenAt, sql`now() - interval '1 minute'`)))
      .then(
        () => done?.(),
        () => done?.(),
      );
  }

  override destroy(sid: string, done?: (error?: unknown) => void): void {
    this.#db
      .delete(sessions)
      .where(eq(sessions.id, sessionKey(sid)))
      .then(() => done?.(), done);
  }
}

const HALF_DAY_MS = 12 * 3600_000;

const untilOf = ({ cookie }: SessionData): Date =>
  cookie.expires ? new Date(cookie.expires) : new Date(Date.now() + HALF_DAY_MS);
