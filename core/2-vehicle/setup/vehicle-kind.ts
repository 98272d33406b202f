/** What a vehicle is, in outline. */
export const VEHICLE_KINDS = ['pickup', 'wagon', 'coupe', 'van', 'cart'] as const;
export type VehicleKind = (typeof VEHICLE_KINDS)[number];
