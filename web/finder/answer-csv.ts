import Papa from 'papaparse';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import { formatMoney } from '@/core/1-base/units/money';
import { changesWords, stanceWords } from './finder-words';

const mm = (value: number): string => value.toFixed(1);

/** The list as a table for a spreadsheet: a point for decimals, formulas disarmed. */
export const answerCsv = (rows: readonly FoundRow[]): string =>
  Papa.unparse(
    rows.map((row) => ({
      tire: row.size,
      diameterMm: mm(row.diameterMm),
      widthMm: mm(row.widthMm),
      wheelDiameterIn: row.wheelDiameterIn,
      wheelWidthIn: row.wheelWidthIn,
      offsetMm: mm(row.offsetMm),
      spacerMm: mm(row.spacerMm),
      height: stanceWords(row),
      result: row.result,
      gapMm: row.requiredMm === null ? '' : mm(row.lowGapMm + row.requiredMm),
      needsMm: row.requiredMm === null ? '' : mm(row.requiredMm),
      spareMm: `${row.lowGapIsLeast ? '>' : ''}${mm(row.lowGapMm)}`,
      tightest: row.obstacleLabel ?? '',
      changes: changesWords(row),
      permanence: row.permanence,
      cost: row.costMinor === null ? '' : formatMoney(row.costMinor),
      pokeMm: row.pokeMm === null ? '' : mm(row.pokeMm),
      notChecked: row.unchecked.join(' '),
    })),
    { escapeFormulae: true, newline: '\n' },
  );
