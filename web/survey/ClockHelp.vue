<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Side } from '@/core/2-vehicle/motion/steering';
import { seenClock } from '@/core/1-base/units/clock';
import { fieldText } from '@/contracts/problems';
import { LIMITS } from '@/core/1-base/limits';
import { clockFromAngle, clockFromTapes } from '@/core/1-base/units/clock-finder';
import { attempt, type Result } from '@/core/1-base/problem';
import { heardText, parseQuantity } from '../kit/quantity';
import { useUnits } from '../stores/units';

/** Three ways to a finer clock: a phone's inclinometer, two tape distances, a printed degree ring. */
const props = defineProps<{ side: Side }>();
const emit = defineEmits<{ clock: [clock: string]; close: [] }>();

const toward = ref<'front' | 'rear'>('front');
const RISE = { min: -1500, max: 1500, unit: 'mm' };
const units = useUnits();
const angle = ref('');
const away = ref('');
const rise = ref('');

const readAngle = computed(() =>
  parseQuantity(angle.value, 'degrees', { min: 0, max: 180, unit: 'degrees from straight up' }, 'mm'),
);
const byAngle = computed(() => (readAngle.value.ok ? clockFromAngle(readAngle.value.value, toward.value) : null));
const problemsOf = (text: string, read: Result<number>): string[] =>
  text.trim() === '' || read.ok ? [] : read.problems.map(fieldText);
const seen = (clock: string): string => seenClock(clock, props.side);
const readAway = computed(() => parseQuantity(away.value, 'length', LIMITS.hubToLipMm, units.goingOn('gaps')));
const readRise = computed(() => parseQuantity(rise.value, 'length', RISE, units.goingOn('gaps')));
const byTapes = computed(() => {
  const [fromHub, above] = [readAway.value, readRise.value];
  if (!fromHub.ok || !above.ok) return null;
  return attempt(() => clockFromTapes(fromHub.value, above.value, toward.value));
});
</script>

<template>
  <section class="panel dialog" aria-labelledby="clock-help">
    <h2 id="clock-help" class="panel-title">A finer clock</h2>
    <v-btn-toggle v-model="toward" mandatory aria-label="Which half of the tire">
      <v-btn value="front" height="48">Front half</v-btn>
      <v-btn value="rear" height="48">Rear half</v-btn>
    </v-btn-toggle>
    <div class="way stack starts">
      <h3>By a phone's inclinometer</h3>
      <p class="muted">
        Lay the phone along a straight edge from the hub center to the place; read its angle from straight up.
      </p>
      <v-text-field
        v-model="angle"
        label="Angle from straight up"
        suffix="°"
        :error-messages="problemsOf(angle, readAngle)"
        autocomplete="off"
        class="figures"
      />
      <v-btn :disabled="!byAngle" color="primary" height="48" @click="byAngle && emit('clock', byAngle)"
        >Use {{ byAngle ? seen(byAngle) : 'it' }}</v-btn
      >
    </div>
    <div class="way stack starts">
      <h3>By two tapes</h3>
      <p class="muted">
        From the hub center straight to the place, and how far the place stands above the hub (- below).
      </p>
      <div class="pair">
        <v-text-field
          v-model="away"
          label="Hub center to the place"
          :hint="heardText(away, LIMITS.hubToLipMm, units.goingOn('gaps'))"
          :error-messages="problemsOf(away, readAway)"
          persistent-hint
          autocomplete="off"
          class="figures"
        />
        <v-text-field
          v-model="rise"
          label="Above the hub"
          :hint="heardText(rise, RISE, units.goingOn('gaps'))"
          :error-messages="problemsOf(rise, readRise)"
          persistent-hint
          autocomplete="off"
          class="figures"
        />
      </div>
      <p v-if="byTapes && !byTapes.ok" class="verdict-rubs" role="alert">
        Expected {{ byTapes.problems[0]!.expected }}; found {{ byTapes.problems[0]!.found }}.
      </p>
      <v-btn :disabled="!byTapes?.ok" color="primary" height="48" @click="byTapes?.ok && emit('clock', byTapes.value)"
        >Use {{ byTapes?.ok ? seen(byTapes.value) : 'it' }}</v-btn
      >
    </div>
    <div class="way stack starts">
      <h3>By a ring on the wheel</h3>
      <p class="muted">Print the degree ring, tape it to the wheel with 12:00 straight up, read the clock off it.</p>
      <v-btn variant="outlined" height="48" :to="{ name: 'degreeRing' }" target="_blank">Degree ring to print</v-btn>
    </div>
    <v-btn variant="text" height="48" @click="emit('close')">Close</v-btn>
  </section>
</template>

<style scoped>
.way > .v-text-field,
.pair {
  width: 100%;
}
.pair {
  display: flex;
  gap: 8px;
}
</style>
