<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline, mdiPlus } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import type { LowgapObstacle, LowgapReading } from '@/contracts/lowgap-file';
import { sideOf } from '@/core/clearance/motion-under';
import { useCurrentCorner } from '../job/current-corner';
import { bothUnits, ACROSS_NAMES, MATERIAL_NAMES } from '../words';
import { useJobStore } from '../stores/job';
import ObstacleForm from './ObstacleForm.vue';
import ReadingEntry from './ReadingEntry.vue';
import TireClock from './TireClock.vue';

const job = useJobStore();
const key = useCurrentCorner();
const corner = computed(() => job.document?.corners[key.value]);
const chosenId = ref<string | null>(null);
const clock = ref('12:00');
const editing = ref<{ obstacle: LowgapObstacle | null } | null>(null);

const obstacle = computed(() => {
  const all = corner.value?.obstacles ?? [];
  return all.find((o) => o.id === chosenId.value) ?? all.find((o) => o.id === job.pick?.id) ?? all[0];
});
const readings = computed(() => obstacle.value?.readings ?? []);
watch(key, () => (chosenId.value = null));

function choose(id: string): void {
  chosenId.value = id;
  job.pick = { corner: key.value, id };
}

/** Changes this corner's list of obstacles. */
function edit(change: (obstacles: LowgapObstacle[]) => LowgapObstacle[]): void {
  job.change((file) => {
    const target = file.corners[key.value];
    if (target) target.obstacles = change(target.obstacles);
  });
}

const editReadings = (change: (readings: LowgapReading[]) => LowgapReading[]): void =>
  edit((all) =>
    all.map((o) => {
      if (o.id !== obstacle.value?.id) return o;
      return { ...o, readings: change(o.readings ?? []) };
    }),
  );

function take(reading: LowgapReading): void {
  editReadings((all) => [...all, reading]);
}

function removeReading(index: number): void {
  const last = readings.value.length === 1 && !obstacle.value?.shape;
  // The engine wants at least one place of every obstacle; one without any waits in the list.
  editReadings((all) => all.filter((_, i) => i !== index));
  if (last) chosenId.value = obstacle.value?.id ?? null;
}

function finishObstacle(changed: LowgapObstacle): void {
  edit((all) =>
    all.some((o) => o.id === changed.id) ? all.map((o) => (o.id === changed.id ? changed : o)) : [...all, changed],
  );
  editing.value = null;
  choose(changed.id);
}

function removeObstacle(id: string): void {
  edit((all) => all.filter((o) => o.id !== id));
}

const places = (o: LowgapObstacle): number => (o.readings?.length ?? 0) + (o.shape?.points.length ?? 0);

const steerText = (reading: LowgapReading): string =>
  typeof reading.steer === 'number'
    ? `${reading.steer}°`
    : reading.steer === 'straight'
      ? 'straight'
      : `full ${reading.steer}`;

function heightText(reading: LowgapReading): string {
  if (reading.hubToLipMm !== undefined) return `hub to lip ${reading.typed?.['hubToLipMm'] ?? reading.hubToLipMm}`;
  return reading.travelMm ? `${reading.travelMm} mm` : 'ride';
}

const disagreeing = computed(() =>
  (job.evaluation?.disagreements ?? []).filter((d) => d.corner === key.value && d.id === obstacle.value?.id),
);

const gapText = (reading: LowgapReading): string => reading.typed?.['gapMm'] ?? bothUnits(reading.gapMm);
</script>

