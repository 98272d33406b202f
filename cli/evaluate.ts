import { asCase } from '@/contracts/as-case';
import { evaluateCase, type Evaluation, type EvaluateOptions } from '@/core/4-clearance/verdict/evaluate';
import { readCase } from './outcome';

/** `lowgap evaluate FILE [--postures]` */
export async function evaluateCommand(file: string, options: EvaluateOptions): Promise<Evaluation> {
  return evaluateCase(asCase(await readCase(file)), options);
}
