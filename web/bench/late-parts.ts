import { afterVerdict } from '../kit/first-answer';

/** The fields, the driveline, and what is needed for pictures alone do not hold up the first verdict. */
export const SetupPanel = afterVerdict(() => import('./SetupPanel.vue'));
export const BenchPictures = afterVerdict(() => import('./BenchPictures.vue'));
export const SlipNote = afterVerdict(() => import('../stance/SlipNote.vue'));
export const SpacerPanel = afterVerdict(() => import('../spacer/SpacerPanel.vue'));
