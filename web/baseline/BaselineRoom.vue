<script setup lang="ts">
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { flexWords } from './flex-words';
import { computed } from 'vue';
import type { LowgapCorner, LowgapFitted } from '@/contracts/lowgap-file';
import { fieldText } from '@/contracts/problems';
import { cornerKnown, STARTING_VALUES } from '@/core/3-survey/known/known';
import type { StopPlace } from '@/core/2-vehicle/setup/stop-place';
import { hasBallJoints } from '@/core/2-vehicle/motion/motion-description';
import { cornerLimits } from '../job/corner-limits';
import { useCurrentCorner } from '../job/current-corner';
import TapeGuides from '../help/TapeGuides.vue';
import FitmentFields from '../kit/FitmentFields.vue';
import FoldedPanel from '../kit/FoldedPanel.vue';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES, acrossFrom, axleOf } from '../../core/2-vehicle/setup/corner-key';
import AxisSketch from './AxisSketch.vue';
import { ALIGNMENT, GIVE, HEIGHTS, LOCKS, RAMP, STEERING_AXIS, TARGETS, type Entry } from './baseline-entries';
import { STARTING_WORDS } from '../advice';
import { settle, standIn, takeMotion, takeOtherLock, mirroredCorner, newCorner } from './blank-corner';
import ConditionsPanel from './ConditionsPanel.vue';
import CornerDrawing from './CornerDrawing.vue';
import EntryFields from './EntryFields.vue';
import HeightsRound from './HeightsRound.vue';
import VehiclePanel from './VehiclePanel.vue';
import TapeSketch from './TapeSketch.vue';
import { shockProblem, UNDERBODY } from './underbody-entries';
import {
  leadBy,
  ledBy,
  MOTION_CHOICES,
  motionEntries,
  motionHelp,
  type LedBy,
  type MotionType,
} from './motion-entries';

const STEERING_TITLE = 'Steering';
const MOTION_TITLE = 'How the wheel moves';
const UNDERBODY_TITLE = 'Underbody sheet';

const job = useJobStore();
const key = useCurrentCorner();
const corner = computed(() => job.document?.corners[key.value]);
/** Values that nobody measured yet, by the names the file keeps them under. */
const isStarting = (name: string): boolean => corner.value?.starting?.some((one) => one === valueOf(name)) ?? false;
/** All numbers of the linkage are one value: how the wheel moves. */
const valueOf = (name: string): string => {
  if (STARTING_VALUES.some((value) => value === name)) return name;
  const moves = corner.value ? motionEntries(corner.value.motion).some(({ typedAs }) => typedAs === name) : false;
  return moves ? 'motion' : name;
};
const startingWords = computed(() =>
  corner.value
    ? cornerKnown(corner.value)
        .starting.map((value) => STARTING_WORDS[value])
        .join('; ')
    : '',
);

function edit(change: (corner: LowgapCorner, across: LowgapCorner | undefined) => void): void {
  job.change((file) => {
    const target = file.corners[key.value];
    if (target) change(target, file.corners[acrossFrom(key.value)]);
  });
}

function editFitted(change: (fitted: LowgapFitted) => void): void {
  edit((target) => {
    const { tire, wheel } = structuredClone(target.fitted);
    change(target.fitted);
    // A measured diameter is not the size, and a spacer is not the wheel.
    if (target.fitted.tire.size !== tire.size) settle(target, 'tire');
    if (JSON.stringify(target.fitted.wheel) !== JSON.stringify(wheel)) settle(target, 'wheel');
  });
}

/** Tire and wheel that stand in are what is on the vehicle. */
const confirmFitted = (): void =>
  edit((target) => {
    settle(target, 'tire');
    settle(target, 'wheel');
  });

function addCorner(): void {
  job.change((file) => (file.corners[key.value] = newCorner(key.value, file.corners)));
}

