/** How a piece was found when the parts were laid out. */
export const PIECE_STATES = ['notLooked', 'right', 'missing', 'wrong', 'unknown'] as const;
export type PieceState = (typeof PIECE_STATES)[number];

export interface Piece {
  readonly name: string;
  readonly wanted: number;
  readonly found?: number | undefined;
  readonly besideOld?: 'alike' | 'asIntended' | 'wrong' | undefined;
  readonly state: PieceState;
}

/** Why the work may not begin. */
export interface Hold {
  readonly name: string;
  readonly why: 'notLooked' | 'tooFew' | 'tooMany' | 'missing' | 'wrong' | 'unknown';
}

/** What stops a job before a bolt is turned: anything not looked at, missing, too many, wrong or unknown. */
export const holds = (pieces: readonly Piece[]): Hold[] =>
  pieces.flatMap(({ name, wanted, found, besideOld, state }): Hold[] => {
    if (state === 'missing' || state === 'unknown' || state === 'wrong') return [{ name, why: state }];
    if (besideOld === 'wrong') return [{ name, why: 'wrong' }];
    if (found !== undefined && found < wanted) return [{ name, why: 'tooFew' }];
    if (found !== undefined && found > wanted) return [{ name, why: 'tooMany' }];
    return state === 'notLooked' || found === undefined ? [{ name, why: 'notLooked' }] : [];
  });
