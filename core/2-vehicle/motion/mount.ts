/** What an obstacle moves with. */
export const MOUNTS = ['body', 'frame', 'axle', 'upperArm', 'lowerArm', 'knuckle', 'tieRod'] as const;
export type Mount = (typeof MOUNTS)[number];
