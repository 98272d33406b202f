/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { mount } from '@vue/test-utils';
import { prepareRotor } from '@/core/2-vehicle/setup/rotor';
import type { SurveyedReadings } from '@/core/3-survey/edge-fit/surveyed-readings';
import SurveyPicture from './SurveyPicture.vue';

const { section, centrePlaneMm } = prepareRotor(
  { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 },
  '',
);
const found = (id: string, z: number): SurveyedReadings => ({
  id,
  toleranceMm: 4,
  fitStatus: 'converged',
  readings: [0, 200].map((x) => ({
    at: [x, 100, z] as const,
    gapOffMm: x / 50,
    clockOffDeg: 0,
    contradicts: false,
    misses: false,
  })),
  edge: [-200, 0, 200].map((x) => ({ at: [x, 100, z] as const, radialMm: 6, lateralMm: 9 })),
  seen: [],
});
const things = [
  { id: 'lip', label: 'Fender lip', found: found('lip', 520), known: {} },
  { id: 'weld', label: 'Pinch weld', found: found('weld', -100), known: {} },
];
const picture = (side: 'left' | 'right') =>
  mount(SurveyPicture, { props: { side, section, centrePlaneMm, things, chosen: 'lip', picked: null, clock: '3:00' } });

test('a reading and a part are picked in the picture; of the chosen part alone readings are numbered', async () => {
  const wrapper = picture('right');
  const readings = wrapper.findAll('[data-testid="survey-outside"] g.reading');
  expect(readings.map((one) => one.attributes('aria-label'))).toEqual([
    'Reading 1, 0 mm less by the edge',
    'Reading 2, 4 mm more by the edge',
  ]);
  await readings[1]!.trigger('click');
  expect(wrapper.emitted('pick')).toEqual([[1]]);
  await wrapper.find('[data-testid="survey-front"] path.edge:not(.chosen)').trigger('click');
  expect(wrapper.emitted('thing')).toEqual([['weld']]);
});

test('on the left the dial is turned: the front’s hour there is 9, and what is pressed is kept as the file has it', async () => {
  const wrapper = picture('left');
  await wrapper.find('[aria-label="Clock 9:00"]').trigger('click');
  expect(wrapper.emitted('choose')).toEqual([['3:00']]);
  // The front of the vehicle is written at the hand at which it is.
  const words = wrapper.findAll('[data-testid="survey-outside"] g.ends text');
  expect(words.map((word) => [word.text(), Number(word.attributes('x')) < 0])).toEqual([
    ['FRONT', true],
    ['REAR', false],
  ]);
  expect(picture('right').find('[aria-label="Clock 3:00"]').exists()).toBe(true);
});
