import { Router } from 'express';
import { z } from 'zod';
import {
  firstOwnerSchema,
  meSchema,
  pairingSchema,
  pairSchema,
  peopleSchema,
  personChangeSchema,
  personContentSchema,
  personSchema,
  signInSchema,
  whoSchema,
  type Me,
  type Person,
} from '@/contracts/people';
import type { StoredPerson } from '../db/people-repository';
import { sessionKey } from '../db/session-store';
import { atMost } from '../guard';
import { answer, checked, refuse } from '../http';
import { codeMeant, digest, hidden, newCode, newToken } from '../people/secrets';
import { begin, end, holdDevice } from '../people/session';
import { only, PAIRING_MS, signedIn, type SignIn } from '../people/sign-in';

/** Tries a minute from one address, whatever the names. */
const MOST_TRIES = 30;

const toWire = ({ id, name, role, password, pin, isAway }: StoredPerson): Person =>
  personSchema.parse({ id, name, role, isAway, hasPassword: password !== null, hasPin: pin !== null });

const NOBODY_ASKED: Me = { isAsked: false, isFirst: false, who: null, device: null, names: [] };

const idOf = (params: unknown): string => checked(z.object({ id: z.uuid() }), params).id;

/** `/api/people`: who signs in, on which devices. Where nobody does, it says so. */
export function peopleRoutes(signIn: SignIn | null, isSecure: boolean): Router {
  const router = Router();
  router.get(
    '/me',
    answer(async (request) => meSchema.parse((await signIn?.me(request.who, request.device ?? null)) ?? NOBODY_ASKED)),
  );
  if (!signIn) return router;
  const { people } = signIn;
  const tries = atMost(MOST_TRIES, 'tries');
  const wrongCode = (): never => refuse(401, 'notAllowed', 'code', 'a code that is still good', 'another one');

  router.post(
    '/first',
    tries,
    answer(async (request) => {
      const { code, name, password } = checked(firstOwnerSchema, request.body);
      if (!(await people.useCode(digest(codeMeant(code)), 'first'))) wrongCode();
      const person = await people.addFirst({ name, password: await hidden(password), pin: null });
      if (!person) refuse(409, 'conflict', '', 'a shop without people', 'one that has an owner');
      await begin(request, person!.id, null);
      return whoSchema.parse({ name: person!.name, role: person!.role, device: null });
    }),
  );

  router.post(
    '/sign-in',
    tries,
    answer(async (request) => {
      const { name, ...given } = checked(signInSchema, request.body);
      const device = request.device ?? null;
      const { personId, who } = await signIn.check(name, given, device, request.ip ?? '');
      await begin(request, personId, 'pin' in given ? (device?.id ?? null) : null);
      if (device) await people.seenDevice(device.id);
      return whoSchema.parse(who);
    }),
  );

  router.post(
    '/sign-out',
    answer(async (request) => {
      await end(request);
      return undefined;
    }),
  );

  router.post(
    '/pair',
    tries,
    answer(async (request) => {
      const { code, name } = checked(pairSchema, request.body);
      if (!(await people.useCode(digest(codeMeant(code)), 'pair'))) wrongCode();
      const token = newToken();
      await people.addDevice(name, digest(token));
      holdDevice(request, token, isSecure);
      return undefined;
    }),
  );

  router.use(signedIn, only('lookAfter'));

  router.get(
    '/',
    answer(async (request) => {
      const [all, devices, sessions] = await Promise.all([people.list(), people.devices(), people.sessions()]);
      const own = sessionKey(request.sessionID);
      return peopleSchema.parse({
        people: all.map(toWire),
        devices: devices.map(({ id, name, pairedAt, seenAt }) => ({
          id,
          name,
          pairedAt: pairedAt.toISOString(),
          seenAt: seenAt.toISOString(),
        })),
        sessions: sessions.map((one) => ({ ...one, seenAt: one.seenAt.toISOString(), isThis: one.id === own })),
      });
    }),
  );

  router.post(
    '/',
    answer(async (request, response) => {
      const { name, role, password, pin } = checked(personContentSchema, request.body);
      const person = await people.add({
        name,
        role,
        password: password === undefined ? null : await hidden(password),
        pin: pin === undefined ? null : await hidden(pin),
      });
      if (!person) refuse(409, 'conflict', 'name', 'a name nobody has', name);
      response.status(201);
      return toWire(person!);
    }),
  );

  router.put(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      const { role, password, pin, isAway } = checked(personChangeSchema, request.body);
      const changed = await people.change(id, {
        ...(role === undefined ? {} : { role }),
        ...(isAway === undefined ? {} : { isAway }),
        ...(password === undefined ? {} : { password: await hidden(password) }),
        ...(pin === undefined ? {} : { pin: pin === null ? null : await hidden(pin) }),
      });
      if (changed === 'gone') return refuse(404, 'notFound', 'id', 'somebody of this shop', id);
      if (changed === 'last') return refuse(409, 'contradiction', 'role', 'an owner who is left', 'none');
      return toWire(changed);
    }),
  );

  router.post(
    '/pairing',
    answer(async (request) => {
      const code = newCode();
      const until = new Date(Date.now() + PAIRING_MS);
      await people.addCode(digest(codeMeant(code)), 'pair', until);
      const address = `${isSecure ? 'https' : 'http'}://${request.headers.host}/pair#${code}`;
      return pairingSchema.parse({ code, address, until: until.toISOString() });
    }),
  );

  router.delete(
    '/devices/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      if (!(await people.removeDevice(id))) refuse(404, 'notFound', 'id', 'a paired device', id);
      return undefined;
    }),
  );

  router.delete(
    '/sessions/:id',
    answer(async (request) => {
      const { id } = checked(z.object({ id: z.string().max(60) }), request.params);
      if (!(await people.removeSession(id))) refuse(404, 'notFound', 'id', 'a session', id);
      return undefined;
    }),
  );

  return router;
}
