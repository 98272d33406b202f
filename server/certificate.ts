import { X509Certificate } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';

export interface Certificate {
  readonly cert: string;
  readonly key: string;
  /** Made here: a browser says so at its first visit, and shows this print of it (SHA-256). */
  readonly ownPrint: string | null;
}

/** Days a certificate made here is good, and before its end that another one is made. */
const DAYS_GOOD = 397;
const DAYS_LEFT = 30;
const DAY_MS = 24 * 3600_000;

/** The shop's own certificate. @throws Error that says which file cannot be used */
export async function givenCertificate(certPath: string, keyPath: string): Promise<Certificate> {
  const read = (path: string): Promise<string> =>
    readFile(path, 'utf8').catch((error: unknown) => {
      throw new Error(
        `The certificate's file ${path} cannot be read (${(error as { code?: string }).code ?? 'no reason given'}).`,
        {
          cause: error,
        },
      );
    });
  return { cert: await read(certPath), key: await read(keyPath), ownPrint: null };
}

/** A certificate made at the first start and kept in `directory` until shortly before its end. */
export async function ownCertificate(directory: string, names: readonly string[], now: Date): Promise<Certificate> {
  const [certPath, keyPath] = [join(directory, 'cert.pem'), join(directory, 'key.pem')];
  const kept = await Promise.all([readFile(certPath, 'utf8'), readFile(keyPath, 'utf8')]).catch(() => null);
  if (kept && isGood(kept[0], now)) return withPrint(kept[0], kept[1]);
  const alternatives = names.map((name) => {
    const bare = name.replace(/^\[|\]$/g, '');
    return isIP(bare) ? ({ type: 7, ip: bare } as const) : ({ type: 2, value: bare } as const);
  });
  const { cert, private: key } = await generate([{ name: 'commonName', value: 'Low Gap' }], {
    keySize: 2048,
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - DAY_MS),
    notAfterDate: new Date(now.getTime() + DAYS_GOOD * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'subjectAltName', altNames: alternatives },
    ],
  });
  await mkdir(directory, { recursive: true, mode: 0o700 });
  await writeFile(keyPath, key, { mode: 0o600 });
  await writeFile(certPath, cert, { mode: 0o644 });
  return withPrint(cert, key);
}

const isGood = (cert: string, now: Date): boolean =>
  new Date(new X509Certificate(cert).validTo).getTime() - now.getTime() > DAYS_LEFT * DAY_MS;

const withPrint = (cert: string, key: string): Certificate => ({
  cert,
  key,
  ownPrint: new X509Certificate(cert).fingerprint256,
});
