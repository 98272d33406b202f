import { dice } from '@/core/1-base/numeric/dice';
import type { WellScanner } from './driver';

/** mm: how far the scanner's own frame lies from the corner's, so that a scan has to be aligned. */
const AWAY = [1240, -310, 655] as const;

/** rad the scanner is turned about the upright. */
const TURNED = 0.41;

/** Targets stuck on the hub's face and on the fender, corner frame, mm. */
const TARGETS = [
  { name: 'hub center', corner: [0, 0, 0] },
  { name: 'lip over the hub', corner: [0, 95, 512] },
  { name: 'lip to the front', corner: [470, 88, 190] },
  { name: 'lip to the rear', corner: [-468, 84, 200] },
] as const;

type Place = readonly [number, number, number];

/** A scanner stands somewhere: corner frame (mm) to its own (m). */
function toScanner([x, y, z]: Place): Place {
  const c = Math.cos(TURNED);
  const s = Math.sin(TURNED);
  return [(c * x - s * y + AWAY[0]) / 1000, (s * x + c * y + AWAY[1]) / 1000, (z + AWAY[2]) / 1000];
}

/** A stand-in for a wheel-well scanner: the inner fender and rear wall of an invented corner, with a scanner's noise. */
export function simulatedScanner(seed = 17): WellScanner {
  return {
    kind: 'scanner',
    id: 'simulated-scanner',
    name: 'Wheel-well scanner (simulated)',
    simulated: true,
    async scan() {
      const d = dice(seed);
      const noise = (): number => 0.4 * d.normal();
      const places: Place[] = [];
      for (let turn = -90; turn <= 90; turn += 1.5) {
        const angle = (turn * Math.PI) / 180;
        for (let y = -190; y <= 80; y += 10) {
          // An inner fender a little flat on top, drawn in toward the engine bay.
          const r = 545 - 18 * Math.cos(3 * angle) - 0.1 * (y + 190) + noise();
          places.push([r * Math.sin(angle), y + noise(), r * Math.cos(angle)]);
        }
      }
      for (let z = -260; z <= -40; z += 8) {
        for (let y = -170; y <= 60; y += 8) places.push([-505 + 0.12 * z + noise(), y + noise(), z]);
      }
      return {
        ply: plyOf(places.map(toScanner)),
        plan: {
          unit: 'm',
          points: TARGETS.map(({ name, corner }) => ({ name, scan: toScanner(corner), corner })),
          parts: [
            {
              id: 'inner-fender',
              label: 'Inner fender (scanned)',
              mount: 'body',
              material: 'liner',
              min: [-700, -260, -30],
              max: [700, 160, 800],
            },
            {
              id: 'rear-wall',
              label: 'Rear wall of the well (scanned)',
              mount: 'body',
              material: 'sheetMetal',
              min: [-700, -260, -320],
              max: [-300, 160, -30],
            },
          ],
        },
      };
    },
  };
}

/** The open PLY format, ASCII. */
function plyOf(places: readonly Place[]): Uint8Array {
  const head = `ply\nformat ascii 1.0\nelement vertex ${places.length}\nproperty float x\nproperty float y\nproperty float z\nend_header\n`;
  return new TextEncoder().encode(head + places.map((p) => p.map((v) => v.toFixed(5)).join(' ')).join('\n') + '\n');
}
