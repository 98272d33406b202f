<script setup lang="ts">
import { mdiDownload } from '@mdi/js';
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { SheetEntry } from '@/contracts/plan';
import { problemText } from '../problem-words';
import { asCase } from '@/contracts/as-case';
import { asPlanQuestion } from '@/contracts/as-plan-question';
import { marginWords } from '@/core/4-clearance/case/standard';
import { withFix } from '@/core/6-decisions/plan/judge-plan';
import { CUTS, modificationsOf } from '@/core/6-decisions/plan/modification';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import type { Problem } from '@/core/1-base/problem';
import { formatFraction, formatMm } from '@/core/1-base/units/length';
import { PAPER_SIZES, type Paper } from '@/sheets/paper';
import { PRECAUTION_WORDS } from '@/sheets/plan-words';
import { acrossFrom, cornerName } from '@/core/2-vehicle/setup/corner-key';
import QuantityField from '../kit/QuantityField.vue';
import { pdfBlob, saveBlob, saveText } from '../kit/save-text';
import { useJobStore } from '../stores/job';
import { PlanClient } from '../workers/plan-client';
import type { DrawnSheet } from '../workers/plan.worker';
import SheetView from './SheetView.vue';
import type { PlanState } from './use-plan';

/** The panel at full size with the line to cut along, for the screen and for paper. */
const props = defineProps<{ state: PlanState }>();
const job = useJobStore();
const route = useRoute();
const router = useRouter();

/** Things that may be cut at all, those of the plan first. */
const things = computed(() => {
  const fixes = props.state.chosen.value.fixes;
  const all = job.corners.flatMap((corner) =>
    (job.document?.corners[corner]?.obstacles ?? [])
      .filter((obstacle) => modificationsOf(obstacle).some((kind) => CUTS.includes(kind)))
      .map(({ id, label }) => ({
        corner,
        id,
        value: `${corner}:${id}`,
        name: label ?? id,
        title: `${label ?? id}, ${cornerName(corner)}`,
        planned: fixes.some((fix) => fix.corner === corner && fix.obstacle === id && CUTS.includes(fix.kind)),
      })),
  );
  return all.sort((a, b) => Number(b.planned) - Number(a.planned));
});
const thing = computed(
  () => things.value.find(({ value }) => value === route.query['thing']) ?? things.value[0] ?? null,
);
/** The same thing on the other side of the axle, where that was surveyed itself. */
const otherSide = computed(() => {
  const here = thing.value;
  if (!here) return null;
  const key = acrossFrom(here.corner);
  if (job.document?.corners[key]?.mirroredFrom) return null;
  return things.value.find(({ corner, id, name }) => corner === key && (id === here.id || name === here.name)) ?? null;
});
const pick = (value: string): void => void router.replace({ query: { ...route.query, thing: value } });

/** Its own worker: measuring a panel must not hold up the plan. */
const client = new PlanClient(() => undefined);
onBeforeUnmount(() => client.close());

const mirrored = ref(false);
const paper = ref<Paper>('A4');
const drawn = shallowRef<DrawnSheet | null>(null);
const problems = shallowRef<readonly Problem[]>([]);
const working = ref(false);
const pdfProblem = ref('');

const entry = computed<SheetEntry | null>(() => {
  const at = thing.value;
  if (!at) return null;
  const kept = props.state.plan.value?.sheets.find(
    ({ corner, obstacle }) => corner === at.corner && obstacle === at.id,
  );
  return kept ?? { corner: at.corner, obstacle: at.id, allowanceMm: 5, flapMm: 0 };
});

let turn = 0;
watch(
  [
    () => JSON.stringify(entry.value),
    mirrored,
    () => job.document?.corners,
    () => job.document?.setup,
    () => job.document?.standard,
    () => JSON.stringify(props.state.chosen.value.changes),
  ],
  async () => {
    const file = job.document;
    if (!file || !entry.value) return;
    const mine = ++turn;
    working.value = true;
    const isMirrored = mirrored.value && !otherSide.value;
    const found = await client.sheet(file, props.state.chosen.value, entry.value, isMirrored);
    if (mine !== turn || !found) return;
    working.value = false;
    drawn.value = found.ok ? found.value : null;
    problems.value = found.ok ? [] : found.problems;
  },
  { immediate: true },
);

