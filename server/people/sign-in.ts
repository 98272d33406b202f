import type { RequestHandler } from 'express';
import type { Act, Me, Who } from '@/contracts/people';
import { mayDo } from '@/contracts/people';
import type { Change } from '@/contracts/changes/change';
import { isFields } from '@/contracts/changes/change';
import type { PeopleRepository, StoredDevice } from '../db/people-repository';
import { refuse } from '../http';
import { codeMeant, digest, isSecret, newCode } from './secrets';

declare module 'express-serve-static-core' {
  interface Request {
    /** Who asks; on loopback without sign-in the owner, who has no name. */
    who?: Who;
  }
}

/** The one at the machine itself, where nobody signs in. */
export const ALONE: Who = { name: '', role: 'owner', device: null };

const MINUTE_MS = 60_000;

/** Failures after which a name is held from one address, and from all of them. */
const MOST_FROM_ONE = 5;
const MOST_FROM_ALL = 40;
const HELD_MS = 15 * MINUTE_MS;

/** How long the code on the console, and one that pairs, are good. */
const FIRST_MS = 24 * 60 * MINUTE_MS;
export const PAIRING_MS = 10 * MINUTE_MS;

export interface Found {
  readonly personId: string;
  readonly who: Who;
}

/** Signing in: by a password anywhere, by a PIN on a paired device. */
export class SignIn {
  readonly people: PeopleRepository;

  constructor(people: PeopleRepository) {
    this.people = people;
  }

  /** The code that makes the first owner, for the console; null: there is one. */
  async firstCode(): Promise<string | null> {
    if (await this.people.hasOwner()) return null;
    const code = newCode();
    await this.people.addCode(digest(codeMeant(code)), 'first', new Date(Date.now() + FIRST_MS));
    return code;
  }

  /** @throws Refusal 401 for whatever was wrong, 429 while the name is held */
  async check(
    name: string,
    given: { readonly password: string } | { readonly pin: string },
    device: StoredDevice | null,
    address: string,
  ): Promise<Found> {
    const name_ = name.trim().toLowerCase();
    const [here, all] = [`${name_} from ${address}`, `${name_} from all`];
    const held = Math.max(
      await this.people.heldFor(here, MOST_FROM_ONE),
      await this.people.heldFor(all, MOST_FROM_ALL),
    );
    if (held > 0) {
      const minutes = Math.ceil(held / MINUTE_MS);
      refuse(
        429,
        'busy',
        'name',
        `another try in ${minutes === 1 ? 'a minute' : `${minutes} minutes`}`,
        'too many that failed',
      );
    }
    const person = await this.people.called(name);
    const isPin = 'pin' in given;
    const kept = person && !person.isAway ? (isPin ? person.pin : person.password) : null;
    const isRight = await isSecret(isPin ? given.pin : given.password, kept);
    if (!person || !isRight || (isPin && !device)) {
      await this.people.failed(here, HELD_MS);
      await this.people.failed(all, HELD_MS);
      // Not which of the two was wrong.
      refuse(401, 'notAllowed', 'name', isPin ? 'a name and its PIN' : 'a name and its password', 'something else');
    }
    await this.people.succeeded(here);
    return { personId: person!.id, who: { name: person!.name, role: person!.role, device: device?.name ?? null } };
  }

  async me(who: Who | undefined, device: StoredDevice | null): Promise<Me> {
    const [all, hasOwner] = await Promise.all([this.people.list(), this.people.hasOwner()]);
    return {
      isAsked: true,
      isFirst: !hasOwner,
      who: who ?? null,
      device: device?.name ?? null,
      names: device ? all.filter(({ isAway, pin }) => !isAway && pin !== null).map(({ name }) => name) : [],
    };
  }
}

/** Only those who are signed in. */
export const signedIn: RequestHandler = (request, _response, next) => {
  if (!request.who) refuse(401, 'notAllowed', '', 'somebody who is signed in', 'nobody');
  next();
};

/** Whether the one who asks may do that. */
export const may = (request: { readonly who?: Who }, act: Act): boolean => mayDo((request.who ?? ALONE).role, act);

/** @throws Refusal 403 */
export function mustMay(request: { readonly who?: Who }, act: Act): void {
  const { role } = request.who ?? ALONE;
  if (!mayDo(role, act)) refuse(403, 'notAllowed', '', WANTED[act], `the role ${role}`);
}

/** Only those who may do that. */
export const only =
  (act: Act): RequestHandler =>
  (request, _response, next) => {
    mustMay(request, act);
    next();
  };

const WANTED: Readonly<Record<Act, string>> = {
  seePrices: 'somebody who may see prices',
  changeRates: 'somebody who may change rates',
  changeCatalogue: 'somebody who may change tires and wheels',
  delete: 'somebody who may throw things away',
  forget: 'somebody who may forget for good',
  handOver: 'somebody who may hand over',
  lookAfter: 'somebody who looks after the installation',
};

/** Who changed something, as it is kept: `Ada at Bay 2`. null: nobody has a name here. */
export function nameOf({ who }: { readonly who?: Who }): string | null {
  if (!who || who.name === '') return null;
  return who.device === null ? who.name : `${who.name} at ${who.device}`;
}

/** Whether a change hands the vehicle over, or takes that back. */
export function handsOver(changes: readonly Change[]): boolean {
  const day = (value: unknown): unknown => (isFields(value) ? value['handedOver'] : undefined);
  return changes.some(({ path, was, now }) => {
    const [first, second, third] = path;
    if (first !== 'document') return path.length === 0;
    if (second === undefined) {
      return day(isFields(was) ? was['followUp'] : undefined) !== day(isFields(now) ? now['followUp'] : undefined);
    }
    if (second !== 'followUp') return false;
    return third === undefined ? day(was) !== day(now) : third === 'handedOver';
  });
}
