import { mountsOf, type MotionDescription } from '../../2-vehicle/motion/motion-description';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { Material } from '../shape/material';

/** What a thing of a material moves with, the first that the suspension has; of several, the one nearest the wheel. */
const USUAL: Readonly<Record<Material, readonly Mount[]>> = {
  sheetMetal: ['body'],
  plastic: ['body'],
  liner: ['body'],
  frame: ['frame'],
  bodyMount: ['frame'],
  // The outer end rises with the wheel, measured arms or not.
  arm: ['upperArm', 'axle'],
  knuckle: ['knuckle'],
  brake: ['knuckle'],
  spring: ['axle'],
  // The link's end on the bar hardly moves; the other end is what comes near.
  swayBar: ['lowerArm', 'axle'],
  // From a bracket on the frame: the wheel rises to it.
  hose: ['frame'],
  wire: ['frame'],
};

/** A strut's body, its spring seat, and what is clipped to it turn with the wheel. */
const ON_STRUT: Partial<Record<Material, readonly Mount[]>> = {
  arm: ['lowerArm'],
  spring: ['knuckle'],
  swayBar: ['knuckle'],
  hose: ['knuckle'],
  wire: ['knuckle'],
};

/** What a thing moves with where nobody said: by its material and the corner's suspension. Common practice, no source. */
export function defaultMount(material: Material, motion: MotionDescription): Mount {
  const usual = (motion.type === 'macphersonStrut' ? ON_STRUT[material] : undefined) ?? USUAL[material];
  const possible = mountsOf(motion);
  return usual.find((mount) => possible.includes(mount)) ?? 'frame';
}

/**
 * What a thing moves with once its corner has another suspension: the usual place of the new one, if it stood at the usual
 * place of the old one or the new one has no such part; else it stays.
 */
export function mountUnder(
  thing: { readonly material: Material; readonly mount: Mount },
  before: MotionDescription,
  after: MotionDescription,
): Mount {
  // Older jobs have what is on an arm that nobody measured go with the wheel's height.
  const asOnceUsual = before.type === 'swingArm' && thing.mount === 'axle' && USUAL[thing.material].includes('axle');
  const wasUsual = asOnceUsual || thing.mount === defaultMount(thing.material, before);
  return wasUsual || !mountsOf(after).includes(thing.mount) ? defaultMount(thing.material, after) : thing.mount;
}
