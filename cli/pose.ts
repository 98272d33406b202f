import { asCase } from '@/contracts/as-case';
import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { poseMatrix } from '@/core/4-clearance/verdict/evaluate';
import { ProblemError } from '@/core/1-base/problem';
import { numberOption, readCase } from './outcome';

/**
 * `lowgap pose FILE --corner C --travel T --steer S [--cross X]`: mm and degrees, steer + = vehicle left, cross = the
 * other wheel's travel less this one's.
 */
export async function poseCommand(
  file: string,
  options: { corner: string; travel: string; steer: string; cross: string },
): Promise<number[][]> {
  const key = CORNER_KEYS.find((name) => name === options.corner);
  if (!key) {
    throw new ProblemError({
      code: 'notFound',
      path: '--corner',
      expected: `one of ${CORNER_KEYS.join(', ')}`,
      found: options.corner,
    });
  }
  const travel = numberOption('travel', options.travel);
  const steer = numberOption('steer', options.steer);
  const cross = numberOption('cross', options.cross);
  return poseMatrix(asCase(await readCase(file)), key, travel, steer, cross);
}
