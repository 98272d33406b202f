import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Evaluation, ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { Result } from '@/core/1-base/problem';

/** One obstacle under each setup; null where the setup gives no verdict on it (taken off, or no verdict at all). */
export interface ComparedRow {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly verdicts: readonly (ObstacleVerdict | null)[];
}

/** Rows by corner; within it the obstacle with the least margin under any setup first. */
export function comparedRows(answers: readonly Result<Evaluation>[]): ComparedRow[] {
  const rows = new Map<
    string,
    { corner: CornerKey; id: string; label: string; verdicts: (ObstacleVerdict | null)[] }
  >();
  answers.forEach((answer, i) => {
    if (!answer.ok) return;
    for (const verdict of answer.value.obstacles) {
      const key = `${verdict.corner}:${verdict.id}`;
      const row = rows.get(key) ?? {
        corner: verdict.corner,
        id: verdict.id,
        label: verdict.label,
        verdicts: answers.map(() => null),
      };
      row.verdicts[i] = verdict;
      rows.set(key, row);
    }
  });
  const least = ({ verdicts }: ComparedRow): number => Math.min(...verdicts.map((v) => v?.marginMm ?? Infinity));
  return [...rows.values()].sort(
    (a, b) => CORNER_KEYS.indexOf(a.corner) - CORNER_KEYS.indexOf(b.corner) || least(a) - least(b),
  );
}
