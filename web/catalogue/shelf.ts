/** What stands on the shop's shelves: each part with its name, what is known of it, and what it takes to draw it. */
import {
  spacerItemSchema,
  tireItemSchema,
  wheelItemSchema,
  type CatalogueItem,
  type SpacerItem,
  type TireItem,
  type WheelItem,
} from '@/contracts/catalogue';
import { attempt } from '@/core/1-base/problem';
import { flatten, type PlanePoint } from '@/core/1-base/geometry/outline';
import { formatMm, mmToIn, signedMm } from '@/core/1-base/units/length';
import { formatMoney } from '@/core/1-base/units/money';
import type { CommonSize } from '@/core/2-vehicle/tire/common-sizes';
import { designRimIn } from '@/core/2-vehicle/tire/dimensions';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { tireOf } from '@/core/2-vehicle/tire/tire-shape';
import { parseBoltPattern } from '@/core/2-vehicle/wheel/bolt-pattern';
import { backspacingFromOffset, wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';
import { wheelSectionPolygon } from '@/core/2-vehicle/wheel/wheel-section';
import { TIRE_KIND_WORDS } from '../words';

/** Half of a section about the axle line: `a` mm across, outboard positive, `r` mm from the axle line. */
type HalfSection = readonly PlanePoint[];

/** Studs and bore as seen from outside, mm; 0: not known. */
interface Holes {
  readonly studs: number;
  readonly circleMm: number;
  readonly boreMm: number;
}

export type PartShape =
  | { readonly kind: 'tire'; readonly heightMm: number; readonly treadMm: number; readonly section: HalfSection }
  | {
      readonly kind: 'wheel';
      readonly heightMm: number;
      readonly offsetMm: number;
      readonly section: HalfSection;
      readonly holes: Holes;
    }
  | { readonly kind: 'spacer'; readonly heightMm: number; readonly thicknessMm: number; readonly holes: Holes };

export interface ShelfPart {
  readonly id: string;
  readonly name: string;
  /** What is known of it, a line each; nothing is said of what is not. */
  readonly facts: readonly string[];
  /** By what it stands in line, most important first. */
  readonly order: readonly number[];
  /** None where its sizes leave nothing to draw. */
  readonly shape: PartShape | null;
}

/** mm by which a spacer reaches beyond its stud circle. Working value of this project, for the drawing alone. */
const BEYOND_CIRCLE_MM = 18;
const NO_HOLES: Holes = { studs: 0, circleMm: 0, boreMm: 0 };

const known = (...facts: readonly (string | false | undefined | null)[]): string[] =>
  facts.filter((fact): fact is string => Boolean(fact));
const price = (minor: number | undefined): string | undefined => (minor === undefined ? undefined : formatMoney(minor));

function holesOf(pattern: string | undefined, boreMm: number | undefined): Holes {
  const read = pattern === undefined ? null : attempt(() => parseBoltPattern(pattern));
  return { ...(read?.ok ? read.value : NO_HOLES), boreMm: boreMm ?? 0 };
}

/** A tire on the rim it is measured on, standing on its tread. */
function tireOnShelf(id: string, item: TireItem): ShelfPart {
  const read = attempt(() => {
    const size = parseTireSize(item.size);
    return { size, section: tireSection(tireOf(item), item.measuringRimIn ?? designRimIn(size)) };
  });
  const section = read.ok ? read.value.section : null;
  const measured = item.measuredDiameterMm !== undefined;
  const served = [item.loadIndex, item.speedSymbol].filter((one) => one !== undefined).join('');
  return {
    id,
    name: item.size,
    facts: known(
      item.label,
      section &&
        `${formatMm(section.diameterMm, 0)} x ${formatMm(section.widthMm, 0)} mm, ${mmToIn(section.diameterMm).toFixed(1)} in tall${measured ? ', measured' : ''}`,
      item.kind && `made for ${TIRE_KIND_WORDS[item.kind]}`,
      served !== '' && `load and speed ${served}`,
      price(item.priceMinor),
    ),
    order: section ? [read.ok ? read.value.size.rimDiameterIn : 0, section.diameterMm] : [0, 0],
    shape: section && {
      kind: 'tire',
      heightMm: section.diameterMm,
      treadMm: section.treadWidthMm,
      section: flatten(section.outline, 1),
    },
  };
}

function wheelOnShelf(id: string, item: WheelItem): ShelfPart {
  const read = attempt(() => wheelOffsetMm(item));
  const offsetMm = read.ok ? read.value : 0;
  const { diameterIn, widthIn } = item;
  const section = wheelSectionPolygon({ ...item, offsetMm });
  return {
    id,
    name: `${diameterIn} x ${widthIn}`,
    facts: known(
      item.label,
      `offset ${signedMm(offsetMm, 0)} mm, backspacing ${formatMm(item.backspacingMm ?? backspacingFromOffset(widthIn, offsetMm, 'lipToPad'))} mm`,
      item.boltPattern && `studs ${item.boltPattern}`,
      item.boreMm !== undefined && `bore ${formatMm(item.boreMm)} mm`,
      item.loadKg !== undefined && `carries ${formatMm(item.loadKg, 0)} kg`,
      price(item.priceMinor),
    ),
    order: [diameterIn, widthIn, -offsetMm],
    shape: {
      kind: 'wheel',
      heightMm: 2 * Math.max(...section.map(({ r }) => r)),
      offsetMm,
      section,
      holes: holesOf(item.boltPattern, item.boreMm),
    },
  };
}

function spacerOnShelf(id: string, item: SpacerItem): ShelfPart {
  const holes = holesOf(item.boltPattern, item.boreMm);
  const acrossMm = Math.max(holes.circleMm + 2 * BEYOND_CIRCLE_MM, holes.boreMm + 2 * BEYOND_CIRCLE_MM);
  return {
    id,
    name: `${formatMm(item.thicknessMm)} mm`,
    facts: known(
      item.label,
      item.type && (item.type === 'boltOn' ? 'bolt-on' : 'slip-on'),
      item.boltPattern && `studs ${item.boltPattern}`,
      item.boreMm !== undefined && `bore ${formatMm(item.boreMm)} mm`,
      price(item.priceMinor),
    ),
    order: [item.thicknessMm],
    shape: { kind: 'spacer', heightMm: acrossMm, thicknessMm: item.thicknessMm, holes },
  };
}

/** A part as it stands on its shelf; null for one that cannot be read. */
export function onShelf({ id, kind, data }: CatalogueItem): ShelfPart | null {
  if (kind === 'tire') {
    const read = tireItemSchema.safeParse(data);
    return read.success ? tireOnShelf(id, read.data) : null;
  }
  if (kind === 'wheel') {
    const read = wheelItemSchema.safeParse(data);
    return read.success ? wheelOnShelf(id, read.data) : null;
  }
  const read = spacerItemSchema.safeParse(data);
  return read.success ? spacerOnShelf(id, read.data) : null;
}

/** A size in standard notation, as a tire of it would stand there. */
export function sizeOnShelf({ size, measuringRimIn, revolutionsPerKm }: CommonSize): ShelfPart {
  const part = tireOnShelf(size, { size, measuringRimIn });
  const onRim = `on a rim of ${measuringRimIn} in, ${Math.round(revolutionsPerKm)} turns a km`;
  return { ...part, facts: [...part.facts, onRim] };
}

/** In the order they stand in: the smaller first. */
export const inLine = (parts: readonly ShelfPart[]): ShelfPart[] =>
  [...parts].sort((a, b) => {
    const i = a.order.findIndex((value, at) => value !== b.order[at]);
    return i < 0 ? a.name.localeCompare(b.name) : a.order[i]! - (b.order[i] ?? 0);
  });

/** Whether every word typed stands somewhere on the part. */
export const isMeant = ({ name, facts }: ShelfPart, typed: string): boolean => {
  const text = [name, ...facts].join(' ').toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
};
