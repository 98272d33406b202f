/** Who works in the shop, on what, and what each may do. */
import { z } from 'zod';
import { plainText } from './plain-text';

export const ROLES = ['owner', 'counter', 'bay'] as const;
export type Role = (typeof ROLES)[number];

/** What not everybody may do. */
export const ACTS = [
  'seePrices',
  'changeRates',
  'changeCatalogue',
  'delete',
  'forget',
  'handOver',
  'lookAfter',
] as const;
export type Act = (typeof ACTS)[number];

const MAY: Readonly<Record<Act, readonly Role[]>> = {
  seePrices: ['owner', 'counter'],
  changeRates: ['owner'],
  changeCatalogue: ['owner', 'counter'],
  delete: ['owner', 'counter'],
  forget: ['owner'],
  handOver: ['owner', 'counter'],
  /** The installation, the whole shop's file, people and their devices. */
  lookAfter: ['owner'],
};

export const mayDo = (role: Role, act: Act): boolean => MAY[act].includes(role);

const name = plainText(60).trim().min(1);
/** OWASP ASVS 4.0.3, 2.1.1 and 2.1.2: 12 to 128 characters; NIST SP 800-63B: no rules of composition. */
const password = z.string().min(12).max(128);
/** Only on a paired device, where a lock-out stands behind it. */
const pin = z.string().regex(/^\d{4,8}$/, 'four to eight digits');

export const whoSchema = z.object({
  name: z.string(),
  role: z.enum(ROLES),
  /** The paired device it is on. */
  device: z.string().nullable(),
});
export type Who = z.output<typeof whoSchema>;

export const meSchema = z.object({
  /** People sign in here. Otherwise the one at this machine is the owner, and has no name. */
  isAsked: z.boolean(),
  /** Nobody was made yet: the code on the server's console makes the owner. */
  isFirst: z.boolean(),
  who: whoSchema.nullable(),
  /** This browser is a paired device, called so: names and PINs do here. */
  device: z.string().nullable(),
  /** On a paired device alone. */
  names: z.array(z.string()),
});
export type Me = z.output<typeof meSchema>;

export const firstOwnerSchema = z.strictObject({ code: z.string().max(40), name, password });
export const signInSchema = z.union([
  z.strictObject({ name, password: z.string().max(200) }),
  z.strictObject({ name, pin: z.string().max(8) }),
]);

export const personContentSchema = z.strictObject({
  name,
  role: z.enum(ROLES),
  password: password.optional(),
  pin: pin.optional(),
});
/** What is left out stays as it is; a PIN of null is taken away. */
export const personChangeSchema = z.strictObject({
  role: z.enum(ROLES).optional(),
  password: password.optional(),
  pin: pin.nullish(),
  isAway: z.boolean().optional(),
});

export const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  role: z.enum(ROLES),
  hasPassword: z.boolean(),
  hasPin: z.boolean(),
  /** May not sign in; what they did stays under their name. */
  isAway: z.boolean(),
});
export type Person = z.output<typeof personSchema>;

export const deviceSchema = z.object({ id: z.uuid(), name: z.string(), pairedAt: z.string(), seenAt: z.string() });
export const sessionSchema = z.object({
  id: z.string(),
  name: z.string(),
  device: z.string().nullable(),
  seenAt: z.string(),
  isThis: z.boolean(),
});

export const peopleSchema = z.object({
  people: z.array(personSchema),
  devices: z.array(deviceSchema),
  sessions: z.array(sessionSchema),
});
export type People = z.output<typeof peopleSchema>;

/** A code that pairs one device within minutes, and the address that carries it. */
export const pairingSchema = z.object({ code: z.string(), address: z.string(), until: z.string() });
export const pairSchema = z.strictObject({ code: z.string().max(40), name });
