/** What an obstacle is made of: decides the gap a standard asks for. */
export const MATERIALS = [
  'sheetMetal',
  'bodyMount',
  'frame',
  'arm',
  'knuckle',
  'brake',
  'spring',
  'swayBar',
  'hose',
  'wire',
  'plastic',
  'liner',
] as const;

export type Material = (typeof MATERIALS)[number];
