import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import type { Material } from '../shape/material';
import { usualWalk, type WalkStop } from '../walk/usual-walk';

/** Values of a new corner that stand in until they are measured, by the names under which the file keeps what was typed. */
export const STARTING_VALUES = [
  'tire',
  'wheel',
  'bumpMm',
  'droopMm',
  'lockLeftDeg',
  'lockRightDeg',
  'kingpinOffsetMm',
  'inclinationDeg',
  'casterDeg',
  'casterTrailMm',
  'staticCamberDeg',
  'staticToeDeg',
  'motion',
  'stopSpacingMm',
  'shockSpacingMm',
] as const;
export type StartingValue = (typeof STARTING_VALUES)[number];

/** Those without which no corner is known: what the gaps were taken against, and where the wheel can go. */
const DECIDING: readonly StartingValue[] = [
  'tire',
  'wheel',
  'bumpMm',
  'droopMm',
  'lockLeftDeg',
  'lockRightDeg',
  'motion',
  'stopSpacingMm',
];

/** Share of the things of the usual walk, and of its readings, below which a corner is not known. */
const LEAST_THINGS = 2 / 3;
const LEAST_READINGS = 1 / 2;

/** How much of a corner was measured. A verdict can say that something falls short; that all is clear it can say only of a known corner. */
export interface Known {
  /** Things that such a wheel's well has, less those said not to be on this vehicle, and how many have a place. */
  readonly things: Measured;
  /** Readings of the usual walk round them; a thing surveyed by its shape counts as read. */
  readonly readings: Measured;
  /** Values that nobody measured. */
  readonly starting: readonly StartingValue[];
  readonly isEnough: boolean;
  /** What to measure first; null where nothing is wanting. */
  readonly first: WantedFirst | null;
}

export interface Measured {
  readonly have: number;
  readonly of: number;
}

export type WantedFirst =
  | { readonly kind: 'value'; readonly value: StartingValue }
  | { readonly kind: 'thing'; readonly label: string }
  | { readonly kind: 'readings' }
  /** New upper arms come on: what was surveyed on the old ones is there no longer. */
  | { readonly kind: 'newArm'; readonly label: string }
  /** Its readings contradict each other. */
  | { readonly kind: 'contradiction'; readonly label: string }
  /** It rubs today, and by its readings it does not; or the other way round. */
  | { readonly kind: 'rub'; readonly label: string };

type Group = 'body' | 'frame' | 'suspension';

/** What a material says of where a thing stands in the well. */
const GROUPS: Readonly<Record<Material, Group>> = {
  sheetMetal: 'body',
  plastic: 'body',
  liner: 'body',
  frame: 'frame',
  bodyMount: 'frame',
  arm: 'suspension',
  knuckle: 'suspension',
  brake: 'suspension',
  spring: 'suspension',
  swayBar: 'suspension',
  hose: 'suspension',
  wire: 'suspension',
};

const NOTHING_SEEN: ReadonlySet<string> = new Set();

/** What was measured of a corner, against what the usual walk of such a wheel asks for. `seen`: things that a photo shows. */
export function cornerKnown(corner: CornerDescription, seen: ReadonlySet<string> = NOTHING_SEEN): Known {
  const skipped = new Set(corner.skipped ?? []);
  const stops = usualWalk(corner).filter(({ id }) => !skipped.has(id));
  const measured = corner.obstacles.filter((obstacle) => isMeasured(obstacle, seen) && !obstacle.insideWheel);
  const open = openStops(stops, measured);
  const things = { have: stops.length - open.length, of: stops.length };
  const asked = stops.reduce((sum, { steps }) => sum + steps.length, 0);
  const readings = { have: Math.min(asked, readingsOf(measured, seen, asked)), of: asked };
  // A ramp reading says where the stops stand.
  const ramped = corner.travel.rampHereMm !== undefined;
  const starting = STARTING_VALUES.filter(
    (value) => corner.starting?.includes(value) && !(ramped && value === 'stopSpacingMm'),
  );
  const deciding = starting.find((value) => DECIDING.includes(value));
  const lacksThings = things.of > 0 && things.have < Math.ceil(LEAST_THINGS * things.of);
  const lacksReadings = readings.have < LEAST_READINGS * readings.of;
  return {
    things,
    readings,
    starting,
    isEnough: measured.length > 0 && deciding === undefined && !lacksThings && !lacksReadings,
    first: firstOf(deciding, open, measured.length === 0 || lacksThings, lacksReadings),
  };
}

