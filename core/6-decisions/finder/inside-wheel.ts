import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { attempt } from '../../1-base/problem';
import type { Candidates } from './candidates';
import { TABLE_REACH_MM, type Stage } from './stage';

/** mm of margin above which a wheel is not measured again for a small step of offset. */
const EASY_MM = 12;

/** What things inside the wheel leave to each wheel and spacer, mm; Infinity where nothing was surveyed there. */
export class InsideMargins {
  readonly #margins: Float32Array;
  readonly #spacers: number;

  constructor(margins: Float32Array, spacers: number) {
    this.#margins = margins;
    this.#spacers = spacers;
  }

  at(wheel: number, spacer: number): number {
    return this.#margins[wheel * this.#spacers + spacer]!;
  }
}

/**
 * Least margins inside every wheel (`tireOfRim` names a tire that goes on it) over all corners of a stage; null where nothing was surveyed there. A wheel moved by so
 * much comes nearer by no more: those with room to spare are not searched again for each step of offset.
 */
export function insideMargins(
  { tires, wheels, spacers }: Candidates,
  rimOfWheel: ArrayLike<number>,
  tireOfRim: (rim: number) => number | undefined,
  stages: readonly Stage[],
): InsideMargins | null {
  const members = stages.map(({ corner }) =>
    corner.obstacles.flatMap(({ insideWheel }, i) => (insideWheel ? [i] : [])),
  );
  if (members.every((one) => one.length === 0)) return null;
  const margins = new Float32Array(wheels.length * spacers.length).fill(Infinity);
  const order = wheels.map((_, i) => i).sort((a, b) => wheels[a]!.offsetMm - wheels[b]!.offsetMm);
  spacers.forEach(({ thicknessMm }, spacer) => {
    const last = new Map<string, { offsetMm: number; marginMm: number }>();
    for (const wheel of order) {
      const rim = rimOfWheel[wheel]!;
      const tire = tireOfRim(rim);
      if (tire === undefined) continue;
      const { offsetMm, diameterIn, widthIn, insideDiameterMm, dropCentreInsideMm } = wheels[wheel]!;
      const inside = { insideDiameterMm, dropCentreInsideMm };
      const alike = JSON.stringify([rim, inside]);
      const before = last.get(alike);
      const atLeast = before ? before.marginMm - Math.abs(offsetMm - before.offsetMm) : -Infinity;
      if (atLeast > EASY_MM) {
        margins[wheel * spacers.length + spacer] = atLeast;
        continue;
      }
      const rotor = attempt(() =>
        prepareRotor(
          { tire: tires[tire]!, wheel: { diameterIn, widthIn, offsetMm, ...inside }, spacerMm: thicknessMm },
          '',
        ),
      );
      if (!rotor.ok) continue;
      const marginMm = stages.reduce((least, stage, i) => {
        const found = stage.leastOf(rotor.value, members[i]!, thicknessMm - offsetMm, TABLE_REACH_MM);
        return Math.min(least, found?.marginMm ?? TABLE_REACH_MM);
      }, Infinity);
      margins[wheel * spacers.length + spacer] = marginMm;
      last.set(alike, { offsetMm, marginMm });
    }
  });
  return new InsideMargins(margins, spacers.length);
}
