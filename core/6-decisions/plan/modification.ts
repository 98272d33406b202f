import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { Allowed, Standard } from '../../4-clearance/case/standard';
import type { Material } from '../../3-survey/shape/material';

/** Changes a shop makes to let a tire clear, least permanent first. */
export const MODIFICATIONS = [
  'unbolt',
  'reroute',
  'tuckLiner',
  'steeringStop',
  'bumpStop',
  'spacer',
  'otherWheel',
  'armAdjust',
  'axleMove',
  'lift',
  'bodyLift',
  'swapPart',
  'crashBracket',
  'heatForm',
  'trimPlastic',
  'foldLip',
  'rollFender',
  'grindTab',
  'cutSheetMetal',
  'bodyMountChop',
] as const;

export type Modification = (typeof MODIFICATIONS)[number];

/** What has to be minded with a change, or done after it; the words stand at the edge. */
export const PRECAUTIONS = [
  'eyeProtection',
  'noHeatNearFuelOrAirbag',
  'qualifiedWelder',
  'structureStays',
  'ownerConsent',
  'lookBehind',
  'hoseStrain',
  'cleanBareFaces',
  'spacerLaw',
  'turningCircle',
  'lostBumpTravel',
  'supportAxle',
  'springEnergy',
  'paintCracks',
  'centreOfGravity',
  'deburrPrimeSeal',
  'reTorque',
  'alignment',
  'sensors',
] as const;

export type Precaution = (typeof PRECAUTIONS)[number];

/** Tools a shop works with; hours differ by them. */
export const TOOL_SETS = ['hand', 'power'] as const;
export type ToolSet = (typeof TOOL_SETS)[number];

export const CONSUMABLES = ['clips', 'edgeTrim', 'primer', 'paint', 'seamSealer', 'plate'] as const;
export type Consumable = (typeof CONSUMABLES)[number];

/** A change to one thing in the way (`obstacle`), or to a setup (`setup`). Working values of this project, editable. */
export interface ModificationRule {
  readonly on: 'obstacle' | 'setup';
  /** Most it can give, mm (degrees for a steering stop or an arm's adjustment); null: takes the thing away altogether. */
  readonly most: number | null;
  /** At one place (an obstacle, a corner, an axle or the body), minutes. */
  readonly minutes: Readonly<Record<ToolSet, number>>;
  /** At an axle with independent suspension, where that takes another time. */
  readonly minutesIndependent: Readonly<Record<ToolSet, number>> | null;
  /** 0 undone at once ... 6 never. */
  readonly permanence: number;
  /** What a standard must allow for it; null: always. */
  readonly needs: Allowed | null;
  /** Before and while it is done. */
  readonly cautions: readonly Precaution[];
  /** Once it is done. */
  readonly afterCare: readonly Precaution[];
  readonly consumables: readonly Consumable[];
  /** A part of its own comes with it at each place. */
  readonly part: boolean;
}

interface Entered {
  readonly most: number | null;
  readonly hand: number;
  readonly power: number;
  readonly independent?: Readonly<Record<ToolSet, number>>;
  readonly permanence: number;
  readonly needs?: Allowed;
  readonly cautions?: readonly Precaution[];
  readonly afterCare?: readonly Precaution[];
  readonly consumables?: readonly Consumable[];
  readonly part?: true;
}

const rule =
  (on: ModificationRule['on']) =>
  ({
    hand,
    power,
    independent,
    needs,
    cautions,
    afterCare,
    consumables,
    part,
    ...rest
  }: Entered): ModificationRule => ({
    on,
    ...rest,
    minutes: { hand, power },
    minutesIndependent: independent ?? null,
    needs: needs ?? null,
    cautions: cautions ?? [],
    afterCare: afterCare ?? [],
    consumables: consumables ?? [],
    part: part === true,
  });
const ofThing = rule('obstacle');
const ofSetup = rule('setup');

