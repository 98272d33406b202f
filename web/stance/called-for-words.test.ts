import { describe, expect, test } from '@jest/globals';
import type { CalledFor } from '@/core/5-consequences/stance/called-for';
import { adjustWords, calledForShort, calledForWords, notAnsweredWords } from './called-for-words';

const call = (more: Partial<CalledFor>): CalledFor => ({ corner: 'frontLeft', what: 'longerHose', by: 25.4, ...more });

describe('what a height calls for, in words', () => {
  test('the amount in both units, and what was wanting before the change', () => {
    expect(calledForWords(call({}))).toContain('25.4 mm (1 in) lacking');
    expect(calledForWords(call({}))).not.toContain('before the change');
    expect(calledForWords(call({ already: 5 }))).toMatch(/5 mm was wanting before the change\.$/);
    expect(calledForShort(call({}))).toBe('longer brake hoses 25 mm');
    expect(calledForShort(call({ what: 'casterCorrection', by: 1.26 }))).toBe('caster correction 1.3°');
  });

  test('an alignment names what changes and no 0.0', () => {
    const words = (by: number, casterDeg: number) => calledForWords(call({ what: 'alignment', by, casterDeg }));
    expect(words(0.051, 1.5)).toBe('An alignment: at ride height camber changes by 0.1° and caster changes by 1.5°.');
    expect(words(0.4, 0)).toBe('An alignment: at ride height camber changes by 0.4°.');
    expect(
      adjustWords({ camberDeg: 0, casterDeg: 0, canCamber: null, canCaster: null, upToMm: null, downToMm: null }),
    ).toBe('At ride height camber and caster stay.');
    expect(
      adjustWords({ camberDeg: -0.5, casterDeg: null, canCamber: true, canCaster: null, upToMm: 64, downToMm: 80 }),
    ).toBe(
      'At ride height camber changes by 0.5°; adjusters are at their end from 64 mm of lift, or 80 mm of lowering.',
    );
  });

  test('each thing to measure is named once', () => {
    const shocks = { corner: 'frontLeft', what: 'longerShock', missing: ['shockLengths', 'shockRatio'] } as const;
    const bump = { corner: 'frontLeft', what: 'bumpStopOrShorterShock', missing: ['shockRatio'] } as const;
    expect(notAnsweredWords([shocks, bump]).split('; ')).toHaveLength(2);
  });
});
