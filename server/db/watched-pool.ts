import pg from 'pg';

/** ms that whoever has a connection in hand is given to let go of it after it broke. */
const GRACE_MS = 1000;

/**
 * Connections of which none is lost. One that breaks in somebody's hand is taken back: a transaction whose very first statement fails is never
 * heard of again by the query builder, and after a few of them there would be no connection left.
 */
export class WatchedPool extends pg.Pool {
  constructor(config: pg.PoolConfig, onBroken: (error: Error) => void) {
    super(config);
    // Without listeners one connection that the server drops would end the process: the pool's own is for those nobody has in hand.
    this.on('error', onBroken);
    this.on('connect', (client) => client.on('error', onBroken));
  }

  override connect(): Promise<pg.PoolClient>;
  override connect(
    told: (error: Error | undefined, client: pg.PoolClient | undefined, done: (release?: unknown) => void) => void,
  ): void;
  override connect(
    told?: (error: Error | undefined, client: pg.PoolClient | undefined, done: (release?: unknown) => void) => void,
  ): Promise<pg.PoolClient> | void {
    return told ? super.connect(told) : super.connect().then(watched);
  }
}

function watched(client: pg.PoolClient): pg.PoolClient {
  const release = client.release.bind(client);
  let isOut = true;
  client.release = (broken) => {
    if (!isOut) return;
    isOut = false;
    client.off('error', takeBack);
    release(broken);
  };
  const takeBack = (): void => void setTimeout(() => client.release(true), GRACE_MS).unref();
  client.once('error', takeBack);
  return client;
}
