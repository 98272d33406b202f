import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';

/** Cost of a guess: about 32 MB and a tenth of a second (OWASP Password Storage Cheat Sheet: N 2^15, r 8, p 3). */
const COST = { N: 2 ** 15, r: 8, p: 3 } as const;
const BYTES = 32;

const derived = (secret: string, salt: Buffer, { N, r, p }: { N: number; r: number; p: number }): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(secret.normalize('NFKC'), salt, BYTES, { N, r, p, maxmem: 256 * N * r }, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  );

/** What is kept of a password or a PIN: `scrypt:N:r:p:salt:key`. */
export async function hidden(secret: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derived(secret, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join(':');
}

/** Stands in where there is no such person, so that a guess at a name takes as long as one at a password. */
const NOBODY = hidden(randomBytes(16).toString('hex'));

/** Whether `secret` is the one that `kept` was made of; null: nobody's. */
export async function isSecret(secret: string, kept: string | null): Promise<boolean> {
  const [, N, r, p, salt, key] = (kept ?? (await NOBODY)).split(':');
  const own = Buffer.from(key!, 'base64');
  const found = await derived(secret, Buffer.from(salt!, 'base64'), { N: Number(N), r: Number(r), p: Number(p) });
  return timingSafeEqual(own, found) && kept !== null;
}

/** A name that nobody guesses. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of a token: whoever reads the database cannot come in by it. */
export const digest = (token: string): string => createHash('sha256').update(token).digest('base64url');

/** Letters and digits that are not taken for one another. */
const CODE_LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';

/** A code to be read from one screen and typed at another: `7KQ2-M4XV-9TBC`, 60 bits. */
export const newCode = (): string =>
  [0, 1, 2].map(() => Array.from({ length: 4 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')).join('-');

/** A typed code as it was meant. */
export const codeMeant = (typed: string): string => typed.toUpperCase().replace(/[^0-9A-Z]/g, '');
