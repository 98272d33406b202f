import { describe, expect, test } from '@jest/globals';
import { madeCorner } from '../../fixtures/made-corner';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { STANDARDS } from '../../4-clearance/case/standard';
import { parseFitmentText } from './fitment-text';
import { quickCases, unknownsOf } from './quick-cases';
import { quickChange } from './quick-change';
import { quickLikely } from './quick-likely';
import { LEAST_PLACES, MOST_PLACES, quickPlaces, saidVerdict } from './quick-places';
import type { QuickQuestion } from './quick-question';
import { quickRecord, type RecordedWell } from './quick-record';

const asked = (said: Partial<QuickQuestion> = {}): QuickQuestion => ({
  axle: 'front',
  vehicle: 'pickup',
  suspension: null,
  fitted: parseFitmentText('265/70R17 on 17x8 +30'),
  wanted: parseFitmentText('285/70R17 on 17x9 -12'),
  liftMm: 0,
  answers: {},
  ...said,
});

describe('what changes', () => {
  // By hand: 265 x 0.70 and 285 x 0.70 on 17 in are 802.8 and 830.8 mm; half of a true rim of 10 in less 12 mm, and of 9 in and 30 mm.
  test('diameter, backspacing and speedometer by hand', () => {
    const change = quickChange(asked());
    expect(change.diameterMm).toBeCloseTo(2 * 0.7 * (285 - 265), 6);
    expect(change.backspacingMm).toBeCloseTo(127 - 12 - (114.3 + 30), 6);
    expect(change.trueSpeedAt100).toBeCloseTo((100 * (431.8 + 399)) / (431.8 + 371), 1);
    // Poke grows by the offset's change and half the width's; inboard shrinks by the one and grows by the other.
    expect(change.pokeMm - change.widthMm / 2).toBeCloseTo(42, 6);
    expect(change.inboardMm - change.widthMm / 2).toBeCloseTo(-42, 6);
  });

  // ISO 4000-1: 121 carries 1450 kg (from memory).
  test('a load index stands in the size, or is not known', () => {
    const change = quickChange(asked({ wanted: parseFitmentText('LT285/70R17 121/118Q on 17x9 -12') }));
    expect(change.wantedLoad).toEqual({ index: 121, kg: 1450 });
    expect(change.fittedLoad).toBeNull();
  });
});

describe('where today’s tire must have room', () => {
  // A wheel that rises straight: over the tread all of the bump travel, the growth in radius and 8 mm to metal are needed (by hand).
  test('at the top of a rear arch: bump travel, growth in radius and what the standard wants', () => {
    const places = quickPlaces(asked({ axle: 'rear', suspension: 'doubleWishbone' }));
    const top = places.find(({ thing, clock }) => thing === 'fender-lip' && clock === '12:00')!;
    const growthMm = (830.8 - 802.8) / 2;
    const [least, most] = unknownsOf('pickup').bumpMm;
    const wantedMm = STANDARDS.neverRub.requiredMm.sheetMetal;
    expect(top.leastMm).toBeGreaterThan(least + growthMm + wantedMm - 1);
    expect(top.leastMm).toBeLessThan(least + growthMm + wantedMm + 2);
    expect(top.mostMm).toBeGreaterThan(most + growthMm + wantedMm - 1);
    expect(top.mostMm).toBeLessThan(most + growthMm + wantedMm + 2);
    expect(top.moreMm).toBeCloseTo(growthMm, 0);
  });

  // Stops stand 0.5 to 0.7 of the track apart (common practice, no source): flexed, with the other wheel on its shock, a wheel goes up by
  // (b (1 + k) + d (1 - k)) / 2 k where the stops stand k of the track apart as the shocks do (two lines, by hand).
  test('a solid axle flexes: one wheel goes far past its parallel bump', () => {
    const { bumpMm, droopMm } = unknownsOf('pickup');
    const top = quickPlaces(asked({ axle: 'rear', suspension: 'beamAxle' })).find(
      ({ thing, clock }) => thing === 'fender-lip' && clock === '12:00',
    )!;
    const reach = (b: number, d: number, k: number): number => (b * (1 + k) + d * (1 - k)) / (2 * k);
    const besidesMm = 14 + STANDARDS.neverRub.requiredMm.sheetMetal;
    expect(top.leastMm).toBeGreaterThan(reach(bumpMm[0], droopMm[0], 0.7) + besidesMm - 1);
    expect(top.leastMm).toBeLessThan(reach(bumpMm[0], droopMm[0], 0.7) + besidesMm + 6);
    expect(top.mostMm).toBeGreaterThan(reach(bumpMm[1], droopMm[1], 0.5) + besidesMm - 1);
  });

  test.each(['front', 'rear'] as const)('four to six places on the %s axle, none asked about twice', (axle) => {
    const places = quickPlaces(asked({ axle }));
    expect(places.length).toBeGreaterThanOrEqual(LEAST_PLACES);
    expect(places.length).toBeLessThanOrEqual(MOST_PLACES);
    expect(new Set(places.map(({ clock, across, steer }) => `${clock}${across}${steer}`)).size).toBe(places.length);
    for (const { leastMm, mostMm } of places) expect(mostMm).toBeGreaterThanOrEqual(leastMm);
  });

  // The arm and the frame are where a wheel further in goes; the fender where one further out does (common practice, no source).
  test('a wheel further in is asked about inboard', () => {
    const inward = quickPlaces(asked({ wanted: parseFitmentText('285/70R17 on 17x9 +50') }));
    expect(['arm-end', 'frame-rail', 'sway-bar-link']).toContain(inward[0]!.thing);
  });

  test('what is said of the suspension narrows what it spreads over', () => {
    const all = quickCases(asked()).map(({ suspension }) => suspension);
    const one = quickCases(asked({ suspension: 'beamAxle' })).map(({ suspension }) => suspension);
    expect(new Set(all).size).toBe(3);
    expect(new Set(one)).toEqual(new Set(['beamAxle']));
    const places = quickPlaces(asked({ suspension: 'beamAxle' }));
    for (const { under } of places) expect(under).toEqual(['beamAxle']);
  });

  test('what is fitted already needs no more', () => {
    for (const { moreMm } of quickPlaces(asked({ wanted: asked().fitted }))) expect(moreMm).toBeCloseTo(0, 1);
  });
});

