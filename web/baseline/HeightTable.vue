<script setup lang="ts">
import { computed, ref } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { fieldText } from '@/contracts/problems';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import type { RadiusCheck } from '@/core/2-vehicle/setup/loaded-radius';
import { stanceHeights } from '@/core/5-consequences/stance/heights';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { parsePressure, pressureIn, pressureWords } from '@/core/1-base/units/pressure';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import { bothUnits } from '../../core/1-base/units/length';
import { isHeightDoubted } from '@/core/3-survey/reading/doubt';
import { acrossFrom } from '../../core/2-vehicle/setup/corner-key';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { newCorner } from './blank-corner';

/** Heights of all four corners as they are read walking once round the vehicle, and what they say together. */
const job = useJobStore();
const units = useUnits();
const corners = computed(() => job.document?.corners ?? {});
const heights = computed(() => stanceHeights(corners.value));

const ROWS = [
  { field: 'hubToLipMm', label: 'hub to lip', title: 'Hub center to fender lip', range: LIMITS.hubToLipMm },
  { field: 'groundToLipMm', label: 'ground to lip', title: 'Ground to fender lip', range: LIMITS.groundToLipMm },
] as const;

function write(key: CornerKey, field: (typeof ROWS)[number]['field'], value: number | undefined, typed?: string): void {
  job.change((file) => {
    const corner: LowgapCorner = (file.corners[key] ??= newCorner(key, file.corners));
    if (value === undefined) delete corner[field];
    else corner[field] = value;
    const { [field]: _old, ...rest } = corner.typed ?? {};
    corner.typed = typed === undefined ? rest : { ...rest, [field]: typed };
  });
}

function doubtOf(key: CornerKey, field: (typeof ROWS)[number]['field'], mm: number): string {
  const other = corners.value[acrossFrom(key)]?.[field];
  return isHeightDoubted(mm, other)
    ? `The other side reads ${bothUnits(other!)}; ${bothUnits(mm)} is far from it.`
    : '';
}

const pressureRefusals = ref<Partial<Record<CornerKey, string>>>({});

function writePressure(key: CornerKey, text: string): void {
  const read = attempt(() => (text.trim() === '' ? null : parsePressure(text, units.pressure)));
  pressureRefusals.value = { ...pressureRefusals.value, [key]: read.ok ? '' : read.problems.map(fieldText).join(' ') };
  if (!read.ok) return;
  job.change((file) => {
    const corner = (file.corners[key] ??= newCorner(key, file.corners));
    const { tirePressureKpa: _old, ...rest } = corner.typed ?? {};
    if (read.value === null) delete corner.tirePressureKpa;
    else corner.tirePressureKpa = read.value;
    const kept = isBare(text.trim()) ? `${text.trim()} ${units.pressure}` : text.trim();
    corner.typed = read.value === null ? rest : { ...rest, tirePressureKpa: kept };
  });
}

const pressureText = (key: CornerKey): string => {
  const corner = corners.value[key];
  if (corner?.tirePressureKpa === undefined) return '';
  return corner.typed?.['tirePressureKpa'] ?? pressureIn(corner.tirePressureKpa, units.pressure);
};
const isBare = (text: string): boolean => /^[\d.,]+$/.test(text);

const RADIUS_WORDS: Readonly<Record<RadiusCheck['verdict'], string>> = {
  agrees: 'agrees with the tire',
  tooTall: 'more than this tire can stand: a height or the tire size is wrong',
  tooFlat: 'flatter than a tire at pressure stands: check pressure, heights and size',
};

const sides = (mm: number): string =>
  Math.abs(mm) < 0.5 ? 'level' : `${mm > 0 ? 'left' : 'right'} higher by ${bothUnits(Math.abs(mm))}`;
</script>

<template>
  <section class="panel leaf" aria-labelledby="heights-title">
    <h2 id="heights-title" class="panel-title">Heights, once round the vehicle</h2>
    <p class="muted">
      Level ground, wheels straight, tires at pressure, rolled and bounced first. Hub to lip does not depend on the
      tire; ground to lip does, and the two check each other.
    </p>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <td></td>
            <th v-for="key in CORNER_KEYS" :key="key" scope="col">
              {{ CORNER_NAMES[key] }}
              <span v-if="corners[key]?.mirroredFrom" class="mirrored" :data-testid="`mirrored-${key}`"
                >mirrored, not measured</span
              >
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in ROWS" :key="row.field">
            <th scope="row">{{ row.title }}</th>
            <td v-for="key in CORNER_KEYS" :key="key">
              <QuantityField
                optional
                :label="`${CORNER_NAMES[key]}: ${row.label}`"
                :value="corners[key]?.[row.field]"
                :typed="corners[key]?.typed?.[row.field]"
                :range="row.range"
                measured
                :doubt="(mm) => doubtOf(key, row.field, mm)"
                @change="(value, typed) => write(key, row.field, value, typed)"
              />
            </td>
          </tr>
          <tr>
            <th scope="row">Tire pressure</th>
            <td v-for="key in CORNER_KEYS" :key="key">
              <v-text-field
                :label="`${CORNER_NAMES[key]}: pressure`"
                :placeholder="units.pressure === 'psi' ? '35 or 240 kPa' : '240 or 35 psi'"
                :suffix="isBare(pressureText(key)) ? 'kPa' : undefined"
                :hint="
                  corners[key]?.tirePressureKpa === undefined
                    ? ''
                    : pressureWords(corners[key]!.tirePressureKpa!, units.pressure)
                "
                autocomplete="off"
                hide-details="auto"
                :error-messages="pressureRefusals[key] ? [pressureRefusals[key]!] : []"
                :model-value="pressureText(key)"
                @change="(event: Event) => writePressure(key, (event.target as HTMLInputElement).value)"
              />
            </td>
          </tr>
          <tr>
            <th scope="row">Loaded radius</th>
            <td v-for="key in CORNER_KEYS" :key="key" class="figures" :data-testid="`radius-${key}`">
              <template v-if="heights.radius[key]">
                <strong>{{ formatMm(heights.radius[key]!.loadedMm) }} mm</strong> of
                {{ formatMm(heights.radius[key]!.freeMm, 0) }} free
                <span :class="heights.radius[key]!.verdict === 'agrees' ? 'verdict-clear' : 'verdict-rubs'">{{
                  RADIUS_WORDS[heights.radius[key]!.verdict]
                }}</span>
              </template>
              <span v-else class="muted">both heights give it</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <dl class="together figures facts">
      <div>
        <dt>Rake, rear over front</dt>
        <dd data-testid="rake">
          {{ heights.rakeMm === null ? 'front and rear lip heights give it' : `${signedMm(heights.rakeMm)} mm` }}
        </dd>
      </div>
      <div>
        <dt>Lean at the front</dt>
        <dd>{{ heights.leanFrontMm === null ? 'both sides give it' : sides(heights.leanFrontMm) }}</dd>
      </div>
      <div>
        <dt>Lean at the rear</dt>
        <dd>{{ heights.leanRearMm === null ? 'both sides give it' : sides(heights.leanRearMm) }}</dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  min-width: 760px;
  border-collapse: collapse;
  table-layout: fixed;
}
th {
  text-align: left;
}
td {
  padding: 4px 6px 4px 0;
  vertical-align: top;
  font-size: 14px;
  line-height: 18px;
}
td :deep(.v-field-label) {
  font-size: 13px;
}
.mirrored {
  display: block;
  font-size: 13px;
  font-weight: 500;
  color: var(--close);
}
</style>
