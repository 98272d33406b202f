/** What a tire is made for: where nobody measured its tread and shoulder, they start from this. */
export const TIRE_KINDS = ['highway', 'allTerrain', 'mud'] as const;
export type TireKind = (typeof TIRE_KINDS)[number];

/** A shoulder told by a picture. */
export const SHOULDERS = ['round', 'usual', 'square'] as const;
export type Shoulder = (typeof SHOULDERS)[number];
