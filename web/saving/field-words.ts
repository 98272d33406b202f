import { pathText, type Step } from '@/contracts/changes/change';
import type { JobContent } from '@/contracts/job-api';
import { placeText } from '@/contracts/problems';
import { bothUnits } from '@/core/1-base/units/length';

/** Where a change is, as a person at the screen says it: `front left, Frame rail, reading 2, gap`. */
export function fieldWords(path: readonly Step[], content: JobContent): string {
  const written = pathText(path, content);
  if (written === '') return 'the whole job';
  // A file's own path begins below `document`.
  return placeText(written.replace(/^document\./, ''), written.startsWith('document.') ? content.document : undefined);
}

/** What a field holds, in a few words; `field` is its own name, which carries the unit. */
export function valueWords(value: unknown, field: Step | undefined): string {
  const name = typeof field === 'string' ? field : '';
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'number') {
    if (name.endsWith('Mm')) return bothUnits(value);
    if (name.endsWith('Deg')) return `${value}°`;
    return name.endsWith('In') ? `${value} in` : String(value);
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value === '' ? 'nothing' : value.slice(0, 80);
  if (Array.isArray(value)) return value.length === 1 ? '1 entry' : `${value.length} entries`;
  const { label, title, size } = value as Readonly<Record<string, unknown>>;
  const said = [label, title, size].find((one) => typeof one === 'string' && one !== '');
  return typeof said === 'string' ? said : 'as entered';
}

/** What was typed stands beside its number and is no field of its own. */
export const isTypedText = (path: readonly Step[]): boolean => path.includes('typed');
