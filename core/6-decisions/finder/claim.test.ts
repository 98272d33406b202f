import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { ProblemError } from '../../1-base/problem';
import { checkClaim, parseClaim } from './claim';

describe('what a claim says', () => {
  test.each([
    ['35s at 2 in', { diameterIn: 35, widthIn: null, liftMm: 50.8, size: null, offsetMm: null }],
    ["33's no lift", { diameterIn: 33, liftMm: 0 }],
    ['33x12,5 stock height', { diameterIn: 33, widthIn: 12.5, liftMm: 0 }],
    ['285/70R17 at 40 mm, offset -12', { size: '285/70R17', liftMm: 40, offsetMm: -12 }],
    ['35x12.50R17LT with a 3" lift', { size: '35x12.50R17LT', liftMm: 76.2 }],
    ['37 inch on 4 cm of lift, +20 offset', { diameterIn: 37, liftMm: 40, offsetMm: 20 }],
    ['315/70R17', { size: '315/70R17', liftMm: null, offsetMm: null }],
  ] as const)('%s', (text, claim) => {
    const read = parseClaim(text);
    const liftMm = read.liftMm === null ? null : Number(read.liftMm.toFixed(6));
    expect({ ...read, liftMm }).toMatchObject({ text, ...claim });
  });

  test.each(['', 'it fits', 'two fingers of room', '5 in', 'at 2 in'])('“%s” names no tire', (text) => {
    expect(() => parseClaim(text)).toThrow(ProblemError);
  });
});

/** One thing straight above the tire, one that only a turned wheel meets. */
const vehicle: CaseDescription = madeCase({
  corners: {
    frontLeft: madeCorner({
      steering: { inclinationDeg: 0, casterDeg: 0, kingpinOffsetMm: 80, lockLeftDeg: 30, lockRightDeg: 30 },
      travel: { bumpMm: 80, droopMm: 90 },
      fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
      obstacles: [
        {
          id: 'above',
          label: 'Inner fender',
          mount: 'body',
          material: 'liner',
          shape: { type: 'points', points: [[0, -20, 490]] },
        },
        {
          id: 'mount',
          label: 'Body mount',
          mount: 'frame',
          material: 'bodyMount',
          shape: { type: 'points', points: [[-360, -185, -60]] },
        },
      ],
    }),
  },
});

describe('a claim on a vehicle', () => {
  const holds = (text: string): string[] =>
    checkClaim(vehicle, text)
      .tires[0]!.findings.filter((one) => one.standard === 'neverRub' && one.holds)
      .map(({ posture }) => posture);

  test('what fits rolling straight need not fit at lock, nor at full bump; lift on the spring mends neither there', () => {
    expect(holds('265/70R17 no lift')).toContain('rolling');
    const taller = holds('285/70R17 no lift');
    expect(taller).toContain('rolling');
    expect(taller).not.toContain('trail');
    const findings = (text: string) => checkClaim(vehicle, text).tires[0]!.findings;
    const worst = (text: string, posture: string) =>
      findings(text).find((one) => one.posture === posture && one.standard === 'neverRub')!;
    // Where the stops are left the most that is met is the same, however high the vehicle stands.
    expect(worst('285/70R17 at 60 mm', 'trail').marginMm).toBeCloseTo(worst('285/70R17 no lift', 'trail').marginMm!, 1);
    // A little pressed plastic near full bump is one school's yes and another's no.
    const bump = (standard: string) =>
      findings('270/70R17').find((one) => one.posture === 'straightTravel' && one.standard === standard)!.marginMm!;
    expect(bump('plasticKiss')).toBeGreaterThan(bump('neverRub'));
  });

  test('a diameter alone stands for the sizes sold so, narrow to wide', () => {
    const { tires } = checkClaim(vehicle, '33s no lift');
    expect(tires.length).toBeGreaterThan(1);
    for (const { diameterMm } of tires) expect(Math.abs(diameterMm / 25.4 - 33)).toBeLessThanOrEqual(0.6);
    expect([...tires].sort((a, b) => a.widthMm - b.widthMm)).toEqual(tires);
  });

  test('a tire for another rim is refused', () => {
    expect(() => checkClaim(vehicle, '285/75R16 no lift')).toThrow(/goes on the wheel/);
  });
});