/**
 * Whether anything can be said to clear on several corners together: one of them is known, and none was begun and left unknown. A
 * corner that nobody began is only said nothing of.
 */
export const canClear = <Corner>(
  corners: readonly Corner[],
  notKnown: readonly Corner[],
  begun: readonly Corner[],
): boolean => notKnown.length < corners.length && !notKnown.some((corner) => begun.includes(corner));

/** Standard deviations by which a rub is missed before a thing's readings are not believed. */
const MOST_RUB_MISS = 2;

/** What of a thing's survey speaks against itself. */
export interface Unsettled {
  readonly label: string;
  readonly contradicts: boolean;
  readonly rubMiss: number;
}

/** The same, with what the survey says against itself: a thing whose readings do not agree is not known. */
export function knownWith(known: Known, things: readonly Unsettled[]): Known {
  const found = things.find(({ contradicts, rubMiss }) => contradicts || rubMiss > MOST_RUB_MISS);
  if (!found || (known.first && !known.isEnough)) return known;
  return {
    ...known,
    isEnough: false,
    first: { kind: found.rubMiss > MOST_RUB_MISS ? 'rub' : 'contradiction', label: found.label },
  };
}

/** The same under a setup: the things on arms that come off are not known until they are measured on the new ones. */
export function knownUnder(known: Known, countedParts: readonly LiftPart[], things: readonly OnMount[]): Known {
  const isNew = countedParts.some((part) => part.kind === 'upperArm' && !part.measured);
  const found = isNew ? things.find(({ mount }) => mount === 'upperArm') : undefined;
  if (!found || (known.first && !known.isEnough)) return known;
  return { ...known, isEnough: false, first: { kind: 'newArm', label: found.label } };
}

/** A thing by what it moves with. */
interface OnMount {
  readonly label: string;
  readonly mount: Mount | 'hub';
}

/** Has a place of its own; one that was borrowed from another vehicle only once it was checked on this one. */
const isMeasured = ({ id, readings, shape, borrowed }: ObstacleDescription, seen: ReadonlySet<string>): boolean =>
  (borrowed === undefined || borrowed.settled === true) &&
  (shape !== undefined || (readings?.length ?? 0) > 0 || seen.has(id));

/** Readings that a thing's shape or its picture stands for: as many as the walk asks of most things. */
const READINGS_OF_SHAPE = 3;

/** Stops of the walk that nothing measured stands for: by its own id, else by another thing of its group. */
function openStops(stops: readonly WalkStop[], measured: readonly ObstacleDescription[]): WalkStop[] {
  const free = new Set(measured);
  const take = (found: ObstacleDescription | undefined): boolean => found !== undefined && free.delete(found);
  const unnamed = stops.filter(({ id }) => !take(measured.find((one) => one.id === id)));
  return unnamed.filter(({ material }) => !take([...free].find((one) => GROUPS[one.material] === GROUPS[material])));
}

function readingsOf(measured: readonly ObstacleDescription[], seen: ReadonlySet<string>, whole: number): number {
  if (measured.length > 0 && measured.every(({ shape }) => shape !== undefined)) return whole;
  return measured.reduce(
    (sum, { id, readings = [], shape }) => sum + readings.length + (shape || seen.has(id) ? READINGS_OF_SHAPE : 0),
    0,
  );
}

function firstOf(
  deciding: StartingValue | undefined,
  open: readonly WalkStop[],
  lacksThings: boolean,
  lacksReadings: boolean,
): WantedFirst | null {
  if (deciding !== undefined) return { kind: 'value', value: deciding };
  if (lacksThings) return open[0] ? { kind: 'thing', label: open[0].label } : { kind: 'readings' };
  return lacksReadings ? { kind: 'readings' } : null;
}
