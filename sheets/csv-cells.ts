/**
 * Cells that a spreadsheet would take for a formula: they get an apostrophe before them. A number is none, however it begins: `-12.5` has to
 * be read back as itself.
 */
export const FORMULA = /^(?![+-]?\d+(?:[.,]\d+)?$)[=+\-@\t\r]/;

/** A cell as it was before `FORMULA` was disarmed. */
export const withoutGuard = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');

/** Digits in groups, as in `1.234,5`, `1 234,5`, `1'234.5` or `1,234.5`: a group is three digits, and what parts them stands more than once or before the decimals. */
const GROUPED = /^([+-]?\d{1,3})((?:([.,' \u00a0\u202f’])\d{3})(?:\3\d{3})*)(?:([.,])(\d+))?$/;

/** A number of another country with a point and without groups; any other text as it is. */
export function plainNumber(text: string): string {
  const found = GROUPED.exec(text.trim());
  if (!found) return text;
  const [, first, groups, mark, point, decimals] = found;
  // One group after a point or a comma may as well be three decimals: it is left to whoever reads lengths.
  const isSure = point !== undefined ? point !== mark : (mark !== '.' && mark !== ',') || groups!.length > 4;
  if (!isSure) return text;
  return `${first}${groups!.replace(/\D/g, '')}${decimals === undefined ? '' : `.${decimals}`}`;
}
