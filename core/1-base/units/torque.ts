import { ProblemError } from '../problem';

/** N m in a pound-force foot: 4.4482216152605 N times 0.3048 m (NIST SP 811). */
export const NM_PER_LB_FT = 4.4482216152605 * 0.3048;

export type TorqueUnit = 'nm' | 'lbft';

/** N m by the unit typed. */
const NM_PER: Readonly<Record<string, number>> = { nm: 1, lbft: NM_PER_LB_FT, ftlb: NM_PER_LB_FT };

/** Torque in N m from `140 N m`, `105 lb ft`, `103 ft-lb`; a bare number is in `bare`. @throws ProblemError for anything else. */
export function parseTorque(text: string, bare: TorqueUnit): number {
  const match = /^([\d.,]+)\s*([a-z\s·.-]*)$/i.exec(text.trim());
  const value = Number(match?.[1]?.replace(',', '.'));
  const unit = (match?.[2] ?? '?')
    .toLowerCase()
    .replace(/[^a-z?]/g, '')
    .replace(/s$/, '');
  const factor = NM_PER[unit === '' ? bare : unit];
  if (match && Number.isFinite(value) && factor !== undefined) return value * factor;
  throw new ProblemError({
    code: 'wrongType',
    path: '',
    expected: 'a torque such as 140 N m or 105 lb ft',
    found: text.trim() || 'nothing',
  });
}

/** What was typed, with the unit it is in where somebody left that out. */
export const withTorqueUnit = (text: string, bare: TorqueUnit): string =>
  /[a-z]/i.test(text) ? text.trim() : `${text.trim()} ${bare === 'nm' ? 'N m' : 'lb ft'}`;

/** The unit that a typed torque is not in. */
export const otherTorque = (typed: string): TorqueUnit => (/f/i.test(typed) ? 'nm' : 'lbft');

/** In both units, as far as a wrench shows them. */
export const torqueWords = (nm: number): string => `${torqueIn(nm, 'nm')}, ${torqueIn(nm, 'lbft')}`;

/** As somebody who works in `unit` reads it off a wrench. */
export const torqueIn = (nm: number, unit: TorqueUnit): string =>
  unit === 'nm' ? `${Math.round(nm * 10) / 10} N m` : `${Math.round((nm / NM_PER_LB_FT) * 10) / 10} lb ft`;
