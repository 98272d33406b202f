import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { AsCut } from '@/core/7-job/test-fit/as-cut';
import type { LowgapCorner, LowgapCut, LowgapFile, LowgapObstacle, LowgapTestFit } from './lowgap-file';

/** What says where a thing is, and goes into a cut's memory when the cut takes its place. */
const PLACE_FIELDS = ['shape', 'readings', 'readingsAs', 'form', 'rubs', 'toleranceMm', 'learned'] as const;

const sum = (values: readonly number[]): number => values.reduce((total, one) => total + one, 0);

/** mm by which cuts raised the lip that heights of a corner are read to. */
const lipRaisedMm = (obstacles: CornerDescription['obstacles']): number =>
  sum(obstacles.flatMap(({ cuts = [] }) => cuts.map(({ lipRaisedMm = 0 }) => lipRaisedMm)));

/** A corner whose lip stands elsewhere: its heights and those its readings were held at, all read to the lip, go with it. */
function withLip<Corner extends CornerDescription>(corner: Corner, byMm: number): Corner {
  if (byMm === 0) return corner;
  const { hubToLipMm, groundToLipMm } = corner;
  return {
    ...corner,
    ...(hubToLipMm === undefined ? {} : { hubToLipMm: hubToLipMm + byMm }),
    ...(groundToLipMm === undefined ? {} : { groundToLipMm: groundToLipMm + byMm }),
    obstacles: corner.obstacles.map((obstacle) =>
      obstacle.readings?.some((reading) => reading.hubToLipMm !== undefined)
        ? {
            ...obstacle,
            readings: obstacle.readings.map((reading) =>
              reading.hubToLipMm === undefined ? reading : { ...reading, hubToLipMm: reading.hubToLipMm + byMm },
            ),
          }
        : obstacle,
    ),
  };
}

/** A corner by the lip as it is now: what was read to the old one is counted to the new one. */
export const cornerAsCut = <Corner extends CornerDescription>(corner: Corner): Corner =>
  withLip(corner, lipRaisedMm(corner.obstacles));

/** The other way: a corner that `cornerAsCut` gave, by the lip as it was surveyed. */
export const cornerAsSurveyed = <Corner extends CornerDescription>(corner: Corner): Corner =>
  withLip(corner, -lipRaisedMm(corner.obstacles));

/** A thing without anything that says where it is. */
const withoutPlace = ({ cuts: _, ...obstacle }: LowgapObstacle): LowgapObstacle =>
  Object.fromEntries(
    Object.entries(obstacle).filter(([name]) => !PLACE_FIELDS.some((field) => field === name)),
  ) as LowgapObstacle;

function beforeCut(obstacle: LowgapObstacle, cuts: readonly LowgapCut[], at: number): LowgapObstacle {
  return { ...withoutPlace(obstacle), ...cuts[at]!.before, ...(at > 0 ? { cuts: cuts.slice(0, at) } : {}) };
}

/** The file with every thing as it stood in a round: what was cut after it, or later, not cut yet. */
export function asOfRound(file: LowgapFile, round: Pick<LowgapTestFit, 'id'>): LowgapFile {
  const rounds = (file.testFits ?? []).map(({ id }) => id);
  const now = rounds.indexOf(round.id);
  const isLater = (cut: LowgapCut): boolean => now >= 0 && rounds.indexOf(cut.round) >= now;
  const corners = Object.fromEntries(
    Object.entries(file.corners).map(([key, corner]) => {
      const isCut = corner?.obstacles.some(({ cuts = [] }) => cuts.some(isLater));
      if (!corner || !isCut) return [key, corner];
      const obstacles = corner.obstacles.map((obstacle) => {
        const at = obstacle.cuts?.findIndex(isLater) ?? -1;
        return at < 0 ? obstacle : beforeCut(obstacle, obstacle.cuts!, at);
      });
      return [key, { ...corner, obstacles }];
    }),
  ) as LowgapFile['corners'];
  return { ...file, corners };
}

/** A cut as it was measured, and what it left. */
export interface MeasuredCut {
  readonly corner: CornerKey;
  readonly obstacle: string;
  readonly cut: Omit<LowgapCut, 'before'>;
  readonly left: AsCut;
}

/**
 * Puts what is left of a thing in the place of what was surveyed of it, which the cut keeps. What a plan still meant to do there by
 * cutting is done, and leaves the plan.
 */
export function takeInCut(file: LowgapFile, { corner: key, obstacle: id, cut, left }: MeasuredCut): void {
  const corner = file.corners[key];
  const at = corner?.obstacles.findIndex((one) => one.id === id) ?? -1;
  const thing = corner?.obstacles[at];
  if (!corner || !thing) return;
  const before = Object.fromEntries(
    PLACE_FIELDS.flatMap((field) => (thing[field] === undefined ? [] : [[field, thing[field]]])),
  ) as LowgapCut['before'];
  const whole = JSON.parse(JSON.stringify({ ...cut, before })) as LowgapCut;
  corner.obstacles[at] = {
    ...withoutPlace(thing),
    shape: JSON.parse(JSON.stringify(left.shape)) as NonNullable<LowgapObstacle['shape']>,
    cuts: [...(thing.cuts ?? []), whole],
  };
  const chosen = file.plan?.chosen;
  if (chosen) {
    chosen.fixes = chosen.fixes.filter((fix) => fix.corner !== key || fix.obstacle !== id || fix.kind !== cut.kind);
  }
}

/** Takes the last cut of a thing out again: it stands as before it. */
export function takeOutCut(corner: LowgapCorner, id: string): void {
  const at = corner.obstacles.findIndex((one) => one.id === id);
  const thing = corner.obstacles[at];
  const cuts = thing?.cuts ?? [];
  if (thing && cuts.length > 0) corner.obstacles[at] = beforeCut(thing, cuts, cuts.length - 1);
}
