/** Heights a reading can be taken at: as parked, on a hump, hanging. */
export const WALK_HEIGHTS = ['ride', 'bump', 'hang'] as const;
export type WalkHeight = (typeof WALK_HEIGHTS)[number];

/** Share of the bump travel that a hump under the wheel gives, and of the droop that hanging gives. */
export const HUMP_SHARE = 0.6;
