import { fitmentChange, type FitmentChange } from '../../5-consequences/stance/fitment-change';
import { loadOfIndexKg } from '../../5-consequences/road/load-and-speed';
import { countParts } from '../../2-vehicle/setup/setup';
import { parseTireSize } from '../../2-vehicle/tire/size';
import { ProblemError } from '../../1-base/problem';
import { quickCases } from './quick-cases';
import { quickCorner, wantedSetup, type QuickQuestion } from './quick-question';

/** What a tire carries by its own size text; null: it says no index. */
export interface SaidLoad {
  readonly index: number;
  readonly kg: number;
}

/** What the wanted setup changes against the fitted one, whatever the vehicle. */
export interface QuickChange extends Omit<FitmentChange, 'scrubRadiusMm'> {
  readonly fittedLoad: SaidLoad | null;
  readonly wantedLoad: SaidLoad | null;
}

function loadOf(size: string): SaidLoad | null {
  const { loadIndex } = parseTireSize(size);
  return loadIndex === undefined ? null : { index: loadIndex, kg: loadOfIndexKg(loadIndex, 'tire.size') };
}

/** @throws ProblemError where tire and wheel do not go together */
export function quickChange(question: QuickQuestion): QuickChange {
  const [one] = quickCases(question);
  if (!one) throw new ProblemError({ code: 'missing', path: 'suspension', expected: 'a suspension', found: 'none' });
  const { scrubRadiusMm: _, ...change } = fitmentChange(
    quickCorner(question),
    one.corner,
    countParts(wantedSetup(question)),
  );
  return {
    ...change,
    fittedLoad: loadOf(question.fitted.tire.size),
    wantedLoad: loadOf(question.wanted.tire.size),
  };
}
