import type { WheelDescription } from './rim';

/** The wheel with an offset in place of whatever said where its pad is. */
export function withOffset<Wheel extends WheelDescription>(
  wheel: Wheel,
  offsetMm: number,
): Omit<Wheel, 'backspacingMm' | 'backspacingSchool'> & { readonly offsetMm: number } {
  const { backspacingMm: _, backspacingSchool: __, ...rest } = wheel;
  return { ...rest, offsetMm };
}
