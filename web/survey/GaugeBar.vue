<script setup lang="ts">
import { formatMm } from '@/core/1-base/units/length';
import { useGauge, type GaugeState } from '../devices/gauge';

/** The gap gauge: whether it is there, what it shows. Its button, or the key here, takes the reading. */
const emit = defineEmits<{ take: [mm: number] }>();
const { state, shown, battery, device, start, stop } = useGauge((mm) => emit('take', mm));

const WORDS: Readonly<Record<GaugeState, string>> = {
  off: 'Gauge not in use',
  linking: 'No link to the gauge; trying again',
  linked: 'Gauge linked',
  dead: 'Gauge battery is empty',
};
defineExpose({ shown });
</script>

<template>
  <v-btn v-if="state === 'off'" variant="text" height="48" @click="start">Use the gauge</v-btn>
  <div v-else class="gauge" :class="`is-${state}`" role="status" data-testid="gauge">
    <span class="state"
      >{{ WORDS[state]
      }}<template v-if="state === 'linked'">, battery {{ Math.round(battery * 100) }} %</template></span
    >
    <strong class="shown figures">{{ shown === null ? '' : `${formatMm(shown)} mm` }}</strong>
    <v-btn variant="outlined" height="48" :disabled="shown === null" @click="shown !== null && emit('take', shown)"
      >Take {{ shown === null ? '' : formatMm(shown) }}</v-btn
    >
    <v-btn variant="text" height="48" :title="device?.name" @click="stop">Put away</v-btn>
  </div>
</template>

<style scoped>
.gauge {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 4px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 3px 4px 3px 10px;
}
.state {
  font-size: 14px;
  line-height: 17px;
  flex: 1 0 100%;
}
.is-linking .state,
.is-dead .state {
  color: var(--close);
  font-weight: 600;
}
.shown {
  font-size: 20px;
  min-width: 78px;
  text-align: right;
}
</style>
