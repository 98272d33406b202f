import type { Figure } from './measure';
import { figureRows } from './report';

/** What `npm run bench:finder` found; kept in finder-found.json. */
export interface FinderFound {
  readonly machine: string;
  readonly figures: readonly Figure[];
  readonly sample: { readonly compared: number; readonly equal: number; readonly perCombinationMs: number };
}

export const FINDER_HEADING = '## The finder';

const number = (value: number): string =>
  value >= 1000 ? Math.round(value).toLocaleString('en') : value.toPrecision(3);

/** Its part of docs/benchmarks.md, from a blank line on. */
export function finderReport({ machine, figures, sample }: FinderFound): string {
  return `
${FINDER_HEADING}

As measured by \`npm run bench:finder -- --write\` (after a build) on ${machine}. The same surveyed corner; tires by diameter and width,
rims by width, offsets in steps of 1.5 to 15 mm, spacers and spring lifts; nothing changed unless it says so, and then sheet metal folded by
20 or cut by 50 mm. Everything is counted: mounting every tire, imaging the corner, the table, the exact search near the limits and reading off the combinations.

| what | median | spread | in poses | goal | |
| --- | --- | --- | --- | --- | --- |
${figureRows(figures)}

Against the plain way (each obstacle of each combination on its own): ${sample.equal} of ${sample.compared} seeded combinations equal; it takes
${number(sample.perCombinationMs)} ms a combination.

How it is done: what a tire meets depends on its section, its centre plane (spacer less offset) and the stance alone, so each of those cells is
worked out once. All obstacles in all postures are drawn into the plane of axle line and radius, one raster for each thickness, wanted
room and kind of change; an exact distance transform gives the room at every place. A section is a hundred discs, and its margin at every
centre plane the least of the field at their middles less their radii. The table is up to 3.6 mm too careful and 0.7 mm too free; a cell nearer to a limit than that
is decided by the exact search, which only has to prove that nothing comes below. There is no bisection: along the centre plane a whole
row costs what one look-up does, and in diameter sections are not nested strictly enough for a bisection to be exact. The cost is the
table (once for each set of postures), the mounted tires, and the exact tests of the cells at the frontier, whose number grows as the
two-thirds power of the combinations, not as their number.

Why what is missed is missed: under the street rule each parked height needs a table of its own; the rest goes into mounting 600 tires and into
exact tests at the frontier, each of many searches. Telling neighbours what one of them proved makes the searches fewer and hardly
quicker (docs/decisions/0023-follows-a-finger.md). Tables are not kept from one question to the next.
`;
}
