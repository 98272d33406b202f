import Papa from 'papaparse';
import type { PartLine } from '@/core/6-decisions/plan/work-order';
import { formatMoney } from '@/core/1-base/units/money';
import { FORMULA } from './csv-cells';
import { partWords } from './order-document';
import { placeWords } from './plan-words';

/** The parts of a work order as a table for a spreadsheet: a point for decimals, formulas disarmed. */
export const partsCsv = (parts: readonly PartLine[]): string =>
  Papa.unparse(
    parts.map((part) => ({
      part: partWords(part),
      where: [...new Set(part.where.map(placeWords))].join('; '),
      quantity: part.quantity,
      unit: formatMoney(part.unitMinor),
      sum: formatMoney(part.sumMinor),
    })),
    { escapeFormulae: FORMULA, newline: '\n', columns: ['part', 'where', 'quantity', 'unit', 'sum'] },
  );
