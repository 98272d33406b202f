import { describe, expect, test } from '@jest/globals';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { STANDARDS } from '../../4-clearance/case/standard';
import { NOTHING_ALLOWED, type AllowedChanges } from './question';
import { forbiddenBy, ladderOf, PERMANENCE, REMEDIES, rungFor } from './remedies';

const thing = (said: Partial<ObstacleDescription>): ObstacleDescription =>
  ({ id: 'it', mount: 'body', material: 'plastic', ...said }) as ObstacleDescription;
const EVERYTHING: AllowedChanges = {
  ...NOTHING_ALLOWED,
  unbolt: true,
  rerouteMm: 30,
  tuckLinerMm: 15,
  trimPlasticMm: 60,
  foldLipMm: 12,
  cutSheetMetalMm: 40,
  bodyMountMm: 50,
};
/** The standard that lets everything be done. */
const FREE = Object.values(STANDARDS).find(({ allows }) => allows.includes('cutSheetMetal'))!;
const ways = (said: Partial<ObstacleDescription>, allowed = EVERYTHING, standard = FREE): string[] =>
  ladderOf(thing(said), standard, allowed).map(({ remedy }) => remedy);

describe('ways to make room for one thing', () => {
  test('each material has its own, least permanent first', () => {
    expect(ways({ material: 'plastic' })).toEqual(['trimPlastic']);
    expect(ways({ material: 'liner' })).toEqual(['tuckLiner', 'trimPlastic']);
    expect(ways({ material: 'sheetMetal' })).toEqual(['foldLip', 'cutSheetMetal']);
    expect(ways({ material: 'bodyMount' })).toEqual(['bodyMount']);
    expect(ways({ material: 'hose', removable: true })).toEqual(['unbolt', 'reroute']);
  });

  test('a frame, an arm and a brake are not to be changed, and crash structure not even unbolted', () => {
    for (const material of ['frame', 'brake'] as const) expect(ways({ material })).toEqual([]);
    expect(ways({ material: 'plastic', removable: true, part: 'crashBracket' })).toEqual([]);
    expect(ways({ material: 'sheetMetal', part: 'structure' })).toEqual([]);
  });

  test('the least permanent that gives enough is taken', () => {
    const ladder = ladderOf(thing({ material: 'sheetMetal' }), FREE, EVERYTHING);
    expect(rungFor(ladder, -12)?.remedy).toBe('foldLip');
    expect(rungFor(ladder, -12.1)?.remedy).toBe('cutSheetMetal');
    expect(rungFor(ladder, -40.1)).toBeNull();
    expect(rungFor([], -0.1)).toBeNull();
  });

  test('what is not allowed is no way, and what the standard forbids is named', () => {
    expect(ways({ material: 'liner' }, { ...EVERYTHING, tuckLinerMm: 0 })).toEqual(['trimPlastic']);
    for (const standard of Object.values(STANDARDS)) {
      const forbidden = forbiddenBy(standard, EVERYTHING);
      const left = REMEDIES.filter((remedy) => !forbidden.includes(remedy));
      const usable = (['plastic', 'liner', 'sheetMetal', 'bodyMount', 'hose'] as const).flatMap((material) =>
        ways({ material, removable: true }, EVERYTHING, standard),
      );
      expect(new Set(usable)).toEqual(new Set(left));
      expect(forbiddenBy(standard, NOTHING_ALLOWED)).toEqual([]);
    }
  });

  test('later in the list is harder to take back', () => {
    const hardness = REMEDIES.map((remedy) => PERMANENCE[remedy]);
    expect(hardness).toEqual([...hardness].sort((a, b) => a - b));
  });
});
