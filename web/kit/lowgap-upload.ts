import type { LowgapFile } from '@/contracts/lowgap-file';
import { MOST_JOB_BYTES, MOST_JOB_WORDS } from '@/contracts/job-size';
import { readLowgapText } from '@/contracts/parse';
import { saveText } from './save-text';
import type { Result } from '@/core/1-base/problem';

/** Reads a chosen file as `.lowgap.json`; a file that is none is refused with what was found. */
export async function readLowgapUpload(file: File): Promise<Result<LowgapFile>> {
  if (file.size > MOST_JOB_BYTES) {
    return {
      ok: false,
      problems: [
        {
          code: 'tooLarge',
          path: file.name,
          expected: `a job file of ${MOST_JOB_WORDS}`,
          found: `${(file.size / 1e6).toFixed(0)} MB`,
        },
      ],
    };
  }
  return readLowgapText(await file.text());
}

/** Hands the document to the browser as a file to keep. */
export function downloadLowgap(document: LowgapFile, name: string): void {
  const safe =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'job';
  saveText(`${safe}.lowgap.json`, 'application/json', `${JSON.stringify(document, null, 2)}\n`);
}
