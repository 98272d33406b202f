<script setup lang="ts">
import { computed } from 'vue';
import type { QuickLook, QuickSection } from '@/core/6-decisions/quick/quick-look';
import type { LengthUnit } from '@/core/1-base/units/length';
import { lengthWords } from './quick-words';

/** Both tires cut through the axle line, on one hub face, to scale: today's as a ghost, the wanted one whole. Outboard to the right. */
const props = defineProps<{ look: QuickLook; units: LengthUnit }>();

const MARGIN_MM = 74;
/** A dimension shorter than that is left to the words. */
const DRAWN_MM = 2;

const path = ({ outline }: QuickSection): string =>
  `M${outline
    .filter(({ r }) => r >= 0)
    .map(({ a, r }) => `${a.toFixed(1)} ${(-r).toFixed(1)}`)
    .join('L')}Z`;
const rim = ({ rimInnerMm, rimOuterMm, rimRadiusMm }: QuickSection): string =>
  `M${rimInnerMm} ${-rimRadiusMm}V${-rimRadiusMm + 26}H${rimOuterMm}V${-rimRadiusMm}`;
const disc = ({ rimOuterMm, rimInnerMm, rimRadiusMm }: QuickSection): string =>
  `M${Math.min(Math.max(0, rimInnerMm + 10), rimOuterMm - 10)} ${-rimRadiusMm + 26}L0 -90V0`;

const box = computed(() => {
  const { fitted, wanted } = props.look;
  const left = Math.min(fitted.innerMm, wanted.innerMm) - MARGIN_MM;
  const right = Math.max(fitted.outerMm, wanted.outerMm) + MARGIN_MM;
  const top = Math.max(fitted.radiusMm, wanted.radiusMm) + MARGIN_MM - 16;
  return { left, right, top, low: Math.min(fitted.rimRadiusMm, wanted.rimRadiusMm) - 130 };
});
interface Dimension {
  readonly from: number;
  readonly to: number;
  readonly mm: number;
}
const across = (from: number, to: number, mm: number): Dimension | null =>
  Math.abs(mm) < DRAWN_MM ? null : { from, to, mm };
const outer = computed(() => across(props.look.fitted.outerMm, props.look.wanted.outerMm, props.look.change.pokeMm));
const inner = computed(() => across(props.look.fitted.innerMm, props.look.wanted.innerMm, props.look.change.inboardMm));
const taller = computed(() =>
  across(
    props.look.fitted.radiusMm,
    props.look.wanted.radiusMm,
    props.look.wanted.radiusMm - props.look.fitted.radiusMm,
  ),
);
const at = computed(() => -Math.min(props.look.fitted.rimRadiusMm, props.look.wanted.rimRadiusMm) + 70);
const says = (mm: number): string => lengthWords(Math.abs(mm), props.units).replace(/ \(.*/, '');
</script>

<template>
  <figure class="drawing quick">
    <svg
      :viewBox="`${box.left} ${-box.top} ${box.right - box.left} ${box.top - box.low}`"
      role="img"
      aria-label="Both tires cut through the axle line, on one hub face; the numbers stand beside it"
    >
      <path :d="path(look.fitted)" class="was" />
      <path :d="rim(look.fitted)" class="was-rim" />
      <path :d="path(look.wanted)" class="wanted" />
      <path :d="rim(look.wanted)" class="wanted-rim" />
      <path :d="disc(look.wanted)" class="wanted-rim" />
      <path :d="`M0 ${-box.low}V${-box.top + 30}`" class="face" />
      <g class="halo">
        <text :x="box.left + 6" :y="-box.top + 22">inboard</text>
        <text :x="box.right - 6" :y="-box.top + 22" text-anchor="end">outboard</text>
        <text x="4" :y="-box.low - 8">hub face</text>
        <g v-if="outer" class="dimension">
          <path
            :d="`M${outer.from} ${at}V${at - 40}M${outer.to} ${at}V${at - 40}M${outer.from} ${at - 20}H${outer.to}`"
          />
          <text :x="Math.max(outer.from, outer.to) + 5" :y="at - 14">{{ says(outer.mm) }}</text>
        </g>
        <g v-if="inner" class="dimension">
          <path
            :d="`M${inner.from} ${at}V${at - 40}M${inner.to} ${at}V${at - 40}M${inner.from} ${at - 20}H${inner.to}`"
          />
          <text :x="Math.min(inner.from, inner.to) - 5" :y="at - 14" text-anchor="end">{{ says(inner.mm) }}</text>
        </g>
        <g v-if="taller" class="dimension">
          <path :d="`M-40 ${-taller.from}H40M-40 ${-taller.to}H40M0 ${-taller.from}V${-taller.to}`" />
          <text x="46" :y="-Math.max(taller.from, taller.to) - 6">{{ says(taller.mm) }} in radius</text>
        </g>
      </g>
    </svg>
    <figcaption><span>Dashed: now. Whole: wanted.</span></figcaption>
  </figure>
</template>

<style scoped>
.quick svg {
  max-height: 300px;
}
.was,
.was-rim {
  fill: none;
  stroke: var(--muted);
  stroke-width: 2.5;
  stroke-dasharray: 8 6;
}
.wanted {
  fill: rgb(var(--v-theme-primary), 0.14);
  stroke: var(--accent);
  stroke-width: 3.5;
}
.wanted-rim {
  fill: none;
  stroke: var(--accent);
  stroke-width: 5;
}
.face {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.dimension path {
  stroke: var(--ink);
  stroke-width: 2;
  fill: none;
}
text {
  font-family: var(--figures);
  font-size: 21px;
  font-weight: 500;
  fill: var(--ink);
}
.dimension text {
  font-weight: 600;
}
</style>
