<script setup lang="ts">
import { computed, ref } from 'vue';
import { ALIGNMENT_STATES, axleToe, toeDegFromMm, toeMm } from '@/core/7-job/follow-up/alignment';
import { asCase } from '@/contracts/as-case';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { attempt, ProblemError, type Result } from '@/core/1-base/problem';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { formatMm, MM_PER_IN, parseLength } from '@/core/1-base/units/length';
import { inRange } from '../kit/read-lists';
import AlignmentPicture from '../kit/AlignmentPicture.vue';
import { ANGLES } from '../drawing/alignment-angles';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import { CORNER_NAMES, sideOf } from '../../core/2-vehicle/setup/corner-key';
import type { FollowUpState } from './use-follow-up';

/** Alignment before and after, toe as an angle or as a length at the tire. */
const props = defineProps<{ state: FollowUpState }>();
const job = useJobStore();
const STATE_WORDS = { before: 'Before', after: 'After' } as const;
const UNITS = { deg: 'Degrees', mm: 'Millimeters', in: 'Inches' } as const;
type ToeUnit = keyof typeof UNITS;
const units = useUnits();
/** A shop of inches says toe in inches at the tire. */
const unit = ref<ToeUnit>(units.unit === 'in' ? 'in' : 'deg');

const diameters = computed(
  () =>
    new Map(
      job.corners.flatMap((key) => {
        const found = attempt(() => {
          const { tire, wheel } = setupForCorner(asCase(job.document!), key);
          return tireSection(tire, wheel.widthIn).diameterMm;
        });
        return found.ok ? [[key, found.value] as const] : [];
      }),
    ),
);
const valueOf = (state: 'before' | 'after', key: CornerKey) => props.state.followUp.value.alignment[state]?.[key] ?? {};
function set(
  state: 'before' | 'after',
  key: CornerKey,
  field: 'camberDeg' | 'casterDeg' | 'toeDeg',
  value: number | undefined,
): void {
  props.state.change((own) => {
    const { [field]: _, ...others } = own.alignment[state]?.[key] ?? {};
    own.alignment[state] = {
      ...own.alignment[state],
      [key]: value === undefined ? others : { ...others, [field]: value },
    };
  }, `${state}${key}${field}`);
}
const DEGREES: Range = LIMITS.toeDeg;
const readToe =
  (key: CornerKey) =>
  (text: string): Result<number> =>
    attempt(() => {
      if (unit.value === 'deg') return inRange(Number(text.trim().replace(',', '.').replace('°', '')), DEGREES, text);
      const diameter = diameters.value.get(key);
      if (diameter === undefined) {
        throw new ProblemError({
          code: 'missing',
          path: '',
          expected: 'the tire’s diameter',
          found: 'no tire that can be',
        });
      }
      const negative = text.trim().startsWith('-');
      const { mm } = parseLength(text.trim().replace(/^[+-]/, ''), unit.value);
      return inRange(toeDegFromMm(negative ? -mm : mm, diameter), DEGREES, text);
    });
const writeToe =
  (key: CornerKey) =>
  (deg: number): string => {
    const diameter = diameters.value.get(key);
    if (unit.value === 'deg' || diameter === undefined) return formatMm(deg, 3);
    const mm = toeMm(deg, diameter);
    return unit.value === 'mm' ? formatMm(mm, 2) : formatMm(mm / MM_PER_IN, 3);
  };
/** What an axle's two wheels make together. */
const axles = computed(() =>
  (['front', 'rear'] as const).flatMap((axle) =>
    ALIGNMENT_STATES.flatMap((state) => {
      const [left, right] = [valueOf(state, `${axle}Left`).toeDeg, valueOf(state, `${axle}Right`).toeDeg];
      if (left === undefined || right === undefined) return [];
      const { totalDeg, crabDeg } = axleToe(left, right);
      const mm = diameters.value.get(`${axle}Left`);
      return [
        `${STATE_WORDS[state]}, ${axle}: total toe ${totalDeg.toFixed(2)}°${mm === undefined ? '' : ` (${formatMm(toeMm(totalDeg, mm))} mm, ${formatMm(toeMm(totalDeg, mm) / MM_PER_IN, 3)} in at the tire)`}, ${
          Math.abs(crabDeg) < 0.01
            ? 'shared evenly'
            : `pointing ${Math.abs(crabDeg).toFixed(2)}° to the ${crabDeg > 0 ? 'left' : 'right'}`
        }`,
      ];
    }),
  ),
);
</script>

<template>
  <section class="panel box" aria-label="Alignment">
    <h2 class="panel-title">Alignment, as the bench printed it</h2>
    <v-btn-toggle v-model="unit" mandatory aria-label="Unit of toe">
      <v-btn v-for="(title, value) in UNITS" :key="value" :value="value" height="48"
        >Toe in {{ title.toLowerCase() }}</v-btn
      >
    </v-btn-toggle>
    <article v-for="key in job.corners" :key="key" class="wheel" :aria-label="CORNER_NAMES[key]">
      <h3>{{ CORNER_NAMES[key] }}</h3>
      <div class="angles">
        <div v-for="(view, angle) in ANGLES" :key="angle" class="angle">
          <AlignmentPicture
            :angle="angle"
            :side="sideOf(key)"
            :was="valueOf('before', key)[`${angle}Deg`]"
            :is="valueOf('after', key)[`${angle}Deg`]"
          />
          <div class="stack close">
            <span class="small muted">{{ view.name }} {{ view.seen }}</span>
            <template v-for="s in ALIGNMENT_STATES" :key="s">
              <TypedField
                v-if="angle === 'toe'"
                :key="`${key}${unit}`"
                :label="`${view.name} ${s}, ${unit}`"
                :value="valueOf(s, key).toeDeg"
                :read="readToe(key)"
                :write="writeToe(key)"
                optional
                @change="(value) => set(s, key, 'toeDeg', value)"
              />
              <QuantityField
                v-else
                :label="`${view.name} ${s}`"
                quantity="degrees"
                :value="valueOf(s, key)[`${angle}Deg`]"
                :range="angle === 'camber' ? LIMITS.camberDeg : LIMITS.casterDeg"
                optional
                @change="(value) => set(s, key, `${angle}Deg`, value)"
              />
            </template>
          </div>
        </div>
      </div>
    </article>
    <p v-for="a in axles" :key="a" data-testid="toe-says">{{ a }}.</p>
    <p class="small muted">
      Toe of one wheel; as a length it is taken at the tire’s own diameter. Values are the vehicle maker’s to set. Pale:
      before. Drawn larger than they are: camber {{ ANGLES.camber.times }} times, caster {{ ANGLES.caster.times }}, toe
      {{ ANGLES.toe.times }}.
    </p>
  </section>
</template>

<style scoped>
.wheel {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.angles {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px;
}
.angle {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 8px;
  align-items: end;
}
@media (max-width: 900px) {
  .angles {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
