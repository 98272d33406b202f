<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { problemText } from '@/contracts/problems';
import { setupForCorner } from '@/core/clearance/description';
import { expectedHeights, type Expected } from '@/core/stance/expected-height';
import { attempt } from '@/core/problem';
import { formatMm } from '@/core/units/length';
import QuantityField from '../parts/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { bothUnits, CORNER_NAMES } from '../words';
import { axleParts, cornersOf, setAxleParts, type AxlePart, type StanceAxle } from './axle-parts';
import PartsEditor from './PartsEditor.vue';
import RakeDrawing from './RakeDrawing.vue';
import { PART_WORDS } from './stance-words';
import type { CornerReport } from './use-stance';

/** From the heights of the baseline to the wanted ones: parts, what they really move, and what is expected, as a band. */
const props = defineProps<{ reports: readonly CornerReport[] }>();
const job = useJobStore();

const axles = computed<StanceAxle[]>(() =>
  (['front', 'rear'] as const).filter((axle) => job.document && cornersOf(job.document, axle).length > 0),
);
const parts = (axle: StanceAxle): AxlePart[] => (job.document ? axleParts(job.document, axle) : []);
const setParts = (axle: StanceAxle, next: AxlePart[]): void =>
  job.changeSetup((file) => setAxleParts(file, axle, next), `parts ${axle}`);
