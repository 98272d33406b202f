<script setup lang="ts">
import { computed } from 'vue';
import type { BeforeAlignment } from '@/core/4-clearance/verdict/evaluate';
import { SAME_ALIGNMENT_DEG } from '@/core/2-vehicle/setup/aligned';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import { marginWords, needsWords } from '@/core/4-clearance/case/standard';

/** What an alignment takes back at this height, what it cannot, and the low gap before it. */
const props = defineProps<{ before: BeforeAlignment }>();

const signed = (degrees: number): string => `${degrees < 0 ? '-' : '+'}${Math.abs(degrees).toFixed(2)}°`;
const felt = (degrees: number): boolean => Math.abs(degrees) > SAME_ALIGNMENT_DEG;

const said = computed(() =>
  props.before.corners.map(({ corner, camberDeg, casterDeg, toeDeg, offCamberDeg, offCasterDeg }) => {
    const back = [
      ...(felt(camberDeg) ? [`camber ${signed(camberDeg)}`] : []),
      ...(felt(casterDeg) ? [`caster ${signed(casterDeg)}`] : []),
      ...(felt(toeDeg) ? [`toe ${signed(toeDeg)}`] : []),
    ];
    const off = [
      ...(felt(offCamberDeg) ? [`camber ${signed(offCamberDeg)}`] : []),
      ...(felt(offCasterDeg) ? [`caster ${signed(offCasterDeg)}`] : []),
    ];
    const left = off.length > 0 ? `, still off by ${off.join(', ')}: the adjusters end` : '';
    return `${cornerName(corner)} ${back.join(', ') || 'nothing'}${left}`;
  }),
);
</script>

<template>
  <p class="note figures" data-testid="alignment-note">
    Counted as aligned at this height: {{ said.join('; ') }}.
    <template v-if="before.lowGap">
      As it stands before the alignment the low gap is <strong>{{ formatMm(before.lowGap.gapMm) }} mm</strong> ({{
        needsWords(before.lowGap.requiredMm)
      }}, {{ marginWords(before.lowGap.mm) }}), so drive to the bench with care.
    </template>
  </p>
</template>

<style scoped>
.note {
  font-size: 15px;
  line-height: 20px;
  margin: 0;
}
</style>
