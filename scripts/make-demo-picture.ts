/** Makes the demo's picture of a wheel, its marks and the few numbers taken beside it: `npx tsx scripts/make-demo-picture.ts`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { hardWell } from '@/core/fixtures/wells/hard-well';
import { photographed, USUAL_PHOTOGRAPHER } from '@/core/fixtures/wells/photographer';
import { readOff } from '@/core/fixtures/wells/tape';
import { dice } from '@/core/1-base/numeric/dice';
import { surveyScene } from '@/core/3-survey/landing/survey-scene';
import { STEERED_WALK } from '@/core/3-survey/walk/usual-walk';
import { DEMO_PICTURE } from '@/demo/demo-pictures';
import { wheelPicture } from './wheel-picture';

const SEED = 17;
const HAND = { tapeMm: 1.5, clockStepDeg: 5 } as const;

const well = hardWell(SEED);
const scene = surveyScene('frontLeft', well.truth);
const { photo, camera } = photographed(well.truth, SEED, { ...USUAL_PHOTOGRAPHER, markPx: 1.5, plumb: false });
const d = dice(SEED);
const round = (value: number, to: number): number => Math.round(value / to) * to;

const obstacles = STEERED_WALK.flatMap((stop) => {
  const thing = well.truth.obstacles.find(({ id }) => id === stop.id);
  if (!thing) return [];
  const isSeen = photo.traces.some(({ of }) => of === stop.id);
  const readings = (isSeen ? stop.steps.slice(0, 1) : stop.steps).flatMap((step, walkStep) => {
    const steer = step.steer === 'toward' ? 'right' : step.steer;
    const read = step.height === 'ride' ? readOff(thing, scene, { ...step, steer }, HAND, d, undefined) : null;
    if (!read) return [];
    const outboardMm = read.outboardMm === undefined ? {} : { outboardMm: round(read.outboardMm, 1) };
    return [{ ...read, gapMm: round(read.gapMm, 1), ...outboardMm, walkStep }];
  });
  const { label, readingsAs, form } = stop;
  return [
    {
      id: stop.id,
      label,
      mount: thing.mount,
      material: thing.material,
      readingsAs,
      ...(form ? { form } : {}),
      readings,
    },
  ];
});
const lip = well.truth.obstacles.find(({ id }) => id === 'fender-lip')!.shape!.points;
const overHub = lip.reduce((a, b) => (Math.abs(b[0]) < Math.abs(a[0]) ? b : a))[2];
const corner = {
  ...well.blank,
  hubToLipMm: round(overHub, 1),
  obstacles,
  photos: [{ ...photo, photoId: DEMO_PICTURE.id }],
};
const short = JSON.stringify(corner, (_, value: unknown) =>
  typeof value === 'number' ? Number(value.toFixed(4)) : value,
);
const file = 'demo/demo-picture-corner.ts';
const text = `/** Made by scripts/make-demo-picture.ts: an invented corner, its picture's marks, and what was taped beside it. */
import type { CornerInput } from './demo-input';

export const PICTURED_CORNER: CornerInput = ${short};
`;
mkdirSync('demo/pictures', { recursive: true });
writeFileSync(file, await format(text, { ...(await resolveConfig(file)), filepath: file }));
writeFileSync(DEMO_PICTURE.file, wheelPicture({ key: 'frontLeft', corner: well.truth, camera, held: photo }));
