/** What an obstacle moves with. */
export const MOUNTS = ['body', 'frame', 'axle', 'upperArm', 'lowerArm', 'knuckle', 'tieRod'] as const;
export type Mount = (typeof MOUNTS)[number];

/** The same where a lift spindle parts hub and knuckle: a brake goes with the hub, the joints stay with the knuckle. */
export type Carriage = Mount | 'hub';
