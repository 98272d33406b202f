import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { CANDIDATES, setupWith, surveyedCorner, type MotionName } from '../surveyed-corner';

const PORT = 4793;

/** The server that is measured. */
export const SERVER = { port: PORT, url: `http://127.0.0.1:${PORT}` } as const;

function documentWith(name: MotionName, envelope: 'trail' | 'street'): LowgapFile {
  return lowgapFileSchema.parse({
    format: 'lowgap',
    version: 1,
    vehicle: { label: 'Made-up vehicle for measuring' },
    corners: { frontLeft: surveyedCorner(name) },
    setup: setupWith(CANDIDATES[0]!),
    envelope,
  });
}

/** A new job on the server, with the surveyed corner; its id. */
export async function makeJob(name: MotionName, envelope: 'trail' | 'street'): Promise<string> {
  const made = await fetch(`${SERVER.url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ title: `Measured: ${name}`, customer: '', document: documentWith(name, envelope) }),
  });
  return ((await made.json()) as { id: string }).id;
}
