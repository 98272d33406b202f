<script setup lang="ts">
import { mdiDeleteOutline } from '@mdi/js';
import { computed } from 'vue';
import { seenClock } from '@/core/1-base/units/clock';
import type { Side } from '@/core/2-vehicle/motion/steering';
import type { LowgapObstacle, LowgapReading } from '@/contracts/lowgap-file';
import type { SurveyedReadings } from '@/core/3-survey/edge-fit/surveyed-readings';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { withItsUnit } from '@/core/1-base/units/meant-length';
import { ACROSS_NAMES } from '../words';
import { bothUnits } from '../../core/1-base/units/length';

/** The readings of one obstacle, and how far each lies from what all of them make together. */
const props = defineProps<{
  side: Side;
  obstacle: LowgapObstacle;
  surveyed: SurveyedReadings | undefined;
  picked?: number | null;
}>();
const emit = defineEmits<{ remove: [index: number]; confirm: [index: number]; pick: [index: number] }>();

const steerText = ({ steer }: LowgapReading): string =>
  typeof steer === 'number' ? `${steer}°` : steer === 'straight' ? 'straight' : `full ${steer}`;

function heightText({ hubToLipMm, travelMm, typed }: LowgapReading): string {
  if (hubToLipMm !== undefined) return `hub to lip ${asTyped(typed?.['hubToLipMm'], hubToLipMm)}`;
  return travelMm ? `${travelMm} mm` : 'ride';
}

/** As it was typed, with its unit; one that was typed without was in mm. */
const asTyped = (text: string | undefined, mm: number): string =>
  text === undefined ? bothUnits(mm) : withItsUnit(text, 'mm');
const gapText = ({ typed, gapMm }: LowgapReading): string => asTyped(typed?.['gapMm'], gapMm);

function outboardText({ across, outboardMm, outboardAsBefore, typed }: LowgapReading): string {
  if (outboardMm === undefined) return across === 'tread' ? 'not known' : '';
  return outboardAsBefore ? 'as before' : asTyped(typed?.['outboardMm'], outboardMm);
}

const isFitted = computed(() => props.surveyed?.readings.some(({ gapOffMm }) => gapOffMm !== null) ?? false);
const fitOf = (i: number) => props.surveyed?.readings[i];
const landedText = (i: number): string => {
  const at = fitOf(i)?.at;
  if (!at) return '';
  const [x, y, z] = at.map((v) => Math.round(v)) as [number, number, number];
  return `Landed ${Math.abs(x)} mm ${x < 0 ? 'behind' : 'ahead of'} the hub face center, ${Math.abs(y)} mm ${y < 0 ? 'inboard' : 'outboard'}, ${Math.abs(z)} mm ${z < 0 ? 'below' : 'above'}`;
};
</script>

<template>
  <div class="scroll">
    <table class="figures">
      <caption class="visually-hidden">
        Readings of
        {{
          obstacle.label
        }}
      </caption>
      <thead>
        <tr>
          <th>Clock</th>
          <th>Across</th>
          <th>Steer</th>
          <th>Height</th>
          <th>Gap</th>
          <th>Tape</th>
          <th>Outboard</th>
          <th v-if="isFitted">Off the edge, mm</th>
          <th><span class="visually-hidden">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <template v-for="(reading, i) in obstacle.readings" :key="i">
          <tr
            :class="{ doubted: fitOf(i)?.misses, picked: picked === i }"
            @click="emit('pick', i)"
            :title="landedText(i)"
          >
            <td>
              <button
                type="button"
                class="number"
                :aria-pressed="picked === i"
                :aria-label="`Reading ${i + 1} in the pictures`"
                @click.stop="emit('pick', i)"
              >
                {{ i + 1 }}
              </button>
              {{ seenClock(reading.clock, side) }}
            </td>
            <td>{{ ACROSS_NAMES[reading.across] }}</td>
            <td>{{ steerText(reading) }}</td>
            <td>{{ heightText(reading) }}</td>
            <td :title="bothUnits(reading.gapMm)">
              <strong>{{ gapText(reading) }}</strong>
            </td>
            <td>{{ reading.nearest ? 'nearest' : 'straight out' }}</td>
            <td>{{ outboardText(reading) }}</td>
            <td v-if="isFitted">
              {{ fitOf(i)?.gapOffMm === null || fitOf(i) === undefined ? '' : signedMm(fitOf(i)!.gapOffMm!) }}
            </td>
            <td>
              <v-btn
                variant="text"
                size="48"
                :icon="mdiDeleteOutline"
                :aria-label="`Remove the reading at ${seenClock(reading.clock, side)}`"
                @click="emit('remove', i)"
              />
            </td>
          </tr>
          <tr v-if="fitOf(i)?.misses && !reading.confirmed" class="doubt">
            <td colspan="9" data-testid="contradiction">
              The others say {{ formatMm(Math.abs(fitOf(i)!.gapOffMm ?? 0)) }} mm
              {{ (fitOf(i)!.gapOffMm ?? 0) > 0 ? 'more' : 'less' }} here{{
                fitOf(i)!.contradicts ? '. It is set aside' : ''
              }}:
              <v-btn variant="outlined" height="48" @click="emit('remove', i)">Take it again</v-btn>
              <v-btn variant="outlined" height="48" @click="emit('confirm', i)">It stands</v-btn>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td strong {
  white-space: nowrap;
}
.number {
  display: inline-block;
  min-width: 26px;
  min-height: 26px;
  padding: 0 4px;
  margin-right: 4px;
  border-radius: 10px;
  background: var(--ink);
  color: var(--paper);
  text-align: center;
  font-weight: 600;
}
.picked td {
  background: color-mix(in srgb, var(--accent) 9%, var(--paper));
}
.doubted td {
  color: var(--rubs);
  border-bottom: 0;
}
.doubt td {
  padding-bottom: 8px;
}
</style>
