import type { ObstacleDescription } from '../clearance/description';
import type { Allowed } from '../clearance/standard';
import type { Material } from '../obstacle/material';

/** Changes a shop makes to let a tire clear, least permanent first; the order in which they are done. */
export const MODIFICATIONS = [
  'unbolt',
  'reroute',
  'tuckLiner',
  'steeringStop',
  'bumpStop',
  'spacer',
  'axleMove',
  'lift',
  'swapPart',
  'crashBracket',
  'trimPlastic',
  'foldLip',
  'rollFender',
  'grindTab',
  'cutSheetMetal',
  'bodyMountChop',
] as const;
export type Modification = (typeof MODIFICATIONS)[number];

/** What has to be minded or done with a change; the words stand at the edge. */
export const PRECAUTIONS = [
  'eyeProtection',
  'noHeatNearFuelOrAirbag',
  'deburPrimeSeal',
  'qualifiedWelder',
  'structureStays',
  'ownerConsent',
  'lookBehind',
  'hoseStrain',
  'cleanBareFaces',
  'reTorque',
  'spacerLaw',
  'turningCircle',
  'lostBumpTravel',
  'alignment',
  'supportAxle',
  'paintCracks',
] as const;
export type Precaution = (typeof PRECAUTIONS)[number];

/** Tools a shop works with; hours differ by them. */
export const TOOL_SETS = ['hand', 'power'] as const;
export type ToolSet = (typeof TOOL_SETS)[number];

/** A change to one thing in the way (`obstacle`), or to the whole setup (`setup`). Working values of this project, editable. */
export interface ModificationRule {
  readonly on: 'obstacle' | 'setup';
  /** Most it can give, mm (degrees of lock for a steering stop); null: takes the thing away altogether. */
  readonly most: number | null;
  readonly hours: Readonly<Record<ToolSet, number>>;
  /** 0 undone at once ... 6 never. */
  readonly permanence: number;
  /** What a standard must allow for it; null: always. */
  readonly needs: Allowed | null;
  readonly precautions: readonly Precaution[];
  /** Used up with it. */
  readonly consumables: readonly string[];
}

const rule = (
  on: ModificationRule['on'],
  most: number | null,
  hand: number,
  power: number,
  permanence: number,
  needs: Allowed | null,
  precautions: readonly Precaution[],
  consumables: readonly string[] = [],
): ModificationRule => ({ on, most, hours: { hand, power }, permanence, needs, precautions, consumables });

export const MODIFICATION_RULES: Readonly<Record<Modification, ModificationRule>> = {
  unbolt: rule('obstacle', null, 0.4, 0.25, 1, 'unbolt', ['lookBehind']),
  reroute: rule('obstacle', 30, 0.5, 0.4, 1, 'reroute', ['hoseStrain'], ['clips']),
  tuckLiner: rule('obstacle', 15, 0.5, 0.4, 2, 'tuckLiner', ['noHeatNearFuelOrAirbag'], ['clips']),
  steeringStop: rule('setup', 8, 0.6, 0.4, 1, null, ['turningCircle']),
  bumpStop: rule('setup', 40, 0.8, 0.5, 1, null, ['lostBumpTravel', 'supportAxle']),
  spacer: rule('setup', 40, 0.8, 0.4, 1, null, ['cleanBareFaces', 'reTorque', 'spacerLaw']),
  axleMove: rule('setup', 25, 3, 2, 2, null, ['alignment', 'supportAxle', 'reTorque']),
  lift: rule('setup', 60, 6, 4, 2, null, ['alignment', 'supportAxle', 'reTorque']),
  swapPart: rule('obstacle', null, 3, 2, 2, 'unbolt', ['lookBehind']),
  crashBracket: rule('obstacle', null, 0.6, 0.4, 2, 'unbolt', ['ownerConsent', 'structureStays']),
  trimPlastic: rule('obstacle', 60, 0.5, 0.3, 3, 'trimPlastic', ['eyeProtection'], ['edge trim']),
  foldLip: rule('obstacle', 20, 1, 0.8, 4, 'foldLip', ['paintCracks', 'deburPrimeSeal'], ['primer', 'seam sealer']),
  rollFender: rule('obstacle', 12, 1.2, 1, 4, 'foldLip', ['paintCracks'], ['primer']),
  grindTab: rule(
    'obstacle',
    15,
    0.8,
    0.4,
    5,
    'cutSheetMetal',
    ['eyeProtection', 'structureStays', 'deburPrimeSeal'],
    ['primer'],
  ),
  cutSheetMetal: rule(
    'obstacle',
    60,
    2.5,
    1.2,
    5,
    'cutSheetMetal',
    ['eyeProtection', 'noHeatNearFuelOrAirbag', 'deburPrimeSeal'],
    ['primer', 'paint', 'seam sealer'],
  ),
  bodyMountChop: rule(
    'obstacle',
    60,
    6,
    4,
    6,
    'cutSheetMetal',
    ['qualifiedWelder', 'eyeProtection', 'noHeatNearFuelOrAirbag', 'deburPrimeSeal'],
    ['plate', 'primer', 'paint'],
  ),
};

const BY_MATERIAL: Readonly<Record<Material, readonly Modification[]>> = {
  hose: ['reroute'],
  wire: ['reroute'],
  liner: ['tuckLiner', 'trimPlastic'],
  plastic: ['trimPlastic'],
  sheetMetal: ['rollFender', 'foldLip', 'cutSheetMetal'],
  bodyMount: ['bodyMountChop'],
  swayBar: [],
  spring: [],
  // Never cut to gain room: arms, knuckles, frame and brake carry the vehicle.
  arm: [],
  knuckle: [],
  frame: [],
  brake: [],
};

/** Changes that can be made to a thing by what it is made of; nothing inside the wheel is ever changed. */
export function modificationsOf({ material, removable, insideWheel }: ObstacleDescription): Modification[] {
  if (insideWheel) return [];
  return [...(removable ? (['unbolt'] as const) : []), ...BY_MATERIAL[material]];
}
