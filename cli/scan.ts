import { readFile, writeFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { parseWith, readLowgapJson } from '@/contracts/parse';
import { scanPlanSchema } from '@/contracts/scan-plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { describedCorner } from '@/core/4-clearance/case/described-corner';
import { ProblemError } from '@/core/1-base/problem';
import { surveyScan } from '@/core/3-survey/scan/survey-scan';
import { readScan } from '@/meshes/read-scan';
import { readCase, unwrap } from './outcome';

export interface ScanCommandOptions {
  readonly corner: string;
  readonly plan: string;
  readonly out: string;
}

/** `lowgap scan FILE SCAN --corner C --plan PLAN.json --out NEW.lowgap.json`: the file with the scan's parts as obstacles. */
export async function scanCommand(file: string, scan: string, options: ScanCommandOptions) {
  const document = await readCase(file);
  const key = options.corner as CornerKey;
  const corner = describedCorner(asCase(document), key);
  const plan = unwrap(parseWith(scanPlanSchema, jsonOf(options.plan, (await bytesOf(options.plan)).toString('utf8'))));
  const { unit, alignment, obstacles, leftOver, cubeMm } = surveyScan(
    key,
    corner,
    readScan(basename(scan), await bytesOf(scan)),
    plan,
  );
  const next: LowgapFile = unwrap(
    readLowgapJson({
      ...document,
      corners: { ...document.corners, [key]: { ...corner, obstacles: [...corner.obstacles, ...obstacles] } },
    }),
  );
  await writeFile(options.out, `${JSON.stringify(next)}\n`);
  return {
    corner: key,
    file: options.out,
    unit,
    residuals: alignment.residuals,
    parts: obstacles.map(({ id, shape }) => ({ id, points: shape?.points.length ?? 0 })),
    leftOver,
    cubeMm,
  };
}

async function bytesOf(path: string): Promise<Buffer> {
  try {
    return await readFile(path);
  } catch (error) {
    const found = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'no such file' : String(error);
    throw new ProblemError({ code: 'notFound', path, expected: 'a file', found });
  }
}

function jsonOf(path: string, text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    const found = error instanceof Error ? error.message : 'unreadable text';
    throw new ProblemError({ code: 'invalidJson', path, expected: 'a whole JSON file', found });
  }
}
