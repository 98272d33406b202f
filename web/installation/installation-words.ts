import type { ShopPlan } from '@/contracts/shop-file';

/** Bytes as people say them: `1.4 GB`, `320 MB`, `12 kB`. */
export function sizeWords(bytes: number): string {
  if (bytes >= 1e9) return `${(bytes / 1e9).toFixed(1)} GB`;
  return bytes >= 1e6 ? `${Math.round(bytes / 1e6)} MB` : `${Math.round(bytes / 1e3)} kB`;
}

const MOST_NAMED = 5;

/** `3 jobs: A, B, C`, the first of them by name. */
const named = (titles: readonly string[]): string => {
  const more = titles.length - MOST_NAMED;
  const count = titles.length === 1 ? '1 job' : `${titles.length} jobs`;
  return `${count}: ${titles.slice(0, MOST_NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
};

/** What bringing a file in would change here, a line each. */
export function planWords({ jobs, photos, wells, catalogue, people, terms }: ShopPlan): string[] {
  return [
    jobs.added.length > 0 ? `Added, ${named(jobs.added)}.` : 'No job is added.',
    ...(jobs.same > 0
      ? [`${jobs.same === 1 ? '1 job is' : `${jobs.same} jobs are`} here already, as in the file.`]
      : []),
    ...(jobs.differing.length > 0
      ? [`Here with other content, ${named(jobs.differing)}. They stay as they are here.`]
      : []),
    ...(jobs.unreadable.length > 0
      ? [`This version cannot read ${named(jobs.unreadable)}. They are kept as they are.`]
      : []),
    ...(jobs.left.length > 0 ? [`Not put back, in the bin or changed at that very moment, ${named(jobs.left)}.`] : []),
    ...(people.added > 0
      ? [`People added: ${people.added}. Each can sign in once you give them a password or a PIN.`]
      : []),
    `Also added: ${photos.added} photos, ${catalogue.added} tires, wheels and spacers, ${wells.added} wells.`,
    ...(terms === 'taken' ? ['The rates are taken from the file.'] : []),
    ...(terms === 'kept' ? ['The rates stay as they are here.'] : []),
  ];
}
