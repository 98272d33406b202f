import type { Verdict } from '../../4-clearance/case/standard';
import { fallsShort } from '../../4-clearance/case/standard';

/** What is left undone when a vehicle goes home. */
export const OPEN_MATTERS = ['steps', 'fasteners', 'noTestFit', 'short', 'notKnown'] as const;
export type OpenMatter = (typeof OPEN_MATTERS)[number];

/** A job as it stands on the day. */
export interface JobStand {
  readonly steps: readonly { readonly doneAt?: string | undefined }[];
  readonly fasteners: readonly { readonly doneAt?: string | undefined }[];
  readonly testFits: number;
  /** On the setup it goes home with; null: there is none. */
  readonly verdict: Verdict | null;
}

/** What speaks against handing over, with how many there are of it; such a vehicle goes home only with a reason that is printed. */
export function stillOpen({ steps, fasteners, testFits, verdict }: JobStand): {
  readonly matter: OpenMatter;
  readonly count: number;
}[] {
  const undone = (all: readonly { readonly doneAt?: string | undefined }[]): number =>
    all.filter(({ doneAt }) => doneAt === undefined).length;
  const counts: Readonly<Record<OpenMatter, number>> = {
    steps: undone(steps),
    fasteners: undone(fasteners),
    noTestFit: testFits === 0 ? 1 : 0,
    short: verdict !== null && fallsShort(verdict) ? 1 : 0,
    notKnown: verdict === null || verdict === 'notKnown' ? 1 : 0,
  };
  return OPEN_MATTERS.flatMap((matter) => (counts[matter] > 0 ? [{ matter, count: counts[matter] }] : []));
}
