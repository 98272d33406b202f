<script setup lang="ts">
import { computed, ref } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
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
import HeightsDrawing from './HeightsDrawing.vue';

/** Heights of all four corners at the vehicle's own dimension lines, as they are read walking once round it, and what they say together. */
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

/** Rear at the left, front at the right, as the vehicle is drawn. */
const AXLES = [
  { axle: 'rear', keys: ['rearLeft', 'rearRight'] },
  { axle: 'front', keys: ['frontLeft', 'frontRight'] },
] as const;

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
    <div class="round">
      <HeightsDrawing class="picture" :kind="job.document?.vehicle.kind ?? 'pickup'" />
      <div v-for="{ axle, keys } in AXLES" :key="axle" :class="axle" class="axle">
        <div v-for="key in keys" :key="key" class="stack close">
          <h3>
            {{ CORNER_NAMES[key] }}
            <span v-if="corners[key]?.mirroredFrom" class="mirrored" :data-testid="`mirrored-${key}`"
              >mirrored, not measured</span
            >
          </h3>
          <QuantityField
            v-for="row in ROWS"
            :key="row.field"
            optional
            :label="`${CORNER_NAMES[key]}: ${row.label}`"
            :value="corners[key]?.[row.field]"
            :typed="corners[key]?.typed?.[row.field]"
            :range="row.range"
            measured
            :doubt="(mm) => doubtOf(key, row.field, mm)"
            @change="(value, typed) => write(key, row.field, value, typed)"
          />
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
          <p v-if="heights.radius[key]" class="figures small" :data-testid="`radius-${key}`">
            stands {{ formatMm(heights.radius[key]!.loadedMm) }} mm of {{ formatMm(heights.radius[key]!.freeMm, 0) }},
            <span :class="heights.radius[key]!.verdict === 'agrees' ? 'verdict-clear' : 'verdict-rubs'">{{
              RADIUS_WORDS[heights.radius[key]!.verdict]
            }}</span>
          </p>
        </div>
      </div>
      <dl class="together figures facts">
        <div>
          <dt>Rake, rear over front</dt>
          <dd data-testid="rake">
            {{ heights.rakeMm === null ? 'front and rear lips give it' : `${signedMm(heights.rakeMm)} mm` }}
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
    </div>
    <p class="muted">
      Level ground, wheels straight, tires at pressure, rolled and bounced first. Hub to lip does not depend on the
      tire; ground to lip does, and the two check each other.
    </p>
  </section>
</template>

<style scoped>
.round {
  display: grid;
  grid-template-columns: minmax(0, 352px) minmax(0, 1fr) minmax(0, 352px);
  grid-template-areas: 'rear picture front' 'rear together front';
  grid-template-rows: auto 1fr;
  gap: 6px 14px;
}
.picture {
  grid-area: picture;
}
.rear {
  grid-area: rear;
}
.front {
  grid-area: front;
}
.together {
  grid-area: together;
  justify-content: center;
  text-align: center;
}
.axle {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
@media (max-width: 1100px) {
  .round {
    grid-template-columns: 1fr 1fr;
    grid-template-areas: 'picture picture' 'rear front' 'together together';
    grid-template-rows: none;
  }
  .picture {
    max-width: 520px;
    justify-self: center;
    width: 100%;
  }
}
@media (max-width: 760px) {
  .round {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'front' 'rear' 'together' 'picture';
  }
}
h3 {
  font-size: 15px;
  line-height: 20px;
}
.mirrored {
  font-size: 14px;
  font-weight: 500;
  color: var(--close);
}
</style>
