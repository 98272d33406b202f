import { describedCorners } from '../../4-clearance/case/described-corner';
import { type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerOverrides, SetupDescription } from '../../2-vehicle/setup/setup';
import { combinedSetup } from './candidates';
import type { Combination } from './axes';
import type { FinderSearch } from './search';

export type WholeSetup = SetupDescription & { readonly corners?: CornerOverrides | undefined };

/** The setup of one corner with a combination on it. */
export const cornerSetup = (
  { description, axes: { candidates }, allowances }: FinderSearch,
  key: CornerKey,
  { tire, wheel, spacer, stance }: Combination,
): SetupDescription =>
  combinedSetup(
    description,
    key,
    candidates.stances[stance]!,
    candidates.tires[tire]!,
    candidates.wheels[wheel]!,
    candidates.spacers[spacer]!,
    allowances,
  );

/** One setup for the vehicle out of one a corner: what all have alike once, what differs as exceptions. */
export function wholeSetup(own: Readonly<Partial<Record<CornerKey, SetupDescription>>>): WholeSetup {
  const keys = Object.keys(own) as CornerKey[];
  const common = own[keys[0]!]!;
  const corners: Partial<Record<CornerKey, Partial<SetupDescription>>> = {};
  for (const key of keys.slice(1)) {
    const differs = Object.entries(own[key]!).filter(
      ([name, value]) => JSON.stringify(value) !== JSON.stringify(common[name as keyof SetupDescription]),
    );
    if (differs.length > 0) corners[key] = Object.fromEntries(differs);
  }
  return defined(Object.keys(corners).length > 0 ? { ...common, corners } : common);
}

/** Without what is not said: a document has no undefined. */
function defined<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T;
}

/** The vehicle's setup with combinations on the corners they were found for. */
export function foundSetup(
  description: CaseDescription,
  found: readonly { readonly search: FinderSearch; readonly combination: Combination }[],
  removed: readonly string[] = [],
): WholeSetup {
  const own: Partial<Record<CornerKey, SetupDescription>> = {};
  for (const key of describedCorners(description)) {
    const on = found.find(({ search }) => search.corners.includes(key));
    const setup = on ? cornerSetup(on.search, key, on.combination) : enteredSetupFor(description, key);
    own[key] = removed.length > 0 ? { ...setup, removed: [...new Set([...(setup.removed ?? []), ...removed])] } : setup;
  }
  return wholeSetup(own);
}
