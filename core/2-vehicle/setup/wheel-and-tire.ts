import type { TireDescription } from '../tire/dimensions';
import type { WheelDescription } from '../wheel/rim';

export interface WheelAndTire {
  readonly tire: TireDescription;
  readonly wheel: WheelDescription;
  readonly spacerMm: number;
  /** `slipOn` (default): the studs run through it. `boltOn`: it brings its own; the vehicle's studs end in the wheel's pockets. */
  readonly spacerType?: 'slipOn' | 'boltOn' | undefined;
}
