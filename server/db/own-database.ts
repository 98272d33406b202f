import { randomUUID } from 'node:crypto';
import pg from 'pg';

export interface OwnDatabase {
  readonly url: string;
  /** One statement on it, by a connection of its own. */
  run(text: string): Promise<readonly Record<string, unknown>[]>;
  drop(): Promise<void>;
}

const once = async (url: string, text: string): Promise<readonly Record<string, unknown>[]> => {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(text)).rows;
  } finally {
    await client.end();
  }
};

/** An empty database on the PostgreSQL server at `server`, so that what one suite says no other one reads. */
export async function ownDatabase(server: string): Promise<OwnDatabase> {
  const name = `lowgap_${randomUUID().replaceAll('-', '')}`;
  await once(server, `create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return {
    url: url.href,
    run: (text) => once(url.href, text),
    drop: async () => void (await once(server, `drop database ${name} with (force)`)),
  };
}
