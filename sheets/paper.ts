/** Papers a shop prints on, mm. */
export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

export const PAPER_SIZES = Object.keys(PAPERS) as [Paper, ...Paper[]];
