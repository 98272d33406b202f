<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapCorner, LowgapFitted } from '@/contracts/lowgap-file';
import { LIMITS, type Range } from '@/core/limits';
import { useCurrentCorner } from '../job/current-corner';
import FitmentFields from '../parts/FitmentFields.vue';
import QuantityField from '../parts/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../words';
import { blankCorner } from './blank-corner';
import AxisSketch from './AxisSketch.vue';

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

interface Entry {
  readonly label: string;
  readonly range: Range;
  readonly quantity?: 'length' | 'degrees';
  readonly optional?: boolean;
  readonly typedAs: string;
  readonly read: (corner: LowgapCorner) => number | undefined;
  readonly write: (corner: LowgapCorner, value: number | undefined) => void;
}

const HEIGHTS: readonly Entry[] = [
  {
    label: 'Hub centre to fender lip',
    typedAs: 'hubToLipMm',
    range: LIMITS.hubToLipMm,
    optional: true,
    read: (c) => c.hubToLipMm,
    write: (c, v) => (v === undefined ? delete c.hubToLipMm : (c.hubToLipMm = v)),
  },
  {
    label: 'Travel to full bump',
    typedAs: 'bumpMm',
    range: LIMITS.travelLimitMm,
    read: (c) => c.travel.bumpMm,
    write: (c, v) => (c.travel.bumpMm = v ?? 0),
  },
  {
    label: 'Travel to full droop',
    typedAs: 'droopMm',
    range: LIMITS.travelLimitMm,
    read: (c) => c.travel.droopMm,
    write: (c, v) => (c.travel.droopMm = v ?? 0),
  },
];

type SteeringField =
  'lockLeftDeg' | 'lockRightDeg' | 'inclinationDeg' | 'casterDeg' | 'kingpinOffsetMm' | 'casterTrailMm';
const steeringEntry = (field: SteeringField, label: string, range: Range): Entry => ({
  label,
  range,
  typedAs: field,
  quantity: field.endsWith('Deg') ? 'degrees' : 'length',
  read: (c) => c.steering?.[field],
  write: (c, v) => c.steering && (c.steering[field] = v ?? 0),
});

const STEERING: readonly Entry[] = [
  steeringEntry('lockLeftDeg', 'This wheel at full left lock', LIMITS.lockDeg),
  steeringEntry('lockRightDeg', 'This wheel at full right lock', LIMITS.lockDeg),
  steeringEntry('kingpinOffsetMm', 'Steering axis inboard of the hub face', LIMITS.kingpinOffsetMm),
  steeringEntry('inclinationDeg', 'Steering axis leans in at the top', LIMITS.inclinationDeg),
  steeringEntry('casterDeg', 'Caster: leans back at the top', LIMITS.casterDeg),
  steeringEntry('casterTrailMm', 'Axis ahead of the hub centre', LIMITS.casterTrailMm),
];

const ALIGNMENT: readonly Entry[] = [
  {
    label: 'Camber, + = top out',
    typedAs: 'staticCamberDeg',
    quantity: 'degrees',
    range: LIMITS.camberDeg,
    read: (c) => c.staticCamberDeg,
    write: (c, v) => (c.staticCamberDeg = v ?? 0),
  },
  {
    label: 'Toe, + = in',
    typedAs: 'staticToeDeg',
    quantity: 'degrees',
    range: LIMITS.toeDeg,
    read: (c) => c.staticToeDeg,
    write: (c, v) => (c.staticToeDeg = v ?? 0),
  },
];

const front = (c: LowgapCorner) => (c.motion.frontView ??= { y: -1500, z: 0 });
const side = (c: LowgapCorner) => (c.motion.sideView ??= { x: -2500, z: 0 });

const SWING: readonly Entry[] = [
  {
    label: 'Seen from the front: inboard to the swing centre',
    typedAs: 'frontY',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => negated(c.motion.frontView?.y),
    write: (c, v) => (v === undefined ? (c.motion.frontView = null) : (front(c).y = -v)),
  },
  {
    label: '… and its height above the hub',
    typedAs: 'frontZ',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => c.motion.frontView?.z,
    write: (c, v) => c.motion.frontView && (c.motion.frontView.z = v ?? 0),
  },
  {
    label: 'Seen from the side: rearward to the swing centre',
    typedAs: 'sideX',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => negated(c.motion.sideView?.x),
    write: (c, v) => (v === undefined ? (c.motion.sideView = null) : (side(c).x = -v)),
  },
  {
    label: '… and its height above the hub',
    typedAs: 'sideZ',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => c.motion.sideView?.z,
    write: (c, v) => c.motion.sideView && (c.motion.sideView.z = v ?? 0),
  },
];

function negated(value: number | undefined): number | undefined {
  return value === undefined ? undefined : 0 - value;
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
          entries: STEERING,
        },
      ]
    : []),
  { title: 'Alignment now', help: '', entries: ALIGNMENT },
  { title: 'How the wheel swings', help: 'Leave empty for a wheel that goes straight up.', entries: SWING },
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
        <AxisSketch v-if="group.entries === STEERING && corner.steering" :steering="corner.steering" />
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
