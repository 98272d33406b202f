<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapCorner, LowgapFitted } from '@/contracts/lowgap-file';
import { fieldText } from '@/contracts/problems';
import { hasBallJoints } from '@/core/motion/motion-description';
import { useCurrentCorner } from '../job/current-corner';
import FitmentFields from '../parts/FitmentFields.vue';
import QuantityField from '../parts/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../words';
import AxisSketch from './AxisSketch.vue';
import { ALIGNMENT, HEIGHTS, LOCKS, STEERING_AXIS, type Entry } from './baseline-entries';
import { blankCorner, BLANK_AXIS } from './blank-corner';
import { blankMotion, MOTION_CHOICES, motionEntries, motionHelp, type MotionType } from './motion-entries';

const MOTION_TITLE = 'How the wheel moves';

const job = useJobStore();
const key = useCurrentCorner();
const corner = computed(() => job.document?.corners[key.value]);
const untouched = computed(() => JSON.stringify(corner.value) === JSON.stringify(blankCorner(key.value)));

function edit(change: (corner: LowgapCorner) => void): void {
  job.change((file) => {
    const target = file.corners[key.value];
    if (target) change(target);
  });
}

function editFitted(change: (fitted: LowgapFitted) => void): void {
  edit((target) => change(target.fitted));
}

function addCorner(): void {
  const mirrored = key.value.endsWith('Left') ? key.value.replace('Left', 'Right') : key.value.replace('Right', 'Left');
  const other = job.document?.corners[mirrored as typeof key.value];
  job.change((file) => {
    // The other side's wheel and heights are the best first guess; its readings are not carried over.
    file.corners[key.value] = other
      ? { ...structuredClone(other), ...swappedLocks(other), obstacles: [] }
      : blankCorner(key.value);
  });
}

const swappedLocks = (other: LowgapCorner): Pick<LowgapCorner, 'steering'> =>
  other.steering
    ? {
        steering: {
          ...other.steering,
          lockLeftDeg: other.steering.lockRightDeg,
          lockRightDeg: other.steering.lockLeftDeg,
        },
      }
    : {};

const axisFromJoints = computed(() => corner.value !== undefined && hasBallJoints(corner.value.motion));
const motionProblems = computed(() => job.problems.filter((p) => p.path.startsWith(`corners.${key.value}.motion`)));

function setMotion(type: MotionType): void {
  edit((target) => {
    target.motion = blankMotion(type);
    // An axis entered before stays; a motion without ball joints needs one.
    if (target.steering && !hasBallJoints(target.motion)) target.steering = { ...BLANK_AXIS, ...target.steering };
  });
}

const groups = computed(() => [
  {
    title: 'Ride height and travel',
    help: 'On level ground, tires at pressure. Travel is from ride height to the stop, at the wheel.',
    entries: HEIGHTS,
  },
  ...(corner.value?.steering
    ? [
        {
          title: 'Steering',
          help: 'Each lock is this wheel’s own angle when the vehicle steers fully that way.',
          entries: axisFromJoints.value ? LOCKS : [...LOCKS, ...STEERING_AXIS],
        },
      ]
    : []),
  { title: 'Alignment now', help: '', entries: ALIGNMENT },
  {
    title: MOTION_TITLE,
    help: corner.value ? motionHelp(corner.value.motion) : '',
    entries: corner.value ? motionEntries(corner.value.motion) : [],
  },
]);

function write(entry: Entry, value: number | undefined, typed: string | undefined): void {
  edit((target) => {
    entry.write(target, value);
    const { [entry.typedAs]: _old, ...rest } = target.typed ?? {};
    target.typed = typed === undefined ? rest : { ...rest, [entry.typedAs]: typed };
  });
}
</script>

<template>
  <section v-if="!corner" class="panel empty">
    <h2 class="panel-title">{{ CORNER_NAMES[key] }} has not been taken yet</h2>
    <p>Each corner differs: heights, locks and what is near the tire are measured corner by corner.</p>
    <v-btn color="primary" size="large" @click="addCorner">Take this corner</v-btn>
  </section>
  <template v-else>
    <v-alert v-if="untouched" type="info" variant="tonal" class="mb-3">
      These are starting values that nobody measured. Overwrite each one at the vehicle.
    </v-alert>
    <div class="baseline">
      <section class="panel group">
        <h2 class="panel-title">Fitted now</h2>
        <p class="muted">The gaps in the survey are taken against this tire, so its size and its wheel matter most.</p>
        <FitmentFields
          measured
          :fitment="corner.fitted"
          :problem-at="(path) => job.problemAt(`corners.${key}.fitted.${path}`)"
          @edit="editFitted"
        />
      </section>
      <section v-for="group in groups" :key="group.title" class="panel group">
        <h2 class="panel-title">{{ group.title }}</h2>
        <v-select
          v-if="group.title === MOTION_TITLE"
          :model-value="corner.motion.type"
          :items="MOTION_CHOICES"
          label="Suspension"
          @update:model-value="setMotion"
        />
        <p v-if="group.help" class="muted">{{ group.help }}</p>
        <QuantityField
          v-for="entry in group.entries"
          :key="`${key}.${entry.typedAs}`"
          :label="entry.label"
          :value="entry.read(corner)"
          :typed="corner.typed?.[entry.typedAs]"
          :quantity="entry.quantity ?? 'length'"
          :range="entry.range"
          :optional="entry.optional ?? false"
          @change="(value, typed) => write(entry, value, typed)"
        />
        <AxisSketch
          v-if="group.title === 'Steering' && corner.steering && !axisFromJoints"
          :steering="corner.steering"
        />
        <template v-if="group.title === MOTION_TITLE">
          <p v-for="p in motionProblems" :key="p.path" class="verdict-rubs" data-testid="motion-problem">
            {{ fieldText(p) }}
          </p>
        </template>
      </section>
    </div>
  </template>
</template>

<style scoped>
.baseline {
  columns: 3 300px;
  column-gap: 14px;
}
.group {
  break-inside: avoid;
  margin-bottom: 14px;
  padding: 14px;
  display: grid;
  gap: 10px;
}
.group p {
  font-size: 14px;
  margin: 0;
}
.empty {
  padding: 32px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
</style>
