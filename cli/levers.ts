import { asCase } from '@/contracts/as-case';
import { leversCase, type ObstacleLevers } from '@/core/6-decisions/levers/levers';
import { readCase } from './outcome';

/** `lowgap levers FILE` */
export const leversCommand = async (file: string): Promise<{ readonly obstacles: readonly ObstacleLevers[] }> => ({
  obstacles: leversCase(asCase(await readCase(file))),
});