function set(change: Partial<SheetEntry>, gesture: string | null = null): void {
  const now = entry.value;
  if (!now) return;
  props.state.change((plan) => {
    const others = plan.sheets.filter(({ corner, obstacle }) => corner !== now.corner || obstacle !== now.obstacle);
    const next = { ...now, ...change };
    if (next.triedDepthMm === undefined) delete next.triedDepthMm;
    if (next.looks === undefined) delete next.looks;
    plan.sheets = [...others, next];
  }, gesture);
}

/** A line to begin with: straight across the needed one, a little above its deepest place. */
function startLooks(): void {
  const sheet = drawn.value?.sheet;
  const longest = [...(sheet?.need ?? [])].sort((a, b) => b.length - a.length)[0];
  if (!longest || longest.length < 2) return;
  const [first, last] = [longest[0]!, longest.at(-1)!];
  const middle = longest[Math.floor(longest.length / 2)]!;
  const round = ([right, up]: SheetPoint): [number, number] => [Math.round(right), Math.round(up)];
  set({ looks: [round(first), round(middle), round(last)] });
}
const looks = computed(() => (mirrored.value ? null : (entry.value?.looks ?? null)));

/** What the job lets be cut, mm from the edge; the line may run deeper than the gap it gains. */
const tooDeepMm = computed(() => {
  const at = thing.value;
  const fix = props.state.chosen.value.fixes.find(
    ({ corner, obstacle }) => corner === at?.corner && obstacle === at.id,
  );
  const most = fix && props.state.plan.value?.allowed[fix.kind];
  return most !== undefined && (drawn.value?.sheet.depthMm ?? 0) > most ? most : null;
});

const looksWords = computed(() => {
  const found = drawn.value?.sheet.looks;
  if (!found) return '';
  const square = (mm2: number): string => `${formatMm(mm2 / 100)} cm²`;
  if (found.marginMm < -0.05) {
    return `The line for looks takes too little: somewhere it leaves ${formatMm(-found.marginMm)} mm less than wanted, and ${square(found.leftStandingMm2)} stand that have to go.`;
  }
  return `The line for looks takes ${square(found.beyondNeedMm2)} beyond need, ${square(found.areaMm2)} in all.`;
});

const triedWords = computed(() => {
  const tried = drawn.value?.sheet.tried;
  if (!tried) return '';
  const deep = `${formatMm(tried.depthMm)} mm (${formatFraction(tried.depthMm)} in) deep all along the edge`;
  if (tried.marginMm === null) return `${deep} takes all of it away.`;
  return `${deep} gains ${formatMm(tried.gainedMm ?? 0)} mm of gap: ${marginWords(tried.marginMm)}.`;
});
/** Gap that the typed depth gains, where it gains any and the thing may be cut so. */
const triedGainMm = computed(() => {
  const gained = drawn.value?.sheet.tried?.gainedMm ?? null;
  return gained !== null && gained > 0 ? gained : null;
});
/** The typed depth becomes the plan's cut of this thing, by what it gains. */
function takeDepth(): void {
  const at = thing.value;
  const gained = triedGainMm.value;
  const [file, plan] = [job.document, props.state.plan.value];
  if (!at || gained === null || !file || !plan) return;
  const obstacle = file.corners[at.corner]?.obstacles.find(({ id }) => id === at.id);
  const own = props.state.chosen.value.fixes.find((fix) => fix.corner === at.corner && fix.obstacle === at.id)?.kind;
  const kind =
    own && CUTS.includes(own) ? own : obstacle && modificationsOf(obstacle).find((one) => CUTS.includes(one));
  if (!kind) return;
  const fix = { corner: at.corner, obstacle: at.id, kind, amountMm: Math.floor(10 * gained) / 10 };
  props.state.choose((chosen) => {
    chosen.fixes = withFix(asCase(file), chosen.fixes, fix, fix, asPlanQuestion(plan)).map((one) => ({ ...one }));
  });
}

