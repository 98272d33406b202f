import { describe, expect, test } from '@jest/globals';
import type { Called } from '@/core/5-consequences/stance/called-for';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { placeId, underPlaces } from './under-places';
import type { CornerReport } from './use-stance';

const report = (key: CornerKey, calls: readonly Called[] = [], open: readonly Called[] = []): CornerReport =>
  ({
    key,
    stance: { ok: false, problems: [] },
    calls: calls.map((what) => ({ corner: key, what, by: 12, schools: [] })),
    open: open.map((what) => ({ corner: key, what, missing: [] })),
  }) as CornerReport;
const places = (...reports: readonly CornerReport[]) =>
  new Map(underPlaces(reports, (axle) => axle === 'front').map((place) => [placeId(place), place]));

describe('what hangs beneath', () => {
  test('each corner has its shock, each axle the rest; a drag link only an axle that it steers', () => {
    expect([...places(report('frontLeft'), report('rearLeft'), report('rearRight')).keys()]).toEqual([
      'shock.frontLeft',
      'shock.rearLeft',
      'shock.rearRight',
      'joints.front',
      'shafts.front',
      'sway.front',
      'dragLink.front',
      'joints.rear',
      'shafts.rear',
      'sway.rear',
    ]);
  });

  test('what is wanted goes before what nobody measured, each at the part that answers for it', () => {
    const at = places(
      report('frontLeft', ['longerHose'], ['longerShock', 'swayLink']),
      report('frontRight', ['camberCorrection']),
    );
    expect(at.get('shock.frontLeft')).toMatchObject({ state: 'wanted', says: 'longer brake hoses 12 mm' });
    expect(at.get('shock.frontRight')).toMatchObject({ state: 'fine' });
    expect(at.get('joints.front')).toMatchObject({ state: 'wanted', says: 'camber correction 12.0°' });
    expect(at.get('sway.front')).toMatchObject({ state: 'open', says: 'not measured' });
    expect(at.get('shafts.front')).toMatchObject({ state: 'fine' });
  });

  test('parts for a lifted body hang nowhere beneath', () => {
    const states = [...places(report('rearLeft', ['bodyLiftParts'])).values()].map(({ state }) => state);
    expect(new Set(states)).toEqual(new Set(['fine']));
  });
});
