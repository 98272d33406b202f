<script setup lang="ts">
import { blockStop, strutStops } from '@/core/2-vehicle/setup/stop-place';
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { problemText } from '../problem-words';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { Expected } from '@/core/5-consequences/stance/expected-height';
import { LIMITS } from '@/core/1-base/limits';
import { surveyMotion } from '@/core/2-vehicle/setup/motion-under';
import { attempt } from '@/core/1-base/problem';
import { motionRatio } from '@/core/5-consequences/stance/spring-line';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import { useShopRecord } from '../stores/shop-record';
import { CORNER_NAMES, type Axle } from '../../core/2-vehicle/setup/corner-key';
import { axleParts, cornersOf, setAxleParts, type AxlePart } from './axle-parts';
import PartsEditor from './PartsEditor.vue';
import { BY_SPRING_RATIO, PART_WORDS, type KnownNumbers, type StopsAnswer, type Suspension } from './part-fields';
import FenderPanel from './FenderPanel.vue';
import LoadPanel from './LoadPanel.vue';
import OneSidedNote from './OneSidedNote.vue';
import RakePanel from './RakePanel.vue';
import type { CornerReport } from './use-stance';
import FiguresTable, { type Figure } from '../kit/FiguresTable.vue';

/** From the heights of the baseline to the wanted ones: parts, what they really move, and what is expected, as a band. */
const props = defineProps<{ reports: readonly CornerReport[] }>();
const job = useJobStore();

const axles = computed<Axle[]>(() =>
  (['front', 'rear'] as const).filter((axle) => job.document && cornersOf(job.document, axle).length > 0),
);
const parts = (axle: Axle): AxlePart[] => (job.document ? axleParts(job.document, axle) : []);
const setParts = (axle: Axle, next: AxlePart[]): void =>
  job.changeSetup((file) => setAxleParts(file, axle, next), `parts ${axle}`);
/** Lift entered on the bench as a number, without a part. */
const ownLift = (axle: Axle): number => {
  const [key] = cornersOf(job.document!, axle);
  return key && job.document?.setup ? setupForCorner(asCase(job.document), key).suspensionLiftMm : 0;
};
/** The bench's number becomes a part of both axles. */
function ownToPart(): void {
  job.changeSetup((file) => {
    for (const axle of axles.value) {
      const mm = ownLift(axle);
      if (mm !== 0)
        setAxleParts(file, axle, [...axleParts(file, axle), { part: { kind: 'ride', liftMm: mm }, side: 'both' }]);
    }
    const setup = file.setup;
    if (!setup) return;
    setup.suspensionLiftMm = 0;
    delete setup.typed?.['suspensionLiftMm'];
    for (const own of Object.values(setup.corners ?? {})) delete own?.suspensionLiftMm;
  });
}
const suspension = (axle: Axle): Suspension => {
  const motion = job.document!.corners[cornersOf(job.document!, axle)[0]!]!.motion;
  if (motion.type !== 'beamAxle') return { isBeam: false, leaf: null };
  return { isBeam: true, leaf: motion.leaf ? (job.document?.stance?.[axle]?.leafSits ?? 'overAxle') : null };
};
/** Where the first corner's stop sits; null where nobody looked. */
function stopsOf(axle: Axle): StopsAnswer | null {
  const corner = cornersOf(job.document!, axle).map((key) => job.document!.corners[key]!)[0];
  return corner?.travel.stopSits ? { strut: strutStops(corner), block: blockStop(corner) } : null;
}
const setLeaf = (axle: Axle, leafSits: 'overAxle' | 'underAxle'): void =>
  job.changeSetup((file) => {
    file.stance = { ...file.stance, [axle]: { ...file.stance?.[axle], leafSits } };
  });
/** What parts would ask for and the job already has, from the first corner that has it. */
function known(axle: Axle): KnownNumbers {
  const file = job.document!;
  const corners = cornersOf(file, axle).map((key) => file.corners[key]!);
  const first = <T,>(of: (corner: (typeof corners)[number]) => T | undefined): T | undefined =>
    corners.map(of).find((value) => value !== undefined);
  return {
    replacesOpenMm: first(({ underbody }) => underbody?.shockOpenMm),
    replacesClosedMm: first(({ underbody }) => underbody?.shockClosedMm),
    armMm: first(({ motion }) =>
      'tape' in motion && motion.tape && 'lowerArmMm' in motion.tape ? motion.tape.lowerArmMm : undefined,
    ),
  };
}
/** Asked once for an axle: all its parts that reach the wheel through the springs take it. */
function setRatio(axle: Axle, springRatio: number | undefined): void {
  job.changeSetup((file) => {
    const { springRatio: _, ...others } = file.stance?.[axle] ?? {};
    file.stance = { ...file.stance, [axle]: springRatio === undefined ? others : { ...others, springRatio } };
    const ratio = springRatio ?? linkageRatio(axle) ?? (suspension(axle).isBeam ? 1 : undefined);
    if (ratio === undefined) return;
    const counted = axleParts(file, axle).map((own): AxlePart => {
      if (!BY_SPRING_RATIO.includes(own.part.kind)) return own;
      const { starting, ...part } = own.part;
      const left = starting?.filter((name) => name !== 'motionRatio') ?? [];
      const next = { ...part, motionRatio: ratio, ...(left.length > 0 ? { starting: left } : {}) };
      return { ...own, part: next as AxlePart['part'] };
    });
    setAxleParts(file, axle, counted);
  }, `ratio ${axle}`);
}
/** Of the first corner of an axle whose spring's ends are known, at the surveyed height. */
function linkageRatio(axle: Axle): number | null {
  const file = job.document!;
  for (const key of cornersOf(file, axle)) {
    const ends = file.stance?.springs?.[key];
    const found = ends && attempt(() => motionRatio(surveyMotion(key, asCase(file).corners[key]!), ends, 0));
    const { min, max } = LIMITS.motionRatio;
    if (found?.ok && found.value >= min && found.value <= max) return Math.round(1000 * found.value) / 1000;
  }
  return null;
}

