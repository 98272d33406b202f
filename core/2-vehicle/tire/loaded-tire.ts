import { ROLLING } from './rolling';
import type { TireSection } from './section';

/** Share of the section height by which a loaded tire is lower than a free one. Working value of this project. */
export const USUAL_DEFLECTION_SHARE = 0.12;

/** Height of a section from the rim to the crown, mm. */
export const sectionHeightMm = ({ diameterMm, size }: TireSection): number =>
  diameterMm / 2 - size.rimDiameterIn * 12.7;

/** Radius of a loaded tire, hub to ground, mm: as measured, else the free one less what it is pressed flat by. */
export const loadedRadiusMm = (section: TireSection, deflectionMm: number): number =>
  section.measuredLoadedMm ?? section.diameterMm / 2 - deflectionMm;

/** Way of one turn, mm: as measured, else by the usual ratio. */
export const rollingMm = (section: TireSection): number => section.measuredRollingMm ?? ROLLING * section.diameterMm;