export const MODIFICATION_RULES: Readonly<Record<Modification, ModificationRule>> = {
  unbolt: ofThing({ most: null, hand: 24, power: 15, permanence: 1, needs: 'unbolt', cautions: ['lookBehind'] }),
  reroute: ofThing({
    most: 30,
    hand: 30,
    power: 24,
    permanence: 1,
    needs: 'reroute',
    cautions: ['hoseStrain'],
    consumables: ['clips'],
  }),
  tuckLiner: ofThing({
    most: 15,
    hand: 30,
    power: 24,
    permanence: 2,
    needs: 'tuckLiner',
    consumables: ['clips'],
  }),
  steeringStop: ofSetup({
    most: 8,
    hand: 36,
    power: 24,
    permanence: 1,
    cautions: ['turningCircle'],
    afterCare: ['alignment'],
    part: true,
  }),
  bumpStop: ofSetup({
    most: 40,
    hand: 48,
    power: 30,
    permanence: 1,
    cautions: ['lostBumpTravel', 'supportAxle'],
    part: true,
  }),
  spacer: ofSetup({
    most: 50,
    hand: 30,
    power: 18,
    permanence: 1,
    cautions: ['cleanBareFaces', 'spacerLaw'],
    afterCare: ['reTorque'],
    part: true,
  }),
  otherWheel: ofSetup({
    most: 60,
    hand: 36,
    power: 24,
    permanence: 1,
    cautions: ['cleanBareFaces'],
    afterCare: ['reTorque'],
    part: true,
  }),
  armAdjust: ofSetup({ most: 3, hand: 75, power: 60, permanence: 2, afterCare: ['alignment', 'reTorque'] }),
  axleMove: ofSetup({
    most: 25,
    hand: 180,
    power: 120,
    permanence: 2,
    cautions: ['supportAxle', 'hoseStrain'],
    afterCare: ['alignment', 'reTorque'],
    part: true,
  }),
  // Springs by power tools: 1.5 to 2.5 h on a beam axle, 3 to 4 on independent suspension; a body lift 4, by hand 8 to 10 (common practice, no source).
  lift: ofSetup({
    most: 100,
    hand: 200,
    power: 120,
    independent: { hand: 350, power: 210 },
    permanence: 2,
    cautions: ['supportAxle', 'springEnergy', 'hoseStrain', 'centreOfGravity'],
    afterCare: ['alignment', 'reTorque', 'sensors'],
    part: true,
  }),
  bodyLift: ofSetup({
    most: 76,
    hand: 540,
    power: 240,
    permanence: 2,
    cautions: ['centreOfGravity', 'hoseStrain'],
    afterCare: ['reTorque', 'sensors'],
    part: true,
  }),
  swapPart: ofThing({
    most: null,
    hand: 180,
    power: 120,
    permanence: 2,
    needs: 'unbolt',
    cautions: ['lookBehind'],
    afterCare: ['sensors'],
    part: true,
  }),
  crashBracket: ofThing({
    most: null,
    hand: 36,
    power: 24,
    permanence: 2,
    needs: 'unbolt',
    cautions: ['ownerConsent', 'structureStays', 'lookBehind'],
  }),
  heatForm: ofThing({
    most: 20,
    hand: 45,
    power: 40,
    permanence: 3,
    needs: 'trimPlastic',
    cautions: ['noHeatNearFuelOrAirbag'],
  }),
  trimPlastic: ofThing({
    most: 60,
    hand: 30,
    power: 18,
    permanence: 3,
    needs: 'trimPlastic',
    cautions: ['eyeProtection'],
    consumables: ['edgeTrim'],
  }),
  foldLip: ofThing({
    most: 20,
    hand: 60,
    power: 48,
    permanence: 4,
    needs: 'foldLip',
    cautions: ['paintCracks', 'eyeProtection'],
    afterCare: ['deburrPrimeSeal'],
    consumables: ['primer', 'seamSealer'],
  }),
  rollFender: ofThing({
    most: 12,
    hand: 72,
    power: 60,
    permanence: 4,
    needs: 'foldLip',
    cautions: ['paintCracks'],
    afterCare: ['deburrPrimeSeal'],
    consumables: ['primer'],
  }),
  grindTab: ofThing({
    most: 15,
    hand: 48,
    power: 24,
    permanence: 5,
    needs: 'cutSheetMetal',
    cautions: ['eyeProtection', 'structureStays', 'noHeatNearFuelOrAirbag'],
    afterCare: ['deburrPrimeSeal'],
    consumables: ['primer'],
  }),
  cutSheetMetal: ofThing({
    most: 60,
    hand: 150,
    power: 72,
    permanence: 5,
    needs: 'cutSheetMetal',
    cautions: ['eyeProtection', 'noHeatNearFuelOrAirbag', 'structureStays'],
    afterCare: ['deburrPrimeSeal'],
    consumables: ['primer', 'paint', 'seamSealer'],
  }),
  bodyMountChop: ofThing({
    most: 60,
    hand: 360,
    power: 240,
    permanence: 6,
    needs: 'cutSheetMetal',
    cautions: ['qualifiedWelder', 'eyeProtection', 'noHeatNearFuelOrAirbag'],
    afterCare: ['deburrPrimeSeal'],
    consumables: ['plate', 'primer', 'paint', 'seamSealer'],
  }),
};

const BY_MATERIAL: Readonly<Record<Material, readonly Modification[]>> = {
  hose: ['reroute'],
  wire: ['reroute'],
  liner: ['tuckLiner', 'heatForm', 'trimPlastic'],
  plastic: ['heatForm', 'trimPlastic'],
  sheetMetal: ['foldLip', 'rollFender', 'cutSheetMetal'],
  bodyMount: ['bodyMountChop'],
  swayBar: [],
  spring: [],
  // Never cut to gain room: arms, knuckles, frame and brake carry the vehicle.
  arm: [],
  knuckle: [],
  frame: [],
  brake: [],
};

/** Those that leave a cut edge, so that a sheet can be drawn for them. */
export const CUTS: readonly Modification[] = ['trimPlastic', 'foldLip', 'cutSheetMetal', 'bodyMountChop'];

/** Those after which the thing itself stands elsewhere, as far as it was worked on. */
export const RESHAPES = [
  'tuckLiner',
  'heatForm',
  'trimPlastic',
  'foldLip',
  'rollFender',
  'grindTab',
  'cutSheetMetal',
  'bodyMountChop',
] as const satisfies readonly Modification[];

/**
 * Changes that can be made to a thing by what it is and what it is made of. Nothing inside the wheel, no arm, knuckle,
 * frame rail or brake is ever changed, nor restraint or crash structure; a maker's crash bracket is unbolted or stays.
 */
export function modificationsOf({
  material,
  removable,
  insideWheel,
  part,
  shape,
}: ObstacleDescription): Modification[] {
  if (insideWheel || part === 'structure') return [];
  if (part === 'crashBracket') return removable ? ['crashBracket'] : [];
  return [
    ...(removable ? (['unbolt'] as const) : []),
    ...(part === 'swappable' ? (['swapPart'] as const) : []),
    // Only an edge has a lip to fold or roll.
    ...(part === 'bracketTab' ? (['grindTab'] as const) : BY_MATERIAL[material]).filter(
      (kind) => shape?.type !== 'panel' || (kind !== 'foldLip' && kind !== 'rollFender'),
    ),
  ];
}

/** Whether a standard lets it be done. */
export const permits = (standard: Standard, kind: Modification): boolean => {
  const { needs } = MODIFICATION_RULES[kind];
  return needs === null || standard.allows.includes(needs);
};
