import { cornerAsSurveyed } from '@/contracts/cut-edges';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Calibration } from '@/core/5-consequences/calibration/calibrate';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';

/** Whether what was tried is what a round had on, as far as learning is about it. */
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Takes what a round taught of a corner into the file: the corner itself; tire and wheel as they turned out, where the bench tries the
 * ones of the round. What was typed stays typed where it still means the same.
 */
export function applyLearned(
  file: LowgapFile,
  roundId: string,
  key: CornerKey,
  { fit }: Pick<Calibration, 'fit'>,
  at: string,
): void {
  const round = file.testFits?.find(({ id }) => id === roundId);
  const before = file.corners[key];
  if (!round || !before) return;
  const { tire, wheel } = JSON.parse(JSON.stringify(fit.setup)) as Pick<
    NonNullable<LowgapFile['setup']>,
    'tire' | 'wheel'
  >;
  const learned = cornerAsSurveyed(JSON.parse(JSON.stringify(fit.corner)) as typeof before);
  // A thing cut since the round is no longer where the round saw it.
  const obstacles = learned.obstacles.map((one) => {
    const now = before.obstacles.find(({ id }) => id === one.id);
    return now && now.cuts?.length !== one.cuts?.length ? now : one;
  });
  file.corners[key] = { ...learned, obstacles };
  round.learned[key] = at;
  // Which setup a corner is given: its own, where it has one.
  const put = (setup: LowgapFile['setup'], was: LowgapFile['setup']): void => {
    if (!setup) return;
    const own = setup.corners?.[key];
    const holder = own?.tire || own?.wheel ? own : setup;
    const wasOwn = was?.corners?.[key];
    if (same(holder.tire, wasOwn?.tire ?? was?.tire)) holder.tire = tire;
    if (same(holder.wheel, wasOwn?.wheel ?? was?.wheel)) holder.wheel = wheel;
  };
  const tried = structuredClone(round.setup ?? file.setup);
  put(file.setup, tried);
  put(round.setup, tried);
}