/** Lift entered on the bench as a number, without a part. */
const ownLift = (axle: StanceAxle): number => {
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
const isBeam = (axle: StanceAxle): boolean =>
  cornersOf(job.document!, axle).some((key) => job.document!.corners[key]!.motion.type === 'beamAxle');

const rows = computed(() =>
  props.reports.map(({ key, stance }) => {
    const corner = job.document!.corners[key]!;
    const heights = stance.ok ? stance.value.heights : null;
    return {
      key,
      problem: stance.ok ? '' : problemText(stance.problems[0]!),
      hubNow: corner.hubToLipMm,
      hub: heights?.hubToLip ?? null,
      groundNow: corner.groundToLipMm,
      ground: heights?.groundToLip ?? null,
      tireShareMm: heights?.tireShareMm ?? 0,
      stacked: heights?.stacked ?? [],
    };
  }),
);
const band = (expected: Expected | null): string =>
  expected ? `${formatMm(expected.lowMm, 0)} to ${formatMm(expected.highMm, 0)}` : 'not read';

/** Mean height of a lip over the ground, now and expected. */
function lipOf(axle: StanceAxle): { now: number; then: number } | null {
  const known = rows.value.filter(({ key, ground }) => key.startsWith(axle) && ground);
  if (!known.length) return null;
  const mean = (of: (row: (typeof known)[number]) => number): number =>
    known.reduce((sum, row) => sum + of(row), 0) / known.length;
  return { now: mean(({ groundNow }) => groundNow ?? 0), then: mean(({ ground }) => ground!.mm) };
}
const lips = computed(() => {
  const [front, rear] = [lipOf('front'), lipOf('rear')];
  return front && rear ? { front, rear } : null;
});
const rakeNow = computed(() => (lips.value ? lips.value.rear.now - lips.value.front.now : null));
const rakeThen = computed(() => (lips.value ? lips.value.rear.then - lips.value.front.then : null));
const wanted = computed(() => job.document?.stance?.rakeMm ?? 0);

const setWanted = (mm: number | undefined): void =>
  job.changeSetup((file) => {
    file.stance = { ...file.stance, ...(mm === undefined ? {} : { rakeMm: mm }) };
    if (mm === undefined) delete file.stance.rakeMm;
  }, 'rake');

/** Adds to one axle's lift on the spring what the wanted rake lacks. */
function solve(axle: StanceAxle): void {
  const file = job.document;
  if (!file || rakeThen.value === null) return;
  const lacks = wanted.value - rakeThen.value;
  const more = axle === 'rear' ? lacks : -lacks;
  if (Math.abs(more) < 0.05) return;
  const own = parts(axle);
  const at = own.findIndex(({ part, side }) => part.kind === 'ride' && side === 'both');
  const found = own[at];
  const lift = (found?.part.kind === 'ride' ? found.part.liftMm : 0) + more;
  const rounded = Math.round(10 * lift) / 10;
  const next: AxlePart = { part: { kind: 'ride', liftMm: rounded }, side: 'both' };
  const rest = own.filter((_, i) => i !== at);
  const tried = rounded === 0 ? rest : at < 0 ? [...own, next] : own.map((one, i) => (i === at ? next : one));
  setParts(axle, tried);
}
/** What a lift on the spring may not take a corner beyond. */
const heightsKnown = computed(() => {
  const file = job.document;
  return file ? job.corners.every((key) => attempt(() => expectedHeights(asCase(file), key)).ok) : false;
});
</script>

<template>
  <div class="heights">
    <section class="panel box" aria-label="Expected heights">
      <h2 class="panel-title">Heights, now and expected</h2>
      <div class="scroll" tabindex="0" role="group" aria-label="Table of heights">
        <table class="figures" data-testid="stance-heights">
          <thead>
            <tr>
              <th scope="col">Corner</th>
              <th scope="col">Hub to lip now</th>
              <th scope="col">expected</th>
              <th scope="col">Ground to lip now</th>
              <th scope="col">expected</th>
              <th scope="col">of it tire</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.key">
              <th scope="row">{{ CORNER_NAMES[r.key] }}</th>
              <td>{{ r.hubNow === undefined ? 'not read' : formatMm(r.hubNow, 0) }}</td>
              <td>
                <strong v-if="r.hub">{{ formatMm(r.hub.mm, 0) }}</strong> <span class="muted">{{ band(r.hub) }}</span>
              </td>
              <td>{{ r.groundNow === undefined ? 'not read' : formatMm(r.groundNow, 0) }}</td>
              <td>
                <strong v-if="r.ground">{{ formatMm(r.ground.mm, 0) }}</strong>
                <span class="muted">{{ band(r.ground) }}</span>
              </td>
              <td>{{ formatMm(r.tireShareMm) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
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
      <p class="small muted">
        Millimetres. The band holds what parts of these kinds come out at, and the tape. A height that was not read
        turns what depends on it off.
      </p>
    </section>
    <section class="panel box" aria-label="Rake">
      <h2 class="panel-title">Rake</h2>
      <RakeDrawing v-if="lips" :front="lips.front" :rear="lips.rear" />
      <p v-if="rakeNow !== null && rakeThen !== null" data-testid="rake-says">
        Rake, rear lip over front lip: {{ bothUnits(rakeNow) }} now, {{ bothUnits(rakeThen) }} expected.
      </p>
      <p v-else class="muted">Read ground to lip at a front and a rear corner, and the rake is worked out.</p>
      <div class="solve">
        <QuantityField
          label="Rake wanted, 0 is level"
          :value="wanted"
          :range="{ min: -300, max: 300, unit: 'mm' }"
          @change="setWanted"
        />
        <v-btn height="48" variant="outlined" :disabled="!lips || !heightsKnown" @click="solve('front')"
          >Lift or lower the front</v-btn
        >
        <v-btn height="48" variant="outlined" :disabled="!lips || !heightsKnown" @click="solve('rear')"
          >Lift or lower the rear</v-btn
        >
      </div>
      <p class="small muted">Keep some rake if it tows or carries: loaded, the rear sinks and headlamps rise.</p>
    </section>
    <div class="axles">
      <div v-for="axle in axles" :key="axle" class="panel box">
        <PartsEditor
          :title="axle === 'front' ? 'Front axle' : 'Rear axle'"
          :parts="parts(axle)"
          :both-sides="cornersOf(job.document!, axle).length > 1"
          :is-beam="isBeam(axle)"
          :own-lift-mm="ownLift(axle)"
          @change="(next) => setParts(axle, next)"
          @own="ownToPart"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.heights {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 10px;
  align-items: start;
}
.axles {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
  gap: 10px;
  align-items: start;
}
.box {
  padding: 10px 12px;
  display: grid;
  gap: 8px;
  min-width: 0;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 15px;
}
th,
td {
  border-top: 1px solid var(--rule);
  padding: 6px 10px 6px 0;
  text-align: left;
}
td .muted {
  margin-left: 6px;
}
.solve {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.solve :deep(.quantity) {
  flex: 1 1 190px;
}
.small {
  font-size: 14px;
  line-height: 19px;
}
@media (max-width: 1000px) {
  .heights {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