/** The other side's baseline over this one's; heights and readings of this corner stay. */
function mirror(): void {
  job.change((file) => {
    const [mine, other] = [file.corners[key.value], file.corners[acrossFrom(key.value)]];
    if (!mine || !other) return;
    const { hubToLipMm, groundToLipMm, obstacles, photos, typed } = mine;
    const kept = Object.fromEntries(Object.entries(typed ?? {}).filter(([name]) => name.endsWith('ToLipMm')));
    const mirrored = mirroredCorner(key.value, other);
    file.corners[key.value] = {
      ...mirrored,
      ...(hubToLipMm === undefined ? {} : { hubToLipMm }),
      ...(groundToLipMm === undefined ? {} : { groundToLipMm }),
      typed: { ...mirrored.typed, ...kept },
      obstacles,
      ...(photos === undefined ? {} : { photos }),
    };
  });
}

const setMeasured = (): void => edit((target) => delete target.mirroredFrom);
const otherSide = computed(() => (job.document?.corners[acrossFrom(key.value)] ? acrossFrom(key.value) : null));

const axisFromJoints = computed(() => corner.value !== undefined && hasBallJoints(corner.value.motion));
const motionProblems = computed(() => job.problems.filter((p) => p.path.startsWith(`corners.${key.value}.motion`)));

const setMotion = (type: MotionType): void => edit((target) => takeMotion(target, type));

const across = computed(() => job.document?.corners[acrossFrom(key.value)]);
const isBeam = computed(() => corner.value?.motion.type === 'beamAxle');
/** Counted as older jobs have it, which may be too kind. */
const stopsAtHubs = computed(() => isBeam.value && cornerLimits(job.document, key.value)?.stops === null);
const flex = computed(() => (isBeam.value && job.document ? flexWords(job.document, key.value) : ''));
const canRamp = computed(
  () => isBeam.value && corner.value?.hubToLipMm !== undefined && across.value?.hubToLipMm !== undefined,
);
const travelHelp = computed(() => {
  if (!isBeam.value) return 'From ride height to the stop, at the wheel.';
  return canRamp.value
    ? 'From ride height to the stop, both wheels together. With one wheel on a ramp or hump until its stop closes, hub to lip of both wheels says how far the axle flexes.'
    : 'From ride height to the stop, both wheels together. For a reading on a ramp, take hub center to fender lip of both wheels first.';
});

const isOfCamber = ({ typedAs }: Entry): boolean => typedAs.includes('camber');

const setLedBy = (by: LedBy): void =>
  edit((target) => {
    if (target.motion.type !== 'beamAxle') return;
    leadBy(target.motion, by, axleOf(key.value) === 'front');
    if (by === 'arms') standIn(target, 'motion');
  });

/** What is taken at the drawing; everything else is folded beneath it. */
const travel = computed(() => (canRamp.value ? [...HEIGHTS, ...RAMP] : HEIGHTS));

interface Group {
  readonly title: string;
  readonly help: string;
  readonly says: string;
  readonly isWarning?: boolean;
  readonly entries: readonly Entry[];
}

/** What of a folded group was entered, and whether any of it only stands in. */
function group(title: string, help: string, entries: readonly Entry[], isWarning = false): Group {
  const here = corner.value!;
  const standing = entries.filter(
    ({ typedAs, read }) => isStarting(typedAs) && read(here, across.value) !== undefined,
  ).length;
  const entered = entries.filter(({ read }) => read(here, across.value) !== undefined).length - standing;
  const says =
    standing > 0
      ? 'starting values, not measured yet'
      : entries.length === 0
        ? ''
        : `${entered || 'none'} of ${entries.length} entered`;
  return { title, help, entries, says, isWarning: isWarning || standing > 0 };
}

