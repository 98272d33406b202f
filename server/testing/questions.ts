/** A question to the finder that is answered in well under a second. */
export const QUESTION = {
  fit: 'front',
  tires: { from: 'common', leastDiameterMm: 790, mostDiameterMm: 850 },
  wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8], offsetMm: { from: 0, to: 30, step: 10 } },
};

/** One that takes many seconds. */
export const LONG_QUESTION = {
  ...QUESTION,
  tires: {
    from: 'ranges',
    diameterMm: { from: 700, to: 900, step: 1 },
    widthMm: { from: 240, to: 330, step: 1 },
  },
};
