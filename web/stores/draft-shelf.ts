import { z } from 'zod';
import { jobContentSchema } from '@/contracts/job-api';

/**
 * Unsaved changes of a job in this browser, so that a reload, a sleeping tablet or a stopped server loses
 * nothing. Kept until the server has them.
 */
const draftSchema = jobContentSchema.extend({ revision: z.int() });

export type ShelvedDraft = z.output<typeof draftSchema>;

const key = (id: string): string => `lowgap.draft.${id}`;

export function shelveDraft(id: string, draft: ShelvedDraft): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // The browser's shelf is full, as with a large scan: an older draft would be worse than none.
    dropDraft(id);
  }
}

export function shelvedDraft(id: string): ShelvedDraft | null {
  try {
    return draftSchema.parse(JSON.parse(localStorage.getItem(key(id)) ?? 'null'));
  } catch {
    return null;
  }
}

export function dropDraft(id: string): void {
  localStorage.removeItem(key(id));
}