const groups = computed<Group[]>(() => {
  const here = corner.value;
  if (!here) return [];
  const alignmentHelp = isBeam.value
    ? 'A beam axle’s camber and caster are taken not to adjust unless their reach is entered.'
    : 'A lift turns the wheel; the verdict is for the vehicle aligned back as far as its adjusters reach. Left empty, they reach.';
  return [
    ...(here.steering
      ? [
          group(
            STEERING_TITLE,
            'Each lock is this wheel’s own angle when the vehicle steers fully that way, as a turn plate reads it. A lock nobody read follows the other one, once wheelbase and track are entered.',
            axisFromJoints.value ? LOCKS : [...LOCKS, ...STEERING_AXIS],
          ),
        ]
      : []),
    motionGroup(here),
    group('Alignment now', alignmentHelp, [...ALIGNMENT, ...(here.steering ? TARGETS : TARGETS.filter(isOfCamber))]),
    group(
      'Bushing give',
      'Optional. Rubber lets the wheel move fore and aft, in reverse above all; what is entered is taken off the gap.',
      GIVE,
    ),
    group(
      UNDERBODY_TITLE,
      'Optional. With the wheel hanging; later rooms warn by it.',
      UNDERBODY,
      shockProblem(here.underbody ?? {}) !== null,
    ),
  ];
});
const motionGroup = (here: LowgapCorner): Group => {
  const cannot = motionProblems.value.length > 0;
  const own = group(MOTION_TITLE, motionHelp(here.motion), motionEntries(here.motion), cannot || stopsAtHubs.value);
  const type = MOTION_CHOICES.find(({ value }) => value === here.motion.type)?.title ?? '';
  return { ...own, says: [type, cannot ? 'cannot move as entered' : own.says].filter(Boolean).join(', ') };
};

const STOP_SEATS = [
  { value: null, title: 'not looked at' },
  { value: 'insideStrut', title: 'inside the strut, shock or coil-over' },
  { value: 'frame', title: 'on the frame, against arm or axle' },
  { value: 'springPack', title: 'on the frame, against the spring pack' },
] as const;
const setStopSits = (sits: StopPlace | null): void =>
  edit(({ travel }) => {
    if (sits === null) delete travel.stopSits;
    else travel.stopSits = sits;
  });

const LED_BY = [
  { value: 'link', title: 'one arm on each side' },
  { value: 'leaf', title: 'leaf springs' },
  { value: 'arms', title: 'upper and lower arms' },
] as const;

const LOCK_READINGS = [
  { value: 'axis', title: 'by angle about its own axis' },
  { value: 'heading', title: 'on a turn plate' },
] as const;

const setLockMeasured = (how: 'axis' | 'heading'): void =>
  edit((target) => target.steering && (target.steering.lockMeasured = how));

/** `unfinished`: put back as it stood in, since what was typed was no number in the end. */
function write(entry: Entry, value: number | undefined, typed: string | undefined, unfinished = false): void {
  edit((target, beside) => {
    entry.write(target, value, beside);
    const { [entry.typedAs]: _old, ...rest } = target.typed ?? {};
    target.typed = typed === undefined ? rest : { ...rest, [entry.typedAs]: typed };
    if (unfinished) standIn(target, valueOf(entry.typedAs));
    else {
      settle(target, valueOf(entry.typedAs));
      const { typedAs } = entry;
      if (typedAs === 'lockLeftDeg' || typedAs === 'lockRightDeg') {
        takeOtherLock(key.value, target, typedAs, job.document!.vehicle);
      }
    }
  });
}
</script>

