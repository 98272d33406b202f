import { describe, expect, test } from '@jest/globals';
import { axleTireLoad, type TireDuty } from '@/core/5-consequences/road/tire-load';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { loadSays } from './load-words';

const units = { pressure: 'psi', distance: 'mi' } as const;
const says = (text: string, duty: TireDuty, referenceKpa?: number) => {
  const tire = { size: parseTireSize(text), referenceKpa };
  return loadSays('rear', { duty, tire, found: axleTireLoad(duty, tire) }, units);
};

describe('what an axle asks of its tires, in words', () => {
  test('a passenger tire on a truck: the tenth that is taken off it is said (49 CFR 571.110, from memory)', () => {
    // Index 116 is 1250 kg (ISO 4000-1): 1136 on a truck.
    const truck = says('265/70R17 116T', { axleKg: 2400, vehicle: 'truck' });
    expect(truck).toEqual({
      bad: true,
      says: expect.stringMatching(
        /load index 118 or more; these carry 1136 kg, which is too little\. As passenger tires/,
      ),
    });
    expect(says('265/70R17 116T', { axleKg: 2400, vehicle: 'car' })).toMatchObject({ bad: false });
    expect(says('265/70R17 116T', { axleKg: 2000 }).says).toMatch(/say if this is a car/);
    expect(says('LT265/70R17 121/118S', { axleKg: 2400 }).says).not.toMatch(/passenger/);
  });

  test('a speed symbol slower than the vehicle is driven', () => {
    const slow = says('LT265/70R17 121/118Q', { axleKg: 2000, topKmh: 180 });
    expect(slow.bad).toBe(true);
    expect(slow.says).toMatch(/symbol Q allows 99 mph, less than the vehicle is driven/);
  });

  test('no index known: it is asked for; with a pressure the least one is said in the shop’s unit', () => {
    expect(says('33x10.50R17LT', { axleKg: 2000 }).says).toMatch(/enter the load index/);
    expect(says('LT265/70R17 121/118S', { axleKg: 2900 }, 550).says).toMatch(/carry it from 79\.8 psi/);
  });
});
