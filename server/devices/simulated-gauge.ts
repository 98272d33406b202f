import type { GaugeAct, GaugeEvent } from '@/contracts/device-api';
import type { GapGauge } from './driver';

export interface GaugeClock {
  every(ms: number, work: () => void): () => void;
  after(ms: number, work: () => void): void;
}

export interface GaugeHabits {
  /** ms between values. */
  readonly everyMs: number;
  /** mm, standard deviation. */
  readonly noiseMm: number;
  /** mm its zero wanders per thousand values. */
  readonly driftMm: number;
  /** Share of the battery a value takes. */
  readonly drain: number;
}

const USUAL: GaugeHabits = { everyMs: 200, noiseMm: 0.15, driftMm: 0.4, drain: 1e-5 };

const wallClock: GaugeClock = {
  every(ms, work) {
    const timer = setInterval(work, ms);
    return () => clearInterval(timer);
  },
  after(ms, work) {
    setTimeout(work, ms).unref();
  },
};

/** A stand-in for a digital gap gauge: noise, drift, a battery that dies and a cable that comes off. `normal`: its noise. */
export function simulatedGauge(
  normal: () => number,
  clock: GaugeClock = wallClock,
  habits: GaugeHabits = USUAL,
): GapGauge & { act(act: GaugeAct): void } {
  const listeners = new Map<(event: GaugeEvent) => void, () => void>();
  let held = 45;
  let zero = 0;
  let battery = 1;
  let linked = true;
  let taken = 0;
  let stopTicking: (() => void) | null = null;

  const shown = (): number => Math.max(0, Math.round((held + zero + habits.noiseMm * normal()) * 10) / 10);
  const send = (event: GaugeEvent): void => listeners.forEach((_, listener) => listener(event));
  const state = (): GaugeEvent => ({ type: 'state', battery: Math.round(battery * 100) / 100, dead: battery <= 0 });

  function tick(): void {
    if (battery <= 0) return;
    battery = Math.max(0, battery - habits.drain);
    zero += (habits.driftMm / 1000) * normal();
    if (battery <= 0) send(state());
    else send({ type: 'value', mm: shown() });
  }

  function breakLinks(): void {
    const broken = [...listeners.values()];
    listeners.clear();
    settle();
    broken.forEach((tell) => tell());
  }

  function settle(): void {
    if (listeners.size > 0 && !stopTicking) stopTicking = clock.every(habits.everyMs, tick);
    if (listeners.size === 0) {
      stopTicking?.();
      stopTicking = null;
    }
  }

  return {
    kind: 'gauge',
    id: 'simulated-gauge',
    name: 'Gap gauge (simulated)',
    simulated: true,
    get linked() {
      return linked;
    },
    listen(event, broken) {
      listeners.set(event, broken);
      settle();
      event(state());
      return () => {
        listeners.delete(event);
        settle();
      };
    },
    act(act) {
      switch (act.act) {
        case 'hold':
          held = act.mm;
          return;
        case 'press':
          if (battery > 0) send({ type: 'taken', mm: shown(), number: ++taken });
          return;
        case 'pullCable':
          linked = false;
          breakLinks();
          clock.after(act.ms, () => (linked = true));
          return;
        case 'drainBattery':
          battery = 0;
          send(state());
          return;
        case 'newBattery':
          battery = 1;
          send(state());
      }
    },
  };
}
