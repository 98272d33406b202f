import type { GaugeAct, GaugeEvent } from '@/contracts/device-api';

/** A gap gauge on a cable or by radio. A real one is one more file that keeps to this. */
export interface GapGauge {
  readonly kind: 'gauge';
  readonly id: string;
  readonly name: string;
  readonly simulated: boolean;
  /** Whether it answers at all now. */
  readonly linked: boolean;
  /** Events from now on, until `stop` is called or the link breaks (`broken`). */
  listen(event: (event: GaugeEvent) => void, broken: () => void): () => void;
  /** Only of a simulated one: what a hand does with it. */
  act?(act: GaugeAct): void | Promise<void>;
}

/** A scanner of wheel wells. */
export interface WellScanner {
  readonly kind: 'scanner';
  readonly id: string;
  readonly name: string;
  readonly simulated: boolean;
  /** One scan as a PLY file, in metres as scanners have it, and its alignment targets. */
  scan(): Promise<{ readonly ply: Uint8Array; readonly plan: unknown }>;
}

export type Driver = GapGauge | WellScanner;
