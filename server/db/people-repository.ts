import { and, asc, desc, eq, gt, lt, sql } from 'drizzle-orm';
import type { Role } from '@/contracts/people';
import type { Database } from './open';
import { codes, devices, people, secrets, sessions, tries } from './tables';

export interface StoredPerson {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly password: string | null;
  readonly pin: string | null;
  readonly isAway: boolean;
}

export interface StoredDevice {
  readonly id: string;
  readonly name: string;
  readonly pairedAt: Date;
  readonly seenAt: Date;
}

/** A name as it is compared: two people are not told apart by capitals. */
export const keyOf = (name: string): string => name.trim().toLowerCase();

const isOwner = ({ role, isAway, password }: StoredPerson): boolean => role === 'owner' && !isAway && password !== null;

/** Who signs in, on what, and how often somebody failed to. Holds no secret in clear. */
export class PeopleRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  list(): Promise<StoredPerson[]> {
    return this.#db.select().from(people).orderBy(asc(people.nameKey));
  }

  /** Whether somebody can sign in who looks after the shop. People who came in with a shop's file have no secrets yet. */
  async hasOwner(): Promise<boolean> {
    return (await this.list()).some(isOwner);
  }

  async called(name: string): Promise<StoredPerson | null> {
    const [person] = await this.#db
      .select()
      .from(people)
      .where(eq(people.nameKey, keyOf(name)));
    return person ?? null;
  }

  async person(id: string): Promise<StoredPerson | null> {
    const [person] = await this.#db.select().from(people).where(eq(people.id, id));
    return person ?? null;
  }

  /** null: somebody is called so already. */
  async add(person: Omit<StoredPerson, 'id' | 'isAway'>): Promise<StoredPerson | null> {
    const [made] = await this.#db
      .insert(people)
      .values({ ...person, nameKey: keyOf(person.name) })
      .onConflictDoNothing()
      .returning();
    return made ?? null;
  }

  /** The first owner, and only if there is none yet; somebody of that name who has no secrets becomes it. */
  async addFirst(person: Omit<StoredPerson, 'id' | 'isAway' | 'role'>): Promise<StoredPerson | null> {
    return this.#db.transaction(async (tx) => {
      await tx.execute(sql`lock table ${people} in exclusive mode`);
      if ((await tx.select().from(people)).some(isOwner)) return null;
      const row = { ...person, role: 'owner' as const, isAway: false };
      const [made] = await tx
        .insert(people)
        .values({ ...row, nameKey: keyOf(person.name) })
        .onConflictDoUpdate({ target: people.nameKey, set: row })
        .returning();
      return made!;
    });
  }

  /** `last`: nobody would be left who may look after the shop. A change of a secret or a leave ends the person's sessions. */
  async change(
    id: string,
    change: Partial<Pick<StoredPerson, 'role' | 'password' | 'pin' | 'isAway'>>,
  ): Promise<StoredPerson | 'gone' | 'last'> {
    return this.#db.transaction(async (tx) => {
      await tx.execute(sql`lock table ${people} in exclusive mode`);
      const all = await tx.select().from(people);
      const own = all.find((one) => one.id === id);
      if (!own) return 'gone';
      const next = { ...own, ...change };
      if (!all.some((one) => isOwner(one.id === id ? next : one))) return 'last';
      const [made] = await tx.update(people).set(change).where(eq(people.id, id)).returning();
      if (change.password !== undefined || change.pin !== undefined || change.isAway) {
        await tx.delete(sessions).where(eq(sessions.personId, id));
      }
      return made!;
    });
  }

  devices(): Promise<StoredDevice[]> {
    return this.#db.select().from(devices).orderBy(asc(devices.pairedAt));
  }

  async addDevice(name: string, token: string): Promise<StoredDevice> {
    const [made] = await this.#db.insert(devices).values({ name, token }).returning();
    return made!;
  }

  async deviceOf(token: string): Promise<StoredDevice | null> {
    const [device] = await this.#db.select().from(devices).where(eq(devices.token, token));
    return device ?? null;
  }

  async seenDevice(id: string): Promise<void> {
    await this.#db
      .update(devices)
      .set({ seenAt: sql`now()` })
      .where(eq(devices.id, id));
  }

  /** With everybody who is signed in on it. */
  async removeDevice(id: string): Promise<boolean> {
    return (await this.#db.delete(devices).where(eq(devices.id, id)).returning({ id: devices.id })).length > 0;
  }

  sessions() {
    const { id, seenAt } = sessions;
    return this.#db
      .select({ id, seenAt, name: people.name, device: devices.name })
      .from(sessions)
      .innerJoin(people, eq(people.id, sessions.personId))
      .leftJoin(devices, eq(devices.id, sessions.deviceId))
      .where(gt(sessions.until, sql`now()`))
      .orderBy(desc(sessions.seenAt));
  }

  async removeSession(id: string): Promise<boolean> {
    return (await this.#db.delete(sessions).where(eq(sessions.id, id)).returning({ id: sessions.id })).length > 0;
  }

  /** A code that is good once, until then. */
  async addCode(id: string, kind: 'pair' | 'first', until: Date): Promise<void> {
    if (kind === 'first') await this.#db.delete(codes).where(eq(codes.kind, 'first'));
    await this.#db.insert(codes).values({ id, kind, until });
  }

  /** Whether it was good; it is not again. */
  async useCode(id: string, kind: 'pair' | 'first'): Promise<boolean> {
    const used = await this.#db
      .delete(codes)
      .where(and(eq(codes.id, id), eq(codes.kind, kind), gt(codes.until, sql`now()`)))
      .returning({ id: codes.id });
    return used.length > 0;
  }

  /** ms until `what` may be tried again; 0: now. */
  async heldFor(what: string, most: number): Promise<number> {
    const [row] = await this.#db.select().from(tries).where(eq(tries.id, what));
    return row && row.count >= most ? Math.max(0, row.until.getTime() - Date.now()) : 0;
  }

  /** One more failure at `what`; it counts until `ms` after the last. */
  async failed(what: string, ms: number): Promise<void> {
    const until = new Date(Date.now() + ms);
    await this.#db
      .insert(tries)
      .values({ id: what, count: 1, until })
      .onConflictDoUpdate({
        target: tries.id,
        set: { count: sql`case when ${tries.until} < now() then 1 else ${tries.count} + 1 end`, until },
      });
  }

  async succeeded(what: string): Promise<void> {
    await this.#db.delete(tries).where(eq(tries.id, what));
  }

  /** The shared secret of this name; `made` where there is none yet. */
  async secret(name: string, made: string): Promise<string> {
    await this.#db.insert(secrets).values({ name, value: made }).onConflictDoNothing();
    const [row] = await this.#db.select().from(secrets).where(eq(secrets.name, name));
    return row!.value;
  }

  /** Takes away what is past its time. */
  async tidy(): Promise<void> {
    await this.#db.delete(sessions).where(lt(sessions.until, sql`now()`));
    await this.#db.delete(codes).where(lt(codes.until, sql`now()`));
    await this.#db.delete(tries).where(lt(tries.until, sql`now() - interval '1 day'`));
  }
}
