import { asCase } from '@/contracts/as-case';
import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import { CORNER_KEYS, type CornerKey, type Axle, sideOf } from '@/core/2-vehicle/setup/corner-key';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { withOffset } from '@/core/2-vehicle/wheel/with-offset';
import { startingSetup } from '../stores/starting-setup';

export type PartSide = 'both' | 'left' | 'right';

/** A part of an axle, on both sides or on one. */
export interface AxlePart {
  readonly part: LiftPart;
  readonly side: PartSide;
}

/** Described corners of an axle. */
export const cornersOf = (file: LowgapFile, axle: Axle): CornerKey[] =>
  CORNER_KEYS.filter((key) => key.startsWith(axle) && file.corners[key] !== undefined);

const partsAt = (file: LowgapFile, key: CornerKey): readonly LiftPart[] =>
  file.setup ? (enteredSetupFor(asCase(file), key).parts ?? []) : [];

/** Parts of an axle: what both sides have alike is on both. */
export function axleParts(file: LowgapFile, axle: Axle): AxlePart[] {
  const keys = cornersOf(file, axle);
  const [first, second] = keys;
  if (!first) return [];
  const own = partsAt(file, first).map((part) => ({ part, side: sideOf(first) }));
  if (!second) return own.map(({ part }) => ({ part, side: 'both' }));
  const others = [...partsAt(file, second)];
  const rows = own.map(({ part, side }): AxlePart => {
    const twin = others.findIndex((other) => JSON.stringify(other) === JSON.stringify(part));
    if (twin < 0) return { part, side };
    others.splice(twin, 1);
    return { part, side: 'both' };
  });
  return [...rows, ...others.map((part): AxlePart => ({ part, side: sideOf(second) }))];
}

/** Puts parts on an axle of the tried setup; what is tried begins with what is fitted. */
export function setAxleParts(file: LowgapFile, axle: Axle, parts: readonly AxlePart[]): void {
  file.setup ??= startingSetup(file);
  const setup = file.setup;
  const corners: NonNullable<LowgapSetup['corners']> = { ...setup.corners };
  for (const key of cornersOf(file, axle)) {
    const own = parts.filter(({ side }) => side === 'both' || side === sideOf(key)).map(({ part }) => part);
    corners[key] = { ...corners[key], parts: structuredClone(own) as NonNullable<LowgapSetup['parts']> };
  }
  setup.corners = corners;
}

/** Adds to the lift on the spring of an axle, or of one side of it, mm; a lift of nothing is taken off. */
export function addRide(file: LowgapFile, axle: Axle, side: PartSide, mm: number): void {
  if (Math.abs(mm) < 0.05) return;
  const own = axleParts(file, axle);
  const at = own.findIndex((one) => one.part.kind === 'ride' && one.side === side);
  const found = own[at]?.part;
  const liftMm = Math.round(10 * ((found?.kind === 'ride' ? found.liftMm : 0) + mm)) / 10;
  const rest = own.filter((_, i) => i !== at);
  setAxleParts(file, axle, liftMm === 0 ? rest : [...rest, { part: { kind: 'ride', liftMm }, side }]);
}

/** Gives an axle's tried wheels another offset; what is tried begins with what is fitted. */
export function setAxleOffset(file: LowgapFile, axle: Axle, offsetMm: number): void {
  const setup = (file.setup ??= startingSetup(file));
  const corners: NonNullable<LowgapSetup['corners']> = { ...setup.corners };
  for (const key of cornersOf(file, axle)) {
    const wheel = corners[key]?.wheel ?? setup.wheel;
    corners[key] = { ...corners[key], wheel: withOffset(wheel, offsetMm) };
  }
  setup.corners = corners;
}
