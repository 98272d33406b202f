<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { emptyRakeMm } from '@/core/5-consequences/stance/loaded-rake';
import { LIMITS } from '@/core/1-base/limits';
import { wantedSaid } from '@/core/5-consequences/stance/wanted-height';
import { heightWords } from '@/sheets/height-words';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { addRide, axleParts, cornersOf, type PartSide } from './axle-parts';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import { sagWords, useCargo } from './cargo';
import { leanOf, lipsOf } from './lips';
import RakeDrawing from './RakeDrawing.vue';
import type { CornerReport } from './use-stance';

/** Rake and lean as they are expected, empty and loaded, and what lift on the springs would set them right. */
const props = defineProps<{ reports: readonly CornerReport[] }>();
const job = useJobStore();

const lips = computed(() => (job.document ? lipsOf(job.document, props.reports) : null));
const rakeNow = computed(() => (lips.value ? lips.value.rear.now - lips.value.front.now : null));
const rakeThen = computed(() => (lips.value ? lips.value.rear.then - lips.value.front.then : null));
const stance = computed(() => job.document?.stance);
const wanted = computed(() => stance.value?.rakeMm ?? 0);
const loaded = computed(() => stance.value?.rakeLoaded ?? false);

function change(edit: (stance: NonNullable<LowgapFile['stance']>) => void): void {
  job.changeSetup((file) => {
    file.stance ??= {};
    edit(file.stance);
  }, 'rake');
}
const setWanted = (mm: number | undefined): void =>
  change((own) => {
    if (mm === undefined) delete own.rakeMm;
    else own.rakeMm = mm;
  });
const setLip = (field: 'frontMm' | 'rearMm', mm: number | undefined): void =>
  change((own) => {
    const { [field]: _, ...others } = own.wantedLip ?? {};
    own.wantedLip = mm === undefined ? others : { ...others, [field]: mm };
  });
/** Expected heights against the wanted ones, in words. */
const heightsSaid = computed(() => {
  const file = job.document;
  if (!file || !lips.value) return [];
  const lipOf = (axle: Axle) => ({
    axle,
    thenMm: lips.value![axle].then,
    wantedMm: stance.value?.wantedLip?.[axle === 'front' ? 'frontMm' : 'rearMm'] ?? null,
    parts: axleParts(file, axle).map(({ part }) => part),
  });
  const rakeMm = stance.value?.rakeMm === undefined ? null : target.value;
  return wantedSaid(lipOf('front'), lipOf('rear'), rakeMm).map(heightWords);
});
const cargo = useCargo();
const sag = computed(() => cargo.value.sag);
/** Rake to stand at empty. */
const target = computed(() => {
  if (!loaded.value) return wanted.value;
  return sag.value && emptyRakeMm(wanted.value, sag.value);
});
const canSolve = computed(() => lips.value !== null && target.value !== null);

const lift = (axle: Axle, side: PartSide, mm: number): void =>
  job.changeSetup((file) => addRide(file, axle, side, mm), `parts ${axle}`);
/** Adds to one axle's lift on the spring what the wanted rake lacks. */
function solve(axle: Axle): void {
  if (rakeThen.value === null || target.value === null) return;
  const lacks = target.value - rakeThen.value;
  lift(axle, 'both', axle === 'rear' ? lacks : -lacks);
}

/** mm of lean that a tape cannot tell from none. */
const SAME_MM = 2;
const leans = computed(() =>
  (['front', 'rear'] as const).flatMap((axle) => {
    const mm = leanOf(props.reports, axle);
    const both = job.document ? cornersOf(job.document, axle).length > 1 : false;
    return both && mm !== null && Math.abs(mm) > SAME_MM ? [{ axle, mm, low: mm > 0 ? 'right' : 'left' } as const] : [];
  }),
);
</script>

<template>
  <section class="panel box" aria-label="Rake">
    <h2 class="panel-title">Rake and lean</h2>
    <RakeDrawing v-if="lips" :front="lips.front" :rear="lips.rear" :kind="job.document?.vehicle.kind ?? 'pickup'" />
    <p v-if="rakeNow !== null && rakeThen !== null" data-testid="rake-says">
      Rake, rear lip over front lip: {{ bothUnits(rakeNow) }} now, {{ bothUnits(rakeThen) }} expected<template
        v-if="sag"
        >, {{ bothUnits(rakeThen + sag.frontMm - sag.rearMm) }} with the cargo on</template
      >.
    </p>
    <p v-else class="muted">Read ground to lip at a front and a rear corner, and the rake is worked out.</p>
    <div class="row solve">
      <QuantityField
        label="Rake wanted, 0 is level"
        :value="wanted"
        :range="{ min: -300, max: 300, unit: 'mm' }"
        @change="setWanted"
      />
      <v-checkbox
        :model-value="loaded"
        label="Keep it when loaded"
        hide-details
        @update:model-value="(on: boolean | null) => change((own) => (own.rakeLoaded = on === true))"
      />
    </div>
    <div class="row solve">
      <QuantityField
        label="Front lip over the ground wanted"
        :value="stance?.wantedLip?.frontMm"
        :range="LIMITS.groundToLipMm"
        optional
        @change="(mm) => setLip('frontMm', mm)"
      />
      <QuantityField
        label="Rear lip over the ground wanted"
        :value="stance?.wantedLip?.rearMm"
        :range="LIMITS.groundToLipMm"
        optional
        @change="(mm) => setLip('rearMm', mm)"
      />
    </div>
    <ul v-if="heightsSaid.length" class="bullets" data-testid="height-says">
      <li v-for="said in heightsSaid" :key="said">{{ said }}</li>
    </ul>
    <p v-if="loaded && cargo.missing.length" class="muted" data-testid="cargo-missing">
      Not answered with cargo: enter {{ cargo.missing.join(', ') }} (below, under Load).
    </p>
    <p v-else-if="loaded && sag" data-testid="cargo-says">
      {{ sagWords(sag) }}: stand at {{ bothUnits(target ?? 0) }} empty.
    </p>
    <div class="row solve">
      <v-btn height="48" variant="outlined" :disabled="!canSolve" @click="solve('front')"
        >Lift or lower the front</v-btn
      >
      <v-btn height="48" variant="outlined" :disabled="!canSolve" @click="solve('rear')">Lift or lower the rear</v-btn>
    </div>
    <p v-for="l in leans" :key="l.axle" class="row" role="status">
      <span>Its {{ l.axle }} leans: the {{ l.low }} lip is {{ bothUnits(Math.abs(l.mm)) }} lower.</span>
      <v-btn height="48" variant="text" @click="lift(l.axle, l.low, Math.abs(l.mm))">Shim the {{ l.low }}</v-btn>
    </p>
    <p class="small muted">Keep some rake if it tows or carries: loaded, the rear sinks and headlamps rise.</p>
  </section>
</template>

<style scoped>
.solve :deep(.quantity),
.solve :deep(.v-text-field) {
  flex: 1 1 190px;
}
</style>
