import { ProblemError } from '../problem';

/** 4.4482216 N on a square inch. */
export const KPA_PER_PSI = 6.894757;

/** kPa in each unit people type; a bare number is kPa. */
const KPA_PER: Readonly<Record<string, number>> = { '': 1, kpa: 1, psi: KPA_PER_PSI, bar: 100 };

/** Tire pressure in kPa from what was typed: `240`, `35 psi`, `2,4 bar`. @throws ProblemError for anything else. */
export function parsePressure(text: string): number {
  const match = /^([\d.,]+) ?(kpa|psi|bar)?$/i.exec(text.trim());
  const value = Number(match?.[1]?.replace(',', '.'));
  if (match && Number.isFinite(value)) return value * KPA_PER[(match[2] ?? '').toLowerCase()]!;
  throw new ProblemError({
    code: 'wrongType',
    path: '',
    expected: 'a pressure such as 240 kPa, 35 psi or 2.4 bar',
    found: text.trim() || 'nothing',
  });
}
