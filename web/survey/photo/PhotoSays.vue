<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { SurveyedReadings } from '@/core/3-survey/edge-fit/surveyed-readings';
import type { PhotoSaid } from '@/core/3-survey/prepared/photos-said';
import { PHOTO_LIMITS } from '@/core/3-survey/photo/read-photo';
import { bothUnits } from '@/core/1-base/units/length';
import { problemText } from '../../problem-words';

/** What came of a picture: why it cannot be read, or what it shows, how sure that is, and where the tape says otherwise. */
const props = defineProps<{
  said: PhotoSaid;
  corner: LowgapCorner;
  /** Of the parts that were traced on it. */
  surveyed: readonly SurveyedReadings[];
}>();

/** mm to which a camera's distance is said. */
const ROUND_MM = 50;

const nameOf = (id: string): string => props.corner.obstacles.find((o) => o.id === id)?.label ?? id;
const shown = computed(() => (props.said.status === 'read' ? props.said : null));
const parts = computed(() =>
  props.surveyed.map(({ id, toleranceMm, readings }) => {
    const missed = readings.flatMap(({ misses, gapOffMm }, i) => (misses ? [{ index: i, mm: gapOffMm ?? 0 }] : []));
    return { id, label: nameOf(id), toleranceMm, missed, isTaped: readings.length > 0 };
  }),
);
const untaped = computed(() => parts.value.filter(({ isTaped }) => !isTaped).map(({ label }) => label));
/** From here on the doubt about the tilt is felt. */
const isSlanted = computed(() => (shown.value?.tiltDeg ?? 0) > PHOTO_LIMITS.tiltDeg - 10);
</script>

<template>
  <div class="stack" data-testid="photo-says">
    <div v-if="said.status === 'refused'" class="verdict-rubs" role="alert" data-testid="photo-refused">
      <div v-for="p in said.problems" :key="p.path + p.code">{{ problemText(p) }}</div>
      <div class="small">The marks stay. Nothing is taken from this picture until that is put right.</div>
    </div>
    <template v-if="shown">
      <p>
        Taken from {{ bothUnits(ROUND_MM * Math.round(shown.awayMm / ROUND_MM)) }} off, {{ shown.tiltDeg.toFixed(0) }}°
        from square to the wheel.
        <template v-if="isSlanted"> Nearer to square would be surer. </template>
        <template v-if="shown.rimOff.length || shown.outlineOff.length">
          Marks in red lie off what the others say: pull them to where they belong.
        </template>
      </p>
      <ul v-if="parts.length">
        <li v-for="part in parts" :key="part.id">
          <strong>{{ part.label }}</strong>
          <template v-if="part.toleranceMm !== null">
            known within {{ bothUnits(part.toleranceMm) }} in 90 % of cases.
          </template>
          <span v-for="miss in part.missed" :key="miss.index" class="verdict-rubs">
            The tape says otherwise at reading {{ miss.index + 1 }}, by {{ bothUnits(Math.abs(miss.mm)) }}: take it
            again, and look whether the rim is of the size entered.
          </span>
        </li>
      </ul>
      <p v-if="untaped.length" class="muted" data-testid="photo-untaped">
        {{ untaped.length === parts.length ? 'By the picture alone' : `${untaped.join(', ')}: by the picture alone` }}.
        One gap of the tape at each, with its distance outboard, or a second picture from another side, makes them
        surer.
      </p>
      <p v-if="shown.lip" class="verdict-close" role="alert" data-testid="photo-lip">
        The picture puts the lip {{ bothUnits(shown.lip.saidMm) }} over the hub; the baseline’s hub to lip is
        {{ bothUnits(shown.lip.tapedMm) }}. One of them is wrong: the tape, the rim’s size, or the height the picture
        was taken at.
      </p>
    </template>
  </div>
</template>

<style scoped>
ul {
  padding-left: 18px;
}
</style>
