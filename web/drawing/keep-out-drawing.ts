/**
 * The keep-out region as lines: what the clear section draws. Places are [mm outboard of the hub face, mm radius].
 */
import { contours } from 'd3-contour';
import {
  KEEP_OUT_ZONES,
  type KeepOut,
  type KeepOutField,
  type KeepOutZone,
} from '@/core/4-clearance/pictures/keep-out';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import { toDegrees } from '@/core/1-base/units/angle';

export type PlanePlace = readonly [a: number, r: number];

/** A stretch of the region's edge that belongs to one obstacle. */
export interface KeepOutStrand {
  readonly obstacle: string;
  readonly zone: KeepOutZone;
  readonly places: readonly PlanePlace[];
  /** About the posture in which each place is met: steer in degrees (+ = left), travel in mm. */
  readonly postures: readonly (readonly [steerDeg: number, travelMm: number])[];
}

export interface ZoneDrawing {
  readonly zone: KeepOutZone;
  /** Rings of the region, and of the region grown by the room that is wanted. */
  readonly region: readonly (readonly PlanePlace[])[];
  readonly wanted: readonly (readonly PlanePlace[])[];
}

export interface KeepOutDrawing {
  readonly window: PlaneWindow;
  readonly zones: readonly ZoneDrawing[];
  readonly strands: readonly KeepOutStrand[];
  readonly thinnedBy: number;
}

/** mm2: holes smaller than this are grains of the raster. */
const LEAST_HOLE_MM2 = 60;
/** mm: stretches shorter than this are taken by what is next to them. */
const LEAST_STRAND_MM = 10;

export function keepOutDrawing(picture: KeepOut): KeepOutDrawing {
  const { window } = picture;
  const zones: ZoneDrawing[] = [];
  const strands: KeepOutStrand[] = [];
  for (const zone of KEEP_OUT_ZONES) {
    const field = picture.zones[zone];
    if (!field) continue;
    const region = ringsBelowZero(field.touchMm, window);
    zones.push({ zone, region, wanted: ringsBelowZero(field.wantedMm, window) });
    for (const ring of region) strands.push(...strandsOf(ring, zone, field, picture));
  }
  return { window, zones, strands, thinnedBy: picture.thinnedBy };
}

/** Rings around where a field is below zero, outer ones and holes alike. */
function ringsBelowZero(field: Float32Array, window: PlaneWindow): PlanePlace[][] {
  const { columns, rows, stepMm, fromAMm, fromRMm } = window;
  const far = columns + rows;
  // Counted through: a list made of so many cells by a function for each takes many times as long.
  const values = new Array<number>(field.length);
  for (let i = 0; i < field.length; i++) values[i] = field[i] === Infinity ? -far : -field[i]! / stepMm;
  const [found] = contours().size([columns, rows]).thresholds([0])(values);
  return (found?.coordinates ?? []).flatMap((polygon) =>
    polygon
      .map((ring) => ring.map(([x, y]): PlanePlace => [fromAMm + x! * stepMm, fromRMm + y! * stepMm]))
      // The first is the outer ring, the others are holes.
      .filter((ring, i) => i === 0 || Math.abs(areaOf(ring)) >= LEAST_HOLE_MM2),
  );
}

function areaOf(ring: readonly PlanePlace[]): number {
  let twice = 0;
  ring.forEach(([a, r], i) => {
    const [b, s] = ring[(i + 1) % ring.length]!;
    twice += a * s - b * r;
  });
  return twice / 2;
}

/** Cuts a ring where another obstacle takes over; the window's own border is no edge. */
function strandsOf(
  ring: readonly PlanePlace[],
  zone: KeepOutZone,
  field: KeepOutField,
  { window, obstacles, postures }: KeepOut,
): KeepOutStrand[] {
  const { columns, rows, stepMm, fromAMm, fromRMm } = window;
  const runs: { owner: number; places: PlanePlace[]; cells: number[] }[] = [];
  for (const place of ring) {
    const column = Math.floor((place[0] - fromAMm) / stepMm);
    const row = Math.floor((place[1] - fromRMm) / stepMm);
    const onBorder = column < 1 || row < 1 || column >= columns - 1 || row >= rows - 1;
    const cell = Math.min(rows - 1, Math.max(0, row)) * columns + Math.min(columns - 1, Math.max(0, column));
    const owner = onBorder ? -1 : field.obstacle[cell]!;
    const last = runs.at(-1);
    if (last?.owner === owner) {
      last.places.push(place);
      last.cells.push(cell);
    } else {
      runs.push({ owner, places: [place], cells: [cell] });
    }
  }
  const kept: typeof runs = [];
  for (const run of runs) {
    const before = kept.at(-1);
    const short = run.places.length * stepMm < LEAST_STRAND_MM;
    if (before && before.owner >= 0 && (before.owner === run.owner || (short && run.owner >= 0))) {
      before.places.push(...run.places);
      before.cells.push(...run.cells);
    } else {
      kept.push(run);
    }
  }
  return kept
    .filter(({ owner, places }) => owner >= 0 && places.length > 1)
    .map(({ owner, places, cells }) => ({
      obstacle: obstacles[owner]!,
      zone,
      places,
      postures: cells.map((cell) => {
        const { steer, travel } = postures[field.posture[cell]!]!;
        return [toDegrees(steer), travel] as const;
      }),
    }));
}
