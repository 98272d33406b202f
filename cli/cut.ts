import { writeFile } from 'node:fs/promises';
import { asCase } from '@/contracts/as-case';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { cutSheet } from '@/core/6-decisions/plan/cut-sheet';
import { ProblemError } from '@/core/1-base/problem';
import { PAPER_SIZES, type Paper } from '@/sheets/paper';
import { fontsOnDisk } from '@/sheets/fonts-on-disk';
import { sheetDrawing } from '@/sheets/sheet-drawing';
import { writeDxf } from '@/sheets/write-dxf';
import { writePdf } from '@/sheets/write-pdf';
import { writeSvg } from '@/sheets/write-svg';
import { numberOption, readCase } from './outcome';

export interface CutCommandOptions {
  readonly corner: string;
  readonly obstacle: string;
  readonly out: string;
  readonly allowance: string;
  readonly flap: string;
  readonly mirrored?: boolean;
  readonly paper: string;
}

/** `lowgap cut FILE --corner C --obstacle ID --out SHEET.svg|.dxf|.pdf [--allowance MM] [--paper A4] [--mirrored]` */
export async function cutCommand(
  file: string,
  { corner, obstacle, out, allowance, flap, mirrored, paper }: CutCommandOptions,
) {
  const kind = /\.(svg|dxf|pdf)$/i.exec(out)?.[1]?.toLowerCase();
  if (!kind) {
    throw new ProblemError({
      code: 'wrongFormat',
      path: '--out',
      expected: 'a name ending in .svg, .dxf or .pdf',
      found: out,
    });
  }
  const sheet = cutSheet(asCase(await readCase(file)), corner as CornerKey, obstacle, {
    allowanceMm: numberOption('allowance', allowance),
    flapMm: numberOption('flap', flap),
    mirrored: mirrored === true,
  });
  if (sheet.need.length === 0) {
    throw new ProblemError({
      code: 'missing',
      path: `corners.${corner}.obstacles.${obstacle}`,
      expected: 'something to cut: what is wanted is left all over it, or none of it can stay',
      found: 'no line',
    });
  }
  const drawing = sheetDrawing(sheet);
  const size = paperOption(paper);
  const written = {
    svg: writeSvg,
    dxf: writeDxf,
    pdf: (sheet: typeof drawing) => writePdf(sheet, size, fontsOnDisk()),
  };
  await writeFile(out, await written[kind as keyof typeof written](drawing));
  const { depthMm, lengthMm, areaMm2, firstAreaMm2, offPlaneMm, uncovers } = sheet;
  return { corner, obstacle, file: out, depthMm, lengthMm, areaMm2, firstAreaMm2, offPlaneMm, uncovers };
}

/** @throws ProblemError for a paper nobody prints on. */
export function paperOption(paper: string): Paper {
  const size = PAPER_SIZES.find((one) => one.toLowerCase() === paper.toLowerCase());
  if (size) return size;
  throw new ProblemError({ code: 'notFound', path: '--paper', expected: PAPER_SIZES.join(' or '), found: paper });
}
