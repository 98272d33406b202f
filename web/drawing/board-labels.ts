/** A dot of a board in drawing units, and the name of what it has in common with others. */
export interface NamedDot {
  readonly x: number;
  readonly y: number;
  readonly name: string | null;
}

export interface BoardLabel {
  readonly x: number;
  readonly y: number;
  readonly name: string;
}

/** Share of all dots a name must have, and how many at least, to be written. */
const LEAST_SHARE = 0.03;
const LEAST_DOTS = 5;

/** Drawing units a letter takes, about, and how far apart two lines stand. */
const LETTER = 7.2;
const LINE = 18;

/** Names written where most of their dots are, the commonest first; one that would lie on another is left out. */
export function boardLabels(dots: readonly NamedDot[], width: number, most = 6): BoardLabel[] {
  const groups = new Map<string, NamedDot[]>();
  for (const dot of dots) if (dot.name) groups.set(dot.name, [...(groups.get(dot.name) ?? []), dot]);
  const placed: BoardLabel[] = [];
  const sorted = [...groups].sort(([, a], [, b]) => b.length - a.length);
  for (const [name, group] of sorted) {
    if (placed.length >= most || group.length < Math.max(LEAST_DOTS, LEAST_SHARE * dots.length)) break;
    const half = (LETTER * name.length) / 2;
    const x = Math.min(width - half, Math.max(half, median(group.map((dot) => dot.x))));
    const y = median(group.map((dot) => dot.y));
    const isFree = placed.every(
      (label) => Math.abs(label.y - y) > LINE || Math.abs(label.x - x) > half + (LETTER * label.name.length) / 2,
    );
    if (isFree) placed.push({ x, y, name });
  }
  return placed;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}
