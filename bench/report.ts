import type { Figure } from './measure';

const number = (value: number): string =>
  value >= 1000 ? Math.round(value).toLocaleString('en') : value.toPrecision(3);

const verdict = ({ met }: Figure): string => (met === null ? '' : met ? 'met' : 'missed');

function goalOf({ goal, unit, reach }: Figure): string {
  if (reach) return `${number(reach)} poses`;
  return goal === null ? '' : `${number(goal)} ${unit}`;
}

/** Rows of a table: what, median, spread, in poses, goal, whether it was met. */
export const figureRows = (figures: readonly Figure[]): string =>
  figures
    .map(
      (f) =>
        `| ${f.name} | ${number(f.median)} ${f.unit} | ${number(f.min)} to ${number(f.max)} | ${f.poses === undefined ? '' : number(f.poses)} | ${goalOf(f)} | ${verdict(f)} |`,
    )
    .join('\n');

/** The page docs/benchmarks.md. */
export function report(figures: readonly Figure[], machine: string, motions: number): string {
  return `# Benchmarks

As measured by \`npm run bench -- --write\` on ${machine}. The machine is shared and its speed swings by a factor of about two
from one minute to the next, so read the spread, not the last digit. Misses are listed like the rest. A pose is one pose of a double
wishbone with tie rod, measured before and after each figure.

| what | median | spread | in poses | goal | |
| --- | --- | --- | --- | --- | --- |
${figureRows(figures)}

The surveyed corner is made up: 40 obstacles of 20 places around the wheel, least gaps from overlap to 80 mm, ${motions} kinds of suspension, everything the
stops allow (trail) or what the street rule leaves of it. "Other tire" cycles through four setups; the survey, alignment and limits stay.

Why what is missed is missed. *Next tire*: each cell that was kept is looked at by one tangent; cells gather while tires differ, and bigger bites would
need them kept in a tree. *Other stop or lock*: what was clipped away before is halved for the first time. *New alignment*: thousands of
new cells, each imaged and judged. *Spread*: a thousand draws of up to sixty places a thing, each shifted by every number that moves it; on a beam axle
all places in 845 postures before them, and many more that may be met. *Levers* of a beam axle: those that realign the wheel need tables of its linkage for each amount that has to be
searched, and again for what it upsets. One thing alone, as the screen asks, shares them with no other.

## How the cost grows

- *Obstacles*: each is searched on its own, so the cost is proportional to their number.
- *Places on an obstacle*: the first answer of a scan grows with the points, since most of it is taking them in and hanging them
  in a tree; the search itself opens only the branches that could hold the nearest place.
- *Postures*: there is no grid. A cell of postures is halved only while it could hold the least gap, so a wider envelope costs
  a level or two; the third dimension of a beam axle (the other wheel) costs several times as much.
- *The next tire* starts from the cells where the last search ended: their images depend neither on the tire nor on
  height, stops or envelope, which only clip them. Another alignment makes new images and so costs a first answer.
`;
}