const rows = computed(() =>
  props.reports.map(({ key, stance }) => {
    const corner = job.document!.corners[key]!;
    const heights = stance.ok ? stance.value.heights : null;
    return {
      key,
      name: CORNER_NAMES[key],
      problem: stance.ok ? '' : problemText(stance.problems[0]!),
      cells: [
        readText(corner.hubToLipMm),
        expectedFigure(heights?.hubToLip ?? null),
        readText(corner.groundToLipMm),
        expectedFigure(heights?.groundToLip ?? null),
        formatMm(heights?.tireShareMm ?? 0),
      ],
      stacked: heights?.stacked ?? [],
    };
  }),
);
const readText = (mm: number | undefined): string => (mm === undefined ? 'not read' : formatMm(mm, 0));
const expectedFigure = (expected: Expected | null): string | Figure =>
  expected
    ? {
        text: formatMm(expected.mm, 0),
        strong: true,
        beside: `${formatMm(expected.lowMm, 0)} to ${formatMm(expected.highMm, 0)}`,
      }
    : 'not read';
/** Kinds of part on this job whose band comes from measured jobs. */
const record = useShopRecord();
const ownBands = computed(() => {
  const kinds = new Set(axles.value.flatMap((axle) => parts(axle).map(({ part }) => part.kind)));
  if (axles.value.some((axle) => ownLift(axle) !== 0)) kinds.add('ride');
  return [...kinds]
    .flatMap((kind) => {
      const band = record.learned.get(kind);
      return band
        ? [
            `${PART_WORDS[kind].toLowerCase()}, ${band.count} measured, on average ${Math.round(100 * band.meanShare)} % of what was promised`,
          ]
        : [];
    })
    .join('; ');
});
</script>

<template>
  <div class="heights two">
    <div class="stack">
      <section class="panel box" aria-label="Expected heights">
        <h2 class="panel-title">Heights, now and expected</h2>
        <FiguresTable
          data-testid="stance-heights"
          caption="Table of heights"
          corner="Corner"
          :columns="[
            'Hub to lip now',
            'hub to lip expected',
            'Ground to lip now',
            'ground to lip expected',
            'of it tire',
          ]"
          :rows="rows"
        />
        <p v-for="r in rows.filter(({ problem }) => problem)" :key="`p${r.key}`" class="verdict-rubs" role="alert">
          {{ CORNER_NAMES[r.key] }}: {{ r.problem }}
        </p>
        <p
          v-for="r in rows.filter(({ stacked }) => stacked.length)"
          :key="`s${r.key}`"
          class="verdict-close"
          role="status"
        >
          {{ CORNER_NAMES[r.key] }}: {{ r.stacked.length }} parts lift on one spring ({{
            r.stacked.map((kind) => PART_WORDS[kind].toLowerCase()).join('; ')
          }}). Stacked, they overshoot, and arms, joints and shafts run out first: measure after each.
        </p>
        <OneSidedNote />
        <p class="small muted">
          Millimeters. The band holds what parts of these kinds come out at, and the tape. A height that was not read
          turns what depends on it off.
        </p>
        <p v-if="ownBands" class="small" data-testid="own-bands">From the shop’s own record: {{ ownBands }}.</p>
      </section>
      <div class="stack">
        <div v-for="axle in axles" :key="axle" class="panel box">
          <PartsEditor
            :title="axle === 'front' ? 'Front axle' : 'Rear axle'"
            :parts="parts(axle)"
            :both-sides="cornersOf(job.document!, axle).length > 1"
            :suspension="suspension(axle)"
            :entered-ratio="job.document?.stance?.[axle]?.springRatio"
            :linkage-ratio="linkageRatio(axle)"
            :known="known(axle)"
            :stops="stopsOf(axle)"
            @leaf="(sits) => setLeaf(axle, sits)"
            :own-lift-mm="ownLift(axle)"
            @change="(next) => setParts(axle, next)"
            @ratio="(value) => setRatio(axle, value)"
            @own="ownToPart"
          />
        </div>
      </div>
    </div>
    <div class="stack">
      <RakePanel :reports="reports" />
      <LoadPanel />
      <FenderPanel />
    </div>
  </div>
</template>
