import type { CornerDescription } from '@/core/3-survey/description/corner-description';

/** What a corner's baseline and survey still lack before a gap can be told, in the order they are taken. */
export function surveyGaps(corner: CornerDescription): string[] {
  const lacks: string[] = [];
  if (corner.hubToLipMm === undefined)
    lacks.push('Hub center to fender lip: what heights read at bump are counted from.');
  if (corner.obstacles.length === 0) {
    lacks.push('Nothing around the wheel: fender lip, liner, bumper cap, rocker, body mount, arms, frame, brake.');
    return lacks;
  }
  const unread = corner.obstacles.filter((o) => !o.shape && !o.readings?.length);
  for (const { label, id } of unread) lacks.push(`A gap to ${label ?? id}: it is listed, but not measured.`);
  return lacks;
}
