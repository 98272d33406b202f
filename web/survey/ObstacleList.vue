<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import type { LowgapCorner, LowgapObstacle } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { MATERIAL_NAMES } from '../words';
import { isBorrowed } from './borrowed';
import PairsPanel from './PairsPanel.vue';
import WellLibrary from './WellLibrary.vue';

/** What is near the tire, and where more comes from: one's own, or a well surveyed before. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner; chosen: string | null }>();
const emit = defineEmits<{ choose: [id: string]; add: [] }>();

const places = (o: LowgapObstacle): number => (o.readings?.length ?? 0) + (o.shape?.points.length ?? 0) + marks(o.id);
/** On pictures. */
const marks = (id: string): number =>
  (props.corner.photos ?? []).reduce(
    (sum, { traces }) => sum + (traces.find(({ of }) => of === id)?.along.length ?? 0),
    0,
  );

function told(o: LowgapObstacle): string {
  if (isBorrowed(o)) return `borrowed, ${o.borrowed!.checks.length} check${o.borrowed!.checks.length === 1 ? '' : 's'}`;
  const count = places(o);
  return `${count || 'no'} ${count === 1 ? 'place' : 'places'}${o.removable ? ', comes off' : ''}`;
}
</script>

<template>
  <section class="panel box" aria-label="Parts near the tire">
    <h2 class="panel-title">Near the tire</h2>
    <p v-if="corner.obstacles.length === 0" class="muted">
      Nothing yet. The walk adds what every well has; add what this one has besides.
    </p>
    <ul>
      <li v-for="o in corner.obstacles" :key="o.id">
        <button type="button" class="obstacle" :aria-pressed="o.id === chosen" @click="emit('choose', o.id)">
          <span>{{ o.label ?? o.id }}</span>
          <span class="muted small">{{ MATERIAL_NAMES[o.material] }} · {{ told(o) }}</span>
        </button>
      </li>
    </ul>
    <v-btn variant="outlined" size="large" :prepend-icon="mdiPlus" @click="emit('add')">Add a part</v-btn>
    <WellLibrary :corner-key="cornerKey" :corner="corner" />
    <PairsPanel :key="cornerKey" :corner-key="cornerKey" :corner="corner" />
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 3px;
}
.obstacle {
  width: 100%;
  min-height: 48px;
  padding: 4px 10px;
  text-align: left;
  display: flex;
  flex-direction: column;
  border-radius: 4px;
  font-size: 17px;
  line-height: 21px;
}
.obstacle[aria-pressed='true'] {
  box-shadow: inset 0 0 0 2px var(--accent);
  font-weight: 600;
}
</style>
