<script setup lang="ts">
import { mdiPause, mdiPlay } from '@mdi/js';
import { computed } from 'vue';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import type { Posture } from '@/core/2-vehicle/motion/corner-motion';
import { toDegrees, toRadians } from '@/core/1-base/units/angle';
import { formatMm } from '@/core/1-base/units/length';
import { postureWords, shortPosture } from '../words';

/** Steer and travel of the posture looked at, the sweep's play key, and the way back to the worst posture. */
const props = defineProps<{
  prepared: PreparedCorner;
  looked: Posture;
  /** A posture other than the picked obstacle's worst is looked at. */
  free: boolean;
  playing: boolean;
  gap: { readonly label: string; readonly gapMm: number } | null;
}>();

const emit = defineEmits<{ look: [posture: { steer: number; travel: number }]; worst: []; play: [] }>();

const limits = computed(() => props.prepared.envelope.limits);
const locks = computed(() => {
  const { motion } = props.prepared;
  return motion.locksAt(motion.carrierAt(props.looked.travel, 0));
});
const steers = computed(() => locks.value.left > 0 || locks.value.right > 0);

const steer = (degrees: string): void =>
  emit('look', { steer: -toRadians(Number(degrees)), travel: props.looked.travel });
const travel = (mm: string): void => emit('look', { steer: props.looked.steer, travel: Number(mm) });
</script>

<template>
  <div class="posture-bar">
    <v-btn
      :icon="playing ? mdiPause : mdiPlay"
      size="48"
      variant="outlined"
      :aria-label="playing ? 'Pause the sweep' : 'Play the sweep'"
      :title="playing ? 'Pause' : 'Play from lock to lock, and from bump to droop'"
      @click="emit('play')"
    />
    <div class="sliders">
      <label v-if="steers">
        <span>Steer</span>
        <input
          type="range"
          class="slider"
          :min="-toDegrees(locks.left).toFixed(1)"
          :max="toDegrees(locks.right).toFixed(1)"
          step="0.5"
          :value="-toDegrees(looked.steer)"
          :aria-valuetext="postureWords(toDegrees(looked.steer), 0)"
          data-testid="steer-slider"
          @input="steer(($event.target as HTMLInputElement).value)"
        />
      </label>
      <label>
        <span>Travel</span>
        <input
          type="range"
          class="slider"
          :min="limits.lowest"
          :max="limits.highest"
          step="1"
          :value="looked.travel"
          :aria-valuetext="postureWords(0, looked.travel, limits.ride)"
          data-testid="travel-slider"
          @input="travel(($event.target as HTMLInputElement).value)"
        />
      </label>
    </div>
    <p class="here" data-testid="posture-here">
      <span>{{ shortPosture(toDegrees(looked.steer), looked.travel, limits.ride) }}</span>
      <strong v-if="gap" class="figures">{{ gap.label }} {{ formatMm(gap.gapMm) }} mm</strong>
    </p>
    <v-btn height="48" min-width="64" variant="outlined" :disabled="!free" @click="emit('worst')">Worst</v-btn>
  </div>
</template>

<style scoped>
.posture-bar {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 64px;
}
.sliders {
  flex: 1 1 150px;
  display: grid;
  gap: 0;
}
label {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 14px;
}
label span {
  width: 42px;
  color: var(--muted);
}
.slider {
  flex: 1;
  min-width: 0;
  height: 30px;
  accent-color: var(--accent);
}
.here {
  flex: 1 1 140px;
  font-size: 14px;
  line-height: 18px;
  display: grid;
}
@media (max-width: 760px) {
  .posture-bar {
    flex-wrap: wrap;
  }
  .slider {
    height: 44px;
  }
}
</style>
