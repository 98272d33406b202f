import { fullMomentText } from '../kit/dates';

/** Said over what this browser kept, while the server is away; null: the server answers. */
export function keptWords(since: Date | null): string | null {
  if (!since) return null;
  const asOf = Number.isNaN(since.getTime()) ? 'as this browser last had it' : `as it was on ${fullMomentText(since)}`;
  return `Server not reached. Shown ${asOf}; what you change is kept in this browser and sent when the server is back.`;
}
