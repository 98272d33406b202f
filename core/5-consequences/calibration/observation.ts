import type { FitRun } from './fit-run';

/** What was seen of one obstacle in a run of a test fit. A gap is the least one, mm. */
export type Seen =
  | { readonly kind: 'gap'; readonly mm: number }
  /** Touched so lightly that it left a mark. */
  | { readonly kind: 'mark' }
  | { readonly kind: 'rubs' }
  /** Looked at afterwards, and no mark. */
  | { readonly kind: 'clear' };

export interface Observation {
  readonly obstacle: string;
  readonly run: FitRun;
  readonly seen: Seen;
  /** Gap gained since by trimming, mm: the surveyed place lies so much nearer. */
  readonly gainedMm?: number | undefined;
  /** Looked at again and found to be so: it is not set aside, however odd. */
  readonly confirmed?: boolean | undefined;
}

/** Two of what was seen that cannot both be, of the same obstacle: indices of the observations. */
export interface Contradiction {
  readonly first: number;
  readonly second: number;
}

/** mm of gap at which a thing is not touched, beyond what a tape may be off. */
const SURELY_CLEAR_MM = 6;

const contains = (outer: FitRun, inner: FitRun): boolean =>
  outer.lowMm <= inner.lowMm + 1e-6 &&
  outer.highMm >= inner.highMm - 1e-6 &&
  outer.leftDeg >= inner.leftDeg - 1e-6 &&
  outer.rightDeg >= inner.rightDeg - 1e-6;

/** Touched in a run that lies within another in which it was clear, or stood well off. */
export function contradictions(observations: readonly Observation[]): Contradiction[] {
  const touches = ({ seen }: Observation): boolean => seen.kind === 'rubs' || seen.kind === 'mark';
  const stands = ({ seen }: Observation): boolean =>
    seen.kind === 'clear' || (seen.kind === 'gap' && seen.mm > SURELY_CLEAR_MM);
  return observations.flatMap((one, second) =>
    observations.flatMap((other, first) =>
      first !== second &&
      one.obstacle === other.obstacle &&
      touches(one) &&
      stands(other) &&
      contains(other.run, one.run)
        ? [{ first: Math.min(first, second), second: Math.max(first, second) }]
        : [],
    ),
  );
}
