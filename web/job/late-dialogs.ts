import { afterVerdict } from '../kit/first-answer';

/** What is opened by a key of the shell does not hold up the first verdict. */
export const LoadFileDialog = afterVerdict(() => import('./LoadFileDialog.vue'));
export const HistoryDialog = afterVerdict(() => import('./HistoryDialog.vue'));
