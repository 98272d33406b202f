<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import { CORNER_KEYS, cornerName, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt } from '@/core/1-base/problem';
import { signedMm } from '@/core/1-base/units/length';
import { bodyRisesMm } from '@/core/5-consequences/stance/one-sided';
import { useJobStore } from '../stores/job';
import { wheelRateOf } from './cargo';

/** Where parts stand on one side only: a stiff body leans as a whole, and every corner moves. */
const job = useJobStore();
/** mm of lift that sides may differ by without it being a shim. */
const SAME_MM = 1;

const says = computed(() => {
  const file = job.document;
  if (!file?.setup) return '';
  const description = asCase(file);
  const lift = (key: CornerKey): number | null => {
    if (!file.corners[key]) return null;
    const setup = attempt(() => setupForCorner(description, key));
    return setup.ok ? setup.value.suspensionLiftMm : null;
  };
  const read = Object.fromEntries(CORNER_KEYS.map((key) => [key, lift(key)])) as Record<CornerKey, number | null>;
  // An axle of which one side is described stands alike on both.
  const of = (key: CornerKey, other: CornerKey): number => read[key] ?? read[other] ?? 0;
  const lifts = {
    frontLeft: of('frontLeft', 'frontRight'),
    frontRight: of('frontRight', 'frontLeft'),
    rearLeft: of('rearLeft', 'rearRight'),
    rearRight: of('rearRight', 'rearLeft'),
  };
  const [front, rear] = [wheelRateOf(file, 'front'), wheelRateOf(file, 'rear')];
  const rises = bodyRisesMm(lifts, front && rear ? { front, rear } : undefined);
  if (CORNER_KEYS.every((key) => Math.abs(rises[key] - lifts[key]) < SAME_MM)) return '';
  const rates = front && rear ? '' : ', wheel rates taken alike front and rear';
  return `One side stands on more than the other. The body is stiff and leans as a whole: expect ${CORNER_KEYS.map((key) => `${cornerName(key)} ${signedMm(rises[key])}`).join(', ')} mm by the springs${rates}; sway bars lessen the lean further. The table counts each corner by itself.`;
});
</script>

<template>
  <p v-if="says" class="verdict-close" role="status" data-testid="one-sided">{{ says }}</p>
</template>