describe('an answer', () => {
  const range = { leastMm: 40, mostMm: 60 };
  test.each([
    [60, 66, 'enough'],
    [54, 66, 'between'],
    [30, 42, 'between'],
    [30, 39, 'short'],
  ] as const)('of %i to %i mm where 40 to 60 is needed: %s', (fromMm, toMm, verdict) =>
    expect(saidVerdict(range, { fromMm, toMm })).toBe(verdict),
  );

  test('a place that was answered stays, with what it comes to', () => {
    const [first] = quickPlaces(asked());
    const answered = (mm: number) =>
      quickPlaces(asked({ answers: { [first!.id]: { fromMm: mm, toMm: mm } } })).find(({ id }) => id === first!.id)!;
    expect(answered(first!.mostMm + 1).said).toBe('enough');
    expect(answered(first!.leastMm - 1).said).toBe('short');
  });
});

/** A well with a flat lip so far over the tire, that counts as surveyed. */
const well = (id: number, overMm: number, said: Partial<CornerDescription> = {}): RecordedWell => ({
  title: `Well ${id}`,
  vehicle: 'pickup',
  key: 'rearLeft',
  corner: madeCorner({
    fitted: asked().fitted,
    skipped: ['liner', 'frame-rail', 'shock'],
    obstacles: [
      {
        id: 'fender-lip',
        label: 'Fender lip',
        mount: 'body',
        material: 'sheetMetal',
        readings: ['12:00', '10:00', '2:00', '9:00', '3:00'].map((clock) => ({
          clock,
          across: 'tread' as const,
          gapMm: overMm,
          steer: 'straight' as const,
          travelMm: 0,
        })),
      },
    ],
    ...said,
  }),
});

describe('the record', () => {
  const question = asked({ axle: 'rear', wanted: parseFitmentText('285/70R17 on 17x8 +30') });
  // 80 mm of bump, 14 mm of growth and 8 mm to metal: 102 mm over the tread clears, 101 does not (by hand).
  test('counts the wells in which the wanted setup clears', () => {
    const record = quickRecord(question, [], [well(1, 104), well(2, 100), well(3, 140), well(4, 60)]);
    expect(record).toMatchObject({ count: 2, of: 4, short: [{ label: 'Fender lip', count: 2 }], leftOut: 0 });
    expect(record.low).toBeLessThan(0.5);
    expect(record.high).toBeGreaterThan(0.5);
  });

  test('leaves out other vehicles, and counts what was not surveyed far enough apart', () => {
    const cart = { ...well(1, 140), vehicle: 'cart' as const };
    const front = { ...well(2, 140), key: 'frontLeft' as const };
    const empty = well(3, 140, { obstacles: [] });
    expect(quickRecord(question, [], [cart, front, empty])).toMatchObject({ count: 0, of: 0, leftOut: 1 });
  });

  test('an answer stands in the place of the well’s own thing', () => {
    const places = quickPlaces(question);
    const top = places.find(({ thing, clock }) => thing === 'fender-lip' && clock === '12:00')!;
    const with_ = (mm: number) =>
      quickRecord({ ...question, answers: { [top.id]: { fromMm: mm, toMm: mm + 6 } } }, places, [well(1, 60)]);
    expect(with_(110).count).toBe(1);
    expect(with_(95).count).toBe(0);
  });
});

describe('what is likely before the vehicle is there', () => {
  const question = asked({ suspension: 'doubleWishbone' });
  const places = quickPlaces(question);

  test('a chance of all places together is no more than that of the least likely of them alone', () => {
    const { chance, rooms, wells } = quickLikely(question, places, []);
    const alone = places.map((place) => quickLikely(question, [place], []).chance!);
    expect(chance).toBeGreaterThan(0);
    expect(chance).toBeLessThanOrEqual(Math.min(...alone) + 1e-9);
    // Roominess is shared: together they are likelier than if they had nothing to do with each other.
    expect(chance!).toBeGreaterThan(alone.reduce((product, one) => product * one, 1));
    expect(Object.keys(rooms)).toHaveLength(places.length);
    expect(wells).toBe(0);
  });

  test('a smaller tire is likelier to clear than a larger one', () => {
    const chanceOf = (text: string): number => {
      const other = asked({ suspension: 'doubleWishbone', wanted: parseFitmentText(text) });
      return quickLikely(other, quickPlaces(other), []).chance!;
    };
    expect(chanceOf('265/70R17 on 17x8 +20')).toBeGreaterThan(chanceOf('315/70R17 on 17x9 -12'));
  });

  test('what is said of a place stands there, and moves the others to its side', () => {
    const [first, second] = places;
    const said = { ...question, answers: { [first!.id]: { fromMm: 8, toMm: 14 } } };
    const [before, after] = [quickLikely(question, places, []), quickLikely(said, places, [])];
    expect(Math.abs(after.rooms[first!.id]!.meanMm - 11)).toBeLessThan(3);
    expect(after.rooms[second!.id]!.meanMm).toBeLessThan(before.rooms[second!.id]!.meanMm);
    expect(after.chance!).toBeLessThan(before.chance!);
  });
});
