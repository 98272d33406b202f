import { attempt, ProblemError } from '../../1-base/problem';
import type { TireAllowances } from '../../2-vehicle/tire/allowance';
import type { Candidates } from './candidates';
import { Mounted } from './mounted';

/** A tire on a rim, and where its cells begin. */
export interface SectionEntry {
  readonly tire: number;
  readonly rim: number;
  readonly mounted: Mounted;
  readonly firstCell: number;
}

/** A rim diameter and width with the centre planes its wheels and the spacers give. */
export interface RimEntry {
  readonly diameterIn: number;
  readonly widthIn: number;
  /** Sorted, mm outboard of the hub face. */
  readonly planes: readonly number[];
  /** A wheel and spacer that give each of them. */
  readonly givenBy: readonly Pick<Combination, 'wheel' | 'spacer'>[];
}

/** A combination by its parts' places among the candidates. */
export interface Combination {
  readonly tire: number;
  readonly wheel: number;
  readonly spacer: number;
  readonly stance: number;
}

/**
 * What combinations are made of: mounted sections, centre planes, and the cells they make. A combination's number counts
 * tires fastest, then wheels, spacers and stances; a cell's counts centre planes within sections.
 */
export class Axes {
  readonly candidates: Candidates;
  readonly rims: readonly RimEntry[];
  readonly rimOfWheel: Int32Array;
  readonly sections: readonly SectionEntry[];
  readonly cellCount: number;
  /** Section of a tire on a rim: tire x rims + rim; -1 where they do not go together. */
  readonly #sectionOf: Int32Array;

  /** @throws ProblemError where no tire can stand on any wheel. */
  constructor(candidates: Candidates, allowances: TireAllowances | undefined) {
    this.candidates = candidates;
    const { wheels, spacers, tires, rims: rimOfTire } = candidates;
    const rims: { diameterIn: number; widthIn: number; byPlane: Map<number, RimEntry['givenBy'][number]> }[] = [];
    this.rimOfWheel = Int32Array.from(wheels, ({ diameterIn, widthIn, offsetMm }, wheel) => {
      let rim = rims.findIndex((one) => one.diameterIn === diameterIn && one.widthIn === widthIn);
      if (rim < 0) rim = rims.push({ diameterIn, widthIn, byPlane: new Map() }) - 1;
      const { byPlane } = rims[rim]!;
      spacers.forEach(({ thicknessMm }, spacer) => {
        const planeMm = centrePlaneMm(thicknessMm, offsetMm);
        if (!byPlane.has(planeMm)) byPlane.set(planeMm, { wheel, spacer });
      });
      return rim;
    });
    this.rims = rims.map(({ byPlane, ...rim }) => {
      const sorted = [...byPlane].sort(([a], [b]) => a - b);
      return { ...rim, planes: sorted.map(([plane]) => plane), givenBy: sorted.map(([, given]) => given) };
    });
    const sections: SectionEntry[] = [];
    this.#sectionOf = new Int32Array(tires.length * rims.length).fill(-1);
    let cellCount = 0;
    tires.forEach((tire, t) => {
      this.rims.forEach(({ diameterIn, widthIn, planes }, rim) => {
        if (rimOfTire[t] !== diameterIn) return;
        const made = attempt(() => new Mounted(tire, diameterIn, widthIn, allowances));
        if (!made.ok) return;
        this.#sectionOf[t * rims.length + rim] = sections.length;
        sections.push({ tire: t, rim, mounted: made.value, firstCell: cellCount });
        cellCount += planes.length;
      });
    });
    if (sections.length === 0) {
      throw new ProblemError({
        code: 'contradiction',
        path: 'finder.tires',
        expected: 'a tire that can stand on one of the wheels',
        found: 'none with a sidewall left',
      });
    }
    this.sections = sections;
    this.cellCount = cellCount;
  }

  get combinationCount(): number {
    const { tires, wheels, spacers, stances } = this.candidates;
    return tires.length * wheels.length * spacers.length * stances.length;
  }

  combination(number: number): Combination {
    const { tires, wheels, spacers } = this.candidates;
    const tire = number % tires.length;
    const afterTire = Math.floor(number / tires.length);
    const wheel = afterTire % wheels.length;
    const afterWheel = Math.floor(afterTire / wheels.length);
    return { tire, wheel, spacer: afterWheel % spacers.length, stance: Math.floor(afterWheel / spacers.length) };
  }

  numberOf({ tire, wheel, spacer, stance }: Combination): number {
    const { tires, wheels, spacers } = this.candidates;
    return ((stance * spacers.length + spacer) * wheels.length + wheel) * tires.length + tire;
  }

  /** mm outboard of the hub face. */
  planeOf(wheel: number, spacer: number): number {
    const { wheels, spacers } = this.candidates;
    return centrePlaneMm(spacers[spacer]!.thicknessMm, wheels[wheel]!.offsetMm);
  }

  /** Place of a wheel's and spacer's centre plane among its rim's. */
  placeOf(wheel: number, spacer: number): number {
    return indexIn(this.rims[this.rimOfWheel[wheel]!]!.planes, this.planeOf(wheel, spacer));
  }

  /** A tire on the rim of a wheel; -1 where they do not go together. */
  sectionOn(tire: number, wheel: number): number {
    return this.#sectionOf[tire * this.rims.length + this.rimOfWheel[wheel]!]!;
  }

  /** The cell of a combination; -1 where its tire does not go on its wheel. */
  cellOf({ tire, wheel, spacer }: Combination): number {
    const section = this.sectionOn(tire, wheel);
    return section < 0 ? -1 : this.sections[section]!.firstCell + this.placeOf(wheel, spacer);
  }

  /** Section and centre plane of a cell. */
  placeOfCell(cell: number): { readonly section: number; readonly planeMm: number } {
    let low = 0;
    let high = this.sections.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.sections[middle]!.firstCell <= cell) low = middle;
      else high = middle - 1;
    }
    const { rim, firstCell } = this.sections[low]!;
    return { section: low, planeMm: this.rims[rim]!.planes[cell - firstCell]! };
  }

  /** A combination that has a cell in a stance. */
  anyIn(cell: number, stance: number): Combination {
    const { section } = this.placeOfCell(cell);
    const { tire, rim, firstCell } = this.sections[section]!;
    return { tire, stance, ...this.rims[rim]!.givenBy[cell - firstCell]! };
  }
}

/** To a hundredth of a millimeter, so that the same plane reached two ways is one. */
const centrePlaneMm = (spacerMm: number, offsetMm: number): number => Math.round(100 * (spacerMm - offsetMm)) / 100;

function indexIn(sorted: readonly number[], value: number): number {
  let low = 0;
  let high = sorted.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}