<template>
  <p v-if="!corner" class="empty">
    This corner has no baseline yet. The gaps are taken against the fitted tire, so that comes first.
  </p>
  <div v-else class="survey">
    <section class="panel list" aria-label="Obstacles">
      <h2 class="panel-title">Near the tire</h2>
      <p v-if="corner.obstacles.length === 0" class="muted">
        Nothing yet. Add what the tire could touch: fender lip, bumper corner, body mount, arm, hose.
      </p>
      <ul>
        <li v-for="o in corner.obstacles" :key="o.id">
          <button type="button" class="obstacle" :aria-pressed="o.id === obstacle?.id" @click="choose(o.id)">
            <span>{{ o.label ?? o.id }}</span>
            <span class="muted small"
              >{{ MATERIAL_NAMES[o.material] }} · {{ places(o) || 'no' }}
              {{ places(o) === 1 ? 'place' : 'places' }}</span
            >
          </button>
        </li>
      </ul>
      <v-btn variant="outlined" size="large" :prepend-icon="mdiPlus" @click="editing = { obstacle: null }"
        >Add an obstacle</v-btn
      >
    </section>

    <section v-if="obstacle" class="panel taken">
      <div class="taken-head">
        <h2 class="panel-title">{{ obstacle.label ?? obstacle.id }}</h2>
        <v-btn
          variant="text"
          size="44"
          :icon="mdiPencilOutline"
          aria-label="Change this obstacle"
          title="Change"
          @click="editing = { obstacle }"
        />
        <v-btn
          variant="text"
          size="44"
          :icon="mdiDeleteOutline"
          aria-label="Remove this obstacle"
          title="Remove (undo brings it back)"
          @click="removeObstacle(obstacle.id)"
        />
      </div>
      <TireClock :side="sideOf(key)" :clock="clock" :taken="readings" @choose="(at) => (clock = at)" />
      <p
        v-for="d in disagreeing"
        :key="`${d.first}-${d.second}`"
        class="verdict-close small"
        data-testid="disagreement"
      >
        Readings {{ d.first + 1 }} and {{ d.second + 1 }} are of one place in one posture and differ by
        {{ bothUnits(d.apartMm) }}: take it once more and remove the wrong one.
      </p>
      <table v-if="readings.length" class="figures">
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
            <th>Outboard</th>
            <th><span class="visually-hidden">Remove</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(reading, i) in readings" :key="i">
            <td>{{ reading.clock }}</td>
            <td>{{ ACROSS_NAMES[reading.across] }}</td>
            <td>{{ steerText(reading) }}</td>
            <td>{{ heightText(reading) }}</td>
            <td :title="bothUnits(reading.gapMm)">
              <strong>{{ gapText(reading) }}</strong>
            </td>
            <td>
              {{
                reading.outboardMm === undefined
                  ? reading.across === 'tread'
                    ? 'not known'
                    : ''
                  : (reading.typed?.['outboardMm'] ?? reading.outboardMm)
              }}
            </td>
            <td>
              <v-btn
                variant="text"
                size="40"
                :icon="mdiDeleteOutline"
                :aria-label="`Remove the reading at ${reading.clock}`"
                @click="removeReading(i)"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="muted">No reading yet. Tap a clock position, choose the place across the tire, type the gap.</p>
    </section>

    <section v-if="obstacle" class="panel entry" aria-label="New reading">
      <h2 class="panel-title">Next reading: {{ obstacle.label ?? obstacle.id }}</h2>
      <ReadingEntry v-model:clock="clock" :corner-key="key" :corner="corner" :obstacle="obstacle" @take="take" />
    </section>
  </div>
  <v-dialog :model-value="editing !== null" max-width="520" @update:model-value="editing = null">
    <ObstacleForm
      v-if="editing && corner"
      :motion="corner.motion"
      :obstacle="editing.obstacle"
      :taken="corner?.obstacles.map((o) => o.id) ?? []"
      @done="finishObstacle"
      @cancel="editing = null"
    />
  </v-dialog>
</template>

<style scoped>
.survey {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr) 420px;
  gap: 14px;
  align-items: start;
}
.panel {
  padding: 12px 14px;
}
.list {
  display: grid;
  gap: 8px;
}
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
.small {
  font-size: 14px;
  line-height: 18px;
  font-weight: 400;
}
.taken-head {
  display: flex;
  align-items: center;
}
.taken-head h2 {
  flex: 1;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 16px;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 14px;
  color: var(--muted);
}
td,
th {
  border-bottom: 1px solid var(--rule);
  padding: 2px 4px;
}
.empty {
  font-size: 18px;
  padding: 30px 0;
}
@media (max-width: 1180px) {
  .survey {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 760px) {
  .survey {
    grid-template-columns: 1fr;
  }
}
</style>
