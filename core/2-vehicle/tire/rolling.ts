/** Rolling circumference over free diameter of a radial tire (ETRTO, value from memory). */
export const ROLLING = 3.05;

/** Way of one turn of a tire that makes so many in a kilometre, mm. */
export const rollingOfRevolutionsMm = (revolutionsPerKm: number): number => 1e6 / revolutionsPerKm;