<template>
  <HeightsRound />
  <section v-if="!corner" class="panel leaf starts">
    <h2 class="panel-title">{{ CORNER_NAMES[key] }} has not been taken yet</h2>
    <p>Each corner differs: heights, locks and what is near the tire are measured corner by corner.</p>
    <v-btn color="primary" size="large" @click="addCorner">Take this corner</v-btn>
  </section>
  <template v-else>
    <p v-if="startingWords" class="panel leaf" data-testid="starting-values">
      Starting values that nobody measured: {{ startingWords }}. Type each one as it is at the vehicle, even where it is
      the same; until then nothing here is said to clear.
    </p>
    <section class="panel box" :aria-label="CORNER_NAMES[key]">
      <div class="row">
        <h2 class="corner-title">{{ CORNER_NAMES[key] }}</h2>
        <template v-if="corner.mirroredFrom">
          <span class="verdict-close">Mirrored from the other side, not measured</span>
          <v-btn variant="outlined" height="48" @click="setMeasured">It has been measured now</v-btn>
        </template>
        <v-btn v-else-if="otherSide" variant="outlined" height="48" @click="mirror"
          >Mirror {{ cornerName(otherSide) }} onto it</v-btn
        >
      </div>
      <div class="drawn">
        <div class="stack">
          <h3>Fitted now</h3>
          <div v-if="isStarting('tire') || isStarting('wheel')" class="stack close starts">
            <p class="verdict-close small">
              {{ isStarting('tire') ? (isStarting('wheel') ? 'Tire and wheel' : 'The tire') : 'The wheel' }}: starting
              values, not read off the vehicle yet.
            </p>
            <v-btn variant="outlined" height="48" @click="confirmFitted">Read off: it is so</v-btn>
          </div>
          <FitmentFields
            measured
            :fitment="corner.fitted"
            :problem-at="(path) => job.problemAt(`corners.${key}.fitted.${path}`)"
            @edit="editFitted"
          />
          <details data-testid="backspacing-guide">
            <summary>How backspacing is measured</summary>
            <TapeGuides :only="['backspacingOff', 'backspacingOn']" />
          </details>
          <p class="muted small">
            The gaps in the survey are taken against this tire: its size and its wheel matter most.
          </p>
        </div>
        <CornerDrawing class="picture" :corner="corner" :corner-key="key" />
        <div class="stack">
          <h3>Travel</h3>
          <p v-if="flex" data-testid="flex-says">{{ flex }}</p>
          <EntryFields
            :entries="travel"
            :corner="corner"
            :across="across"
            :corner-key="key"
            :is-starting="isStarting"
            @write="write"
          />
          <v-select
            label="The bump stop sits"
            :model-value="corner.travel.stopSits ?? null"
            :items="STOP_SEATS"
            @update:model-value="setStopSits"
          />
          <p class="muted small">{{ travelHelp }}</p>
        </div>
      </div>
    </section>
    <div class="columns">
      <FoldedPanel
        v-for="group in groups"
        :key="group.title"
        :title="group.title"
        :says="group.says"
        :warns="group.isWarning ?? false"
      >
        <v-select
          v-if="group.title === MOTION_TITLE"
          :model-value="corner.motion.type"
          :items="MOTION_CHOICES"
          label="Suspension"
          @update:model-value="setMotion"
        />
        <v-select
          v-if="group.title === MOTION_TITLE && corner.motion.type === 'beamAxle'"
          :model-value="ledBy(corner.motion)"
          :items="LED_BY"
          label="The axle is led by"
          @update:model-value="setLedBy"
        />
        <p v-if="group.help" :class="group.isWarning ? 'verdict-close' : 'muted'">{{ group.help }}</p>
        <EntryFields
          :entries="group.entries"
          :corner="corner"
          :across="across"
          :corner-key="key"
          :is-starting="isStarting"
          @write="write"
        />
        <AxisSketch
          v-if="group.title === STEERING_TITLE && corner.steering && !axisFromJoints"
          :steering="corner.steering"
        />
        <v-select
          v-if="group.title === STEERING_TITLE"
          label="Locks were read"
          :items="LOCK_READINGS"
          :model-value="corner.steering?.lockMeasured ?? 'axis'"
          @update:model-value="setLockMeasured"
        />
        <p v-if="group.title === UNDERBODY_TITLE && shockProblem(corner.underbody ?? {})" class="verdict-rubs">
          {{ shockProblem(corner.underbody ?? {}) }}
        </p>
        <template v-if="group.title === MOTION_TITLE">
          <TapeSketch v-if="group.entries.length" :motion="corner.motion" />
          <p v-for="p in motionProblems" :key="p.path" class="verdict-rubs" data-testid="motion-problem">
            {{ fieldText(p) }}
          </p>
        </template>
      </FoldedPanel>
      <VehiclePanel />
      <ConditionsPanel />
    </div>
  </template>
</template>

<style scoped>
section.box {
  margin-bottom: 14px;
}
/* Fields stand on both sides of what they measure. */
.drawn {
  display: grid;
  grid-template-columns: minmax(220px, 300px) minmax(0, 1fr) minmax(220px, 300px);
  gap: 18px;
  align-items: start;
}
@media (max-width: 900px) {
  .drawn {
    grid-template-columns: 1fr 1fr;
  }
  .drawn .picture {
    grid-row: 1;
    grid-column: 1 / -1;
    max-width: 460px;
    justify-self: center;
    width: 100%;
  }
}
@media (max-width: 760px) {
  .drawn {
    grid-template-columns: minmax(0, 1fr);
  }
}
.corner-title {
  font-family: var(--figures);
  font-size: 20px;
  font-weight: 600;
}
</style>
