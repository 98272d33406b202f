import { fullMomentText } from '../kit/dates';

/** Said over what this browser kept, while the server is away; null: the server answers. */
export function keptWords(since: Date | null): string | null {
  if (!since) return null;
  const asOf = Number.isNaN(since.getTime()) ? 'As this browser last had it' : `As of ${fullMomentText(since)}`;
  return `Server not reached. ${asOf}; what you change is kept here and sent later.`;
}
