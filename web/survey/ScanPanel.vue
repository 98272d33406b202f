<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { parseWith } from '@/contracts/parse';
import { problemText } from '../problem-words';
import { scanPlanSchema, type ScanPlan } from '@/contracts/scan-plan';
import { deviceListSchema } from '@/contracts/device-api';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { SCAN_UNITS, type ScanUnit } from '@/core/3-survey/scan/scan-unit';
import type { Problem } from '@/core/1-base/problem';
import { attempt } from '@/core/1-base/problem';
import { prepareRotor } from '@/core/2-vehicle/setup/rotor';
import { formatMm } from '@/core/1-base/units/length';
import ScanPreview from './ScanPreview.vue';
import { useJobStore } from '../stores/job';
import { readScanInWorker, type ScanAnswer } from '../workers/scan-client';

/** A wheel-well scan becomes obstacles: its file, a plan that aligns and names its parts, the unit where it does not tell. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner }>();
const job = useJobStore();

const scan = shallowRef<{ name: string; bytes: Uint8Array } | null>(null);
const plan = shallowRef<{ name: string; plan: ScanPlan } | null>(null);
const unit = ref<ScanUnit | 'auto'>('auto');
const problems = shallowRef<readonly Problem[]>([]);
const busy = ref(false);
const answer = shallowRef<ScanAnswer | null>(null);

const MOST_MB = 60;
const UNITS = [{ value: 'auto', title: 'by its size' }, ...SCAN_UNITS.map((value) => ({ value, title: value }))];

const refuse = (path: string, expected: string, found: string, code: Problem['code'] = 'wrongFormat'): void => {
  problems.value = [{ code, path, expected, found }];
};

async function takeScan(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  answer.value = null;
  if (file.size > MOST_MB * 1e6) {
    refuse(file.name, `a scan of at most ${MOST_MB} MB`, `${(file.size / 1e6).toFixed(0)} MB`, 'tooLarge');
    return;
  }
  problems.value = [];
  scan.value = { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
}

async function takePlan(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  answer.value = null;
  let json: unknown;
  try {
    json = JSON.parse(await file.text());
  } catch {
    refuse(file.name, 'a whole JSON file', 'text that breaks off or is not JSON', 'invalidJson');
    return;
  }
  adoptPlan(file.name, json);
}

function adoptPlan(name: string, json: unknown): void {
  const read = parseWith(scanPlanSchema, json);
  problems.value = read.ok ? [] : read.problems;
  if (read.ok) plan.value = { name, plan: read.value };
}

async function fromScanner(): Promise<void> {
  busy.value = true;
  problems.value = [];
  try {
    const { devices } = deviceListSchema.parse(await (await fetch('/api/devices')).json());
    const scanner = devices.find(({ kind }) => kind === 'scanner');
    if (!scanner) return refuse('', 'a scanner on the server', 'none', 'notFound');
    const made = (await (await fetch(`/api/devices/${scanner.id}/scan`, { method: 'POST' })).json()) as {
      name: string;
      ply: string;
      plan: unknown;
    };
    scan.value = { name: made.name, bytes: new TextEncoder().encode(made.ply) };
    adoptPlan(`${scanner.name}'s own targets`, made.plan);
  } catch {
    refuse('', 'a scanner that answers', 'no answer', 'notFound');
  } finally {
    busy.value = false;
  }
}

const wholePlan = computed<ScanPlan | null>(() => {
  if (!plan.value) return null;
  const { unit: given, ...rest } = plan.value.plan;
  if (unit.value !== 'auto') return { ...rest, unit: unit.value };
  return given === undefined ? rest : { ...rest, unit: given };
});

async function read(): Promise<void> {
  if (!scan.value || !wholePlan.value) return;
  busy.value = true;
  const result = await readScanInWorker(
    props.cornerKey,
    props.corner,
    scan.value.name,
    scan.value.bytes,
    wholePlan.value,
  );
  busy.value = false;
  problems.value = result.ok ? [] : result.problems;
  answer.value = result.ok ? result.value : null;
}

function accept(): void {
  const found = answer.value;
  if (!found) return;
  job.change((file) => {
    const corner = file.corners[props.cornerKey];
    if (!corner) return;
    const ids = found.obstacles.map(({ id }) => id);
    corner.obstacles = [...corner.obstacles.filter(({ id }) => !ids.includes(id)), ...structuredClone(found.obstacles)];
  });
  scan.value = null;
  answer.value = null;
}

/** The fitted tire as it stands on its hub. */
const tire = computed(() => {
  const made = attempt(() => prepareRotor(props.corner.fitted, 'fitted'));
  if (!made.ok) return null;
  const { section, centrePlaneMm } = made.value;
  const half = section.widthMm / 2;
  return { radiusMm: section.diameterMm / 2, innerMm: centrePlaneMm - half, outerMm: centrePlaneMm + half };
});
const worst = computed(() => Math.max(0, ...(answer.value?.residuals ?? []).map(({ mm }) => mm)));
</script>

<template>
  <div class="stack" data-testid="scan-panel">
    <p class="muted">
      PLY, OBJ, STL or XYZ. A plan (JSON) names three or more targets in the scan and at the corner, and boxes that cut
      the scan into parts.
    </p>
    <label class="row"
      >Scan <input type="file" accept=".ply,.obj,.stl,.xyz,.txt" data-testid="scan-file" @change="takeScan"
    /></label>
    <label class="row"
      >Plan <input type="file" accept=".json,application/json" data-testid="scan-plan" @change="takePlan"
    /></label>
    <v-btn variant="outlined" height="48" :loading="busy" @click="fromScanner">From the scanner</v-btn>
    <p v-if="scan || plan" class="small">
      {{ scan ? scan.name : 'no scan yet' }} · {{ plan ? plan.name : 'no plan yet' }}
    </p>
    <v-select v-model="unit" :items="UNITS" label="Unit of the scan" />
    <div v-if="problems.length" class="verdict-rubs" role="alert" data-testid="scan-problems">
      <div v-for="p in problems.slice(0, 5)" :key="p.path + p.code">{{ problemText(p) }}</div>
    </div>
    <v-btn color="primary" height="48" :disabled="!scan || !plan" :loading="busy" @click="read">Read the scan</v-btn>
    <div v-if="answer" class="stack" data-testid="scan-answer">
      <p>
        Understood: {{ answer.understood.points }} points,
        {{ answer.understood.size.map((v) => Number(v.toPrecision(3))).join(' × ') }} {{ answer.unit }} over all, the
        first at {{ answer.understood.first.map((v) => Number(v.toPrecision(4))).join(', ') }}.
      </p>
      <ScanPreview v-if="tire" :parts="answer.obstacles" :tire="tire" />
      <p>
        Read in {{ answer.unit }}; targets agree within {{ formatMm(worst) }} mm. Parts:
        <span v-for="o in answer.obstacles" :key="o.id"
          >{{ o.label ?? o.id }} ({{ o.shape?.points.length }} points) </span
        >; {{ answer.leftOver }} points belong to none.
      </p>
      <v-btn color="primary" height="48" @click="accept">Take these as parts</v-btn>
    </div>
  </div>
</template>
