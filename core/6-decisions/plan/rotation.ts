import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { CORNER_KEYS, type CornerKey } from '../../2-vehicle/setup/corner-key';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import { prepareRotor } from '../../2-vehicle/setup/rotor';

const OTHER_END: Readonly<Record<CornerKey, CornerKey>> = {
  frontLeft: 'rearLeft',
  frontRight: 'rearRight',
  rearLeft: 'frontLeft',
  rearRight: 'frontRight',
};

/** What goes round with a rotation: the tire on its wheel. Spacers, heights and stops stay where they are. */
type Rotated = Pick<SetupDescription, 'tire' | 'wheel' | 'allowances'>;

/**
 * The case with every wheel moved to the other end of its side, as at a tire rotation; which side it lands on makes no
 * difference to the gap. An end that is not described brings the common setup's wheel. null where a rotation changes
 * nothing: the same tire and wheel all round.
 */
export function rotatedCase(description: CaseDescription): CaseDescription | null {
  const { setup } = description;
  if (!setup) return rotatedFitted(description);
  const wheelOf = (key: CornerKey): Rotated => {
    const { tire, wheel, allowances } = description.corners[key]
      ? setupForCorner(description, key)
      : { ...setup, ...setup.corners?.[key] };
    return { tire: tire ?? setup.tire, wheel: wheel ?? setup.wheel, allowances };
  };
  const described = CORNER_KEYS.filter((key) => description.corners[key]);
  if (described.every((key) => sameSolid(wheelOf(key), wheelOf(OTHER_END[key])))) return null;
  const corners = Object.fromEntries(
    CORNER_KEYS.map((key) => [key, { ...setup.corners?.[key], ...wheelOf(OTHER_END[key]) }]),
  );
  return { ...description, setup: { ...setup, corners } };
}

/** Without a setup it is the fitted wheels that go round: as far as both ends are described. */
function rotatedFitted(description: CaseDescription): CaseDescription | null {
  const moved = CORNER_KEYS.flatMap((key) => {
    const here = description.corners[key]?.fitted;
    const there = description.corners[OTHER_END[key]]?.fitted;
    return here && there && !sameSolid(here, there) ? [[key, { tire: there.tire, wheel: there.wheel }] as const] : [];
  });
  if (moved.length === 0) return null;
  const [first] = CORNER_KEYS.flatMap((key) => description.corners[key] ?? []);
  const common = fittedAsSetup(first!.fitted);
  const corners = Object.fromEntries(
    CORNER_KEYS.flatMap((key) => {
      const fitted = description.corners[key]?.fitted;
      const to = moved.find(([k]) => k === key)?.[1];
      return fitted ? [[key, { ...fitted, ...to }] as const] : [];
    }),
  );
  return { ...description, setup: { ...common, corners } };
}

/** Whether two wheels sweep the same space. */
function sameSolid(a: Rotated, b: Rotated): boolean {
  const solid = ({ tire, wheel, allowances }: Rotated): string => {
    const { section, offsetMm, rimWidthIn } = prepareRotor({ tire, wheel, spacerMm: 0 }, 'setup', allowances);
    return JSON.stringify([section.size.rimDiameterIn, section.diameterMm, section.widthMm, offsetMm, rimWidthIn]);
  };
  return solid(a) === solid(b);
}
