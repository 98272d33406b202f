import { asCase } from '@/contracts/as-case';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { panelCase } from '@/core/5-consequences/panel/panel-case';
import { requireRange } from '@/core/1-base/problem';
import { LIMITS } from '@/core/1-base/limits';
import { numberOption, readCase } from './outcome';

export interface PanelCommandOptions {
  readonly corner: string;
  readonly obstacle: string;
  readonly required?: string;
  readonly depth?: string;
}

/** `lowgap panel FILE --corner C --obstacle ID [--required MM] [--depth MM]`: the field and the cut, without the meshes. */
export async function panelCommand(file: string, options: PanelCommandOptions) {
  const { requiredMm: range } = LIMITS;
  const requiredMm =
    options.required === undefined
      ? undefined
      : requireRange(numberOption('required', options.required), range.min, range.max, '--required', 'mm');
  const depthMm =
    options.depth === undefined
      ? undefined
      : requireRange(numberOption('depth', options.depth), 5, 500, '--depth', 'mm');
  const description = asCase(await readCase(file));
  const { corner, id, field, cut, uncovers } = panelCase(description, options.corner as CornerKey, options.obstacle, {
    requiredMm,
    depthMm,
  });
  const { lines, lengthMm, areaMm2, depthMm: deepMm } = cut;
  return { corner, id, field, cut: { lines, lengthMm, areaMm2, depthMm: deepMm }, uncovers };
}