/** Nothing to cut and no line drawn: there is no sheet. */
const isEmpty = computed(() => !drawn.value?.sheet.need.length && !drawn.value?.sheet.looks);

const name = (): string => `cut-${entry.value?.corner}-${entry.value?.obstacle}${mirrored.value ? '-mirrored' : ''}`;
const saveSvg = (): void => void (drawn.value && saveText(`${name()}.svg`, 'image/svg+xml', drawn.value.svg));
const saveDxf = (): void => void (drawn.value && saveText(`${name()}.dxf`, 'image/vnd.dxf', drawn.value.dxf));
async function savePdf(): Promise<void> {
  const made = drawn.value && (await client.sheetPdf(paper.value));
  if (!made) return;
  pdfProblem.value = made.ok ? '' : made.problems.map(problemText).join(' ');
  if (made.ok) saveBlob(`${name()}-${paper.value}.pdf`, pdfBlob(made.value));
}
</script>

<template>
  <section class="panel box" aria-label="Cut sheet">
    <p v-if="!things.length" class="muted">
      Nothing here may be cut: the survey has no plastic, liner, sheet metal or body mount.
    </p>
    <template v-else>
      <div class="bar row">
        <v-select
          :model-value="thing?.value"
          :items="things"
          label="Part to cut"
          hide-details
          class="grow"
          @update:model-value="pick"
        />
        <v-btn v-if="otherSide" height="48" variant="outlined" @click="pick(otherSide.value)"
          >The other side’s own sheet</v-btn
        >
        <v-checkbox v-else v-model="mirrored" label="Mirrored, for the other side" hide-details density="compact" />
      </div>
      <div v-if="entry" class="bar row">
        <QuantityField
          label="Left by the first cut"
          :value="entry.allowanceMm"
          :range="{ min: 0, max: 60, unit: 'mm' }"
          @change="(mm) => set({ allowanceMm: mm ?? 0 })"
        />
        <QuantityField
          label="Flap to fold over (0: none)"
          :value="entry.flapMm"
          :range="{ min: 0, max: 60, unit: 'mm' }"
          @change="(mm) => set({ flapMm: mm ?? 0 })"
        />
        <QuantityField
          label="Or cut this deep, all along"
          :value="entry.triedDepthMm"
          :range="{ min: 0, max: 300, unit: 'mm' }"
          optional
          @change="(mm) => set({ triedDepthMm: mm })"
        />
        <v-btn v-if="entry.looks" height="48" variant="outlined" @click="set({ looks: undefined })"
          >Drop the line for looks</v-btn
        >
        <v-btn
          v-else
          height="48"
          variant="outlined"
          :disabled="!drawn?.sheet.need.length || mirrored"
          @click="startLooks"
          >Redraw the line for looks</v-btn
        >
      </div>
      <p v-if="mirrored && !otherSide" class="small verdict-close" role="status">
        The other side was not surveyed: sides differ, so hold the sheet to it and look before cutting.
      </p>
      <p v-for="p in problems" :key="p.path + p.code" class="verdict-rubs" role="alert" data-testid="sheet-problem">
        {{ problemText(p) }}
      </p>
      <p v-if="working && !drawn" class="muted">Measuring the panel place by place</p>
      <template v-if="drawn">
        <p v-if="!drawn.sheet.need.length" class="verdict-clear">
          Nothing has to be cut here: what is wanted is left all over it.
        </p>
        <dl v-else class="says figures facts" data-testid="sheet-says">
          <div>
            <dt>{{ drawn.sheet.flapMm > 0 ? 'Fold line' : 'Cut' }} leaves</dt>
            <dd>{{ formatMm(drawn.sheet.requiredMm) }} mm</dd>
          </div>
          <div>
            <dt>Deepest, from the present edge</dt>
            <dd>{{ formatMm(drawn.sheet.depthMm) }} mm ({{ formatFraction(drawn.sheet.depthMm) }} in)</dd>
          </div>
          <div>
            <dt>Long</dt>
            <dd>{{ formatMm(drawn.sheet.lengthMm, 0) }} mm</dd>
          </div>
          <div>
            <dt>Taken off</dt>
            <dd>
              {{ formatMm(drawn.sheet.areaMm2 / 100) }} cm²<template v-if="!drawn.sheet.flapMm"
                >, first {{ formatMm(drawn.sheet.firstAreaMm2 / 100) }}</template
              >
            </dd>
          </div>
          <div>
            <dt>Leaves the flat by</dt>
            <dd>{{ formatMm(drawn.sheet.offPlaneMm) }} mm</dd>
          </div>
        </dl>
        <p
          v-if="triedWords"
          :class="(drawn.sheet.tried!.marginMm ?? 0) < 0 ? 'verdict-rubs' : 'verdict-clear'"
          role="status"
          data-testid="depth-says"
        >
          {{ triedWords }}
          <v-btn v-if="triedGainMm !== null" height="48" variant="text" @click="takeDepth"
            >Into the plan as {{ formatMm(triedGainMm) }} mm of gap</v-btn
          >
        </p>
        <p v-if="tooDeepMm !== null" class="verdict-close" role="alert">
          The line runs deeper than the {{ formatMm(tooDeepMm) }} mm that this job lets be taken. Plan it otherwise, or
          ask the customer.
        </p>
        <SheetView
          :sheet="drawn.sheet"
          :looks="looks"
          @looks="(points, gesture) => set({ looks: points.map(([a, b]) => [a, b] as [number, number]) }, gesture)"
        />
        <p class="small legend">
          Dark: the panel’s present edge; dotted: as far as it is known. Hatched: what goes. Red:
          {{ drawn.sheet.flapMm > 0 ? 'cut; dotted red: fold' : 'the final cut' }}. Dashed:
          {{ drawn.sheet.flapMm > 0 ? '' : 'first cut, ' }}plumb through the hub’s center. Long dashes: line for looks;
          pull its places, or move them by arrow keys.
        </p>
        <p
          v-if="looksWords"
          :class="drawn.sheet.looks!.marginMm < -0.05 ? 'verdict-rubs' : ''"
          data-testid="looks-says"
        >
          {{ looksWords }}
        </p>
        <p v-if="drawn.sheet.uncovers === null" class="verdict-close">
          Nobody has said what stands behind it: look, and survey it before cutting.
        </p>
        <p v-else-if="drawn.sheet.uncovers.length">
          Behind it stand {{ drawn.sheet.uncovers.map(({ label }) => label).join(', ') }}.
        </p>
        <p class="small">
          {{ PRECAUTION_WORDS.eyeProtection }} {{ PRECAUTION_WORDS.noHeatNearFuelOrAirbag }}
          {{ PRECAUTION_WORDS.structureStays }} Deburr, prime, paint and seal the edge.
        </p>
        <div class="bar row">
          <v-select v-model="paper" :items="PAPER_SIZES" label="Paper" hide-details class="short" />
          <v-btn height="48" color="primary" :prepend-icon="mdiDownload" :disabled="isEmpty" @click="savePdf"
            >PDF at full size</v-btn
          >
          <v-btn height="48" variant="outlined" :prepend-icon="mdiDownload" :disabled="isEmpty" @click="saveSvg"
            >SVG</v-btn
          >
          <v-btn height="48" variant="outlined" :prepend-icon="mdiDownload" :disabled="isEmpty" @click="saveDxf"
            >DXF</v-btn
          >
        </div>
        <p v-if="pdfProblem" class="verdict-rubs" role="alert">{{ pdfProblem }}</p>
      </template>
    </template>
  </section>
</template>

<style scoped>
.bar :deep(.quantity) {
  flex: 1 1 200px;
  max-width: 260px;
}
</style>
