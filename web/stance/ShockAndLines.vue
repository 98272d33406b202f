<script setup lang="ts">
import { axleOf } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { adjustWords } from './called-for-words';
import { LINE_WORDS } from './stance-words';
import type { CornerReport } from './use-stance';

/** Shock, hoses and wires of a corner at the new height. */
defineProps<{ report: CornerReport }>();
const job = useJobStore();

/** Why an answer is off, and where what it wants is entered. */
const missingShock = ({ key }: CornerReport): string => {
  const under = job.document?.corners[key]?.underbody;
  const lengths = [
    ...(under?.shockNowMm === undefined ? ['its length at ride height'] : []),
    ...(under?.shockOpenMm === undefined ? ['fully open'] : []),
    ...(under?.shockClosedMm === undefined ? ['fully closed'] : []),
  ];
  const hasRatio = job.document?.stance?.[axleOf(key)]?.shockRatio !== undefined;
  const asked = [
    ...(lengths.length ? [`${lengths.join(', ')} (in the baseline’s underbody sheet)`] : []),
    ...(hasRatio ? [] : ['shock travel per wheel travel (joints and adjusters)']),
  ];
  return `Not answered: enter ${asked.join(', and ')}.`;
};
</script>

<template>
  <section class="panel box" :aria-label="CORNER_NAMES[report.key]">
    <h2 class="panel-title">{{ CORNER_NAMES[report.key] }}</h2>
    <template v-if="report.stance.ok">
      <p v-if="report.stance.value.shock" data-testid="shock-says">
        Shock {{ formatMm(report.stance.value.shock.droopMm, 0) }} mm long hanging,
        {{ formatMm(report.stance.value.shock.rideMm, 0) }} parked,
        {{ formatMm(report.stance.value.shock.bumpMm, 0) }} in full bump:
        <strong v-if="report.stance.value.shock.shortMm > 0" class="verdict-rubs"
          >{{ formatMm(report.stance.value.shock.shortMm) }} mm too short to hang so low</strong
        >
        <strong v-if="report.stance.value.shock.bottomsMm > 0" class="verdict-rubs"
          >bottoms {{ formatMm(report.stance.value.shock.bottomsMm) }} mm early</strong
        >
        <strong
          v-if="report.stance.value.shock.shortMm === 0 && report.stance.value.shock.bottomsMm === 0"
          class="verdict-clear"
          >within what it can</strong
        >.
      </p>
      <p v-else class="muted">Shock. {{ missingShock(report) }}</p>
      <p v-for="l in report.stance.value.lines" :key="l.what" :class="l.leftMm < 0 ? 'verdict-rubs' : ''">
        {{ LINE_WORDS[l.what] }}:
        {{ l.leftMm < 0 ? `${bothUnits(-l.leftMm)} short` : `${bothUnits(l.leftMm)} to spare` }}
        at full droop.
      </p>
      <p v-if="!report.stance.value.lines.length" class="muted">
        Hoses and wires: no spare length was measured with the wheel hanging (the baseline’s underbody sheet).
      </p>
      <p v-if="report.stance.value.adjust" data-testid="adjust-says">
        {{ adjustWords(report.stance.value.adjust) }}
      </p>
    </template>
    <p v-else class="verdict-rubs" role="alert">
      {{ report.stance.problems[0]?.expected }}; found {{ report.stance.problems[0]?.found }}.
    </p>
  </section>
</template>
