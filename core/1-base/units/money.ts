import { ProblemError } from '../problem';

/** Minor units in one of the shop's money: hundredths. */
const MINOR = 100;

/** `189.50`, `1 250` or `99,9` as whole minor units. @throws ProblemError for anything else. */
export function parseMoney(text: string, path = ''): number {
  const plain = text.trim().replace(/[\s']/g, '').replace(',', '.');
  if (/^\d{1,7}(\.\d{1,2})?$/.test(plain)) return Math.round(Number(plain) * MINOR);
  throw new ProblemError({
    code: 'wrongType',
    path,
    expected: 'an amount such as 189 or 189.50',
    found: text.trim() === '' ? 'nothing' : text.trim(),
  });
}

export const formatMoney = (minor: number): string => (minor / MINOR).toFixed(2);
