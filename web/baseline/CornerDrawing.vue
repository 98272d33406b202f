<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { toRadians } from '@/core/1-base/units/angle';
import { sideOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { prepareRotor } from '@/core/2-vehicle/setup/rotor';
import { wheelSectionPolygon } from '@/core/2-vehicle/wheel/wheel-section';
import { sectionOutline } from '@/core/4-clearance/pictures/touch-section';

/** One wheel on its hub face, from the front of the vehicle, to scale: where it stands, and as far up and down as it was measured to go. */
const props = defineProps<{ corner: LowgapCorner; cornerKey: CornerKey }>();

const BEYOND_MM = 300;
const MARGIN_MM = 40;

const rotor = computed(() => {
  const made = attempt(() => prepareRotor(props.corner.fitted, 'fitted'));
  return made.ok ? made.value : null;
});
/** Facing the vehicle, the outside of its right wheels is to the left. */
const sign = computed(() => (sideOf(props.cornerKey) === 'right' ? -1 : 1));
type Point = readonly [a: number, r: number];
const whole = (half: readonly Point[]): string => {
  const upper = half.map(([a, r]) => `${sign.value * a} ${-r}`);
  const lower = half.map(([a, r]) => `${sign.value * a} ${r}`).reverse();
  return `M${[...upper, ...lower].join('L')}Z`;
};
const tire = computed(() => (rotor.value ? whole(sectionOutline(rotor.value.filled, rotor.value)) : ''));
const wheel = computed(() => {
  const own = rotor.value;
  if (!own) return '';
  const { section, rimWidthIn, offsetMm, inside, centrePlaneMm } = own;
  const sizes = { diameterIn: section.size.rimDiameterIn, widthIn: rimWidthIn, offsetMm, ...inside };
  return whole(wheelSectionPolygon(sizes).map(({ a, r }) => [a + centrePlaneMm, r] as const));
});
const radius = computed(() => (rotor.value?.section.diameterMm ?? 760) / 2);
const half = computed(() => (rotor.value?.section.widthMm ?? 260) / 2);
const lipMm = computed(() => props.corner.hubToLipMm ?? null);
const travel = computed(() => props.corner.travel);
/** Heights at which something happens, up is less: named at a line of their own. */
const heights = computed(() =>
  [
    { name: 'full squash', mm: travel.value.bumpMm, strong: true },
    { name: 'first touch', mm: travel.value.firstTouchMm ?? null, strong: false },
    { name: 'hub as it stands', mm: 0, strong: true },
    { name: 'full droop', mm: -travel.value.droopMm, strong: true },
  ].filter((one): one is { name: string; mm: number; strong: boolean } => one.mm !== null),
);
const leanDeg = computed(() => sign.value * props.corner.staticCamberDeg);
const box = computed(() => {
  const top = Math.max(lipMm.value ?? 0, radius.value + travel.value.bumpMm) + MARGIN_MM;
  const low = radius.value + travel.value.droopMm + MARGIN_MM;
  const width = 2 * (half.value + BEYOND_MM);
  return { x: -width / 2 + sign.value * (rotor.value?.centrePlaneMm ?? 0), y: -top, width, height: top + low };
});
/** Inboard of the tire, where the heights are written. */
const inboardX = computed(() => sign.value * ((rotor.value?.centrePlaneMm ?? 0) - half.value - 50));
const axis = computed(() => {
  const { kingpinOffsetMm, inclinationDeg } = props.corner.steering ?? {};
  if (kingpinOffsetMm === undefined || inclinationDeg === undefined) return '';
  const reach = 0.8 * radius.value;
  const lean = Math.tan(toRadians(inclinationDeg)) * reach;
  const x = (out: number): number => sign.value * (-kingpinOffsetMm + out);
  return `M${x(lean)} ${reach}L${x(-lean)} ${-reach}`;
});
const lipX = computed(() => sign.value * ((rotor.value?.centrePlaneMm ?? 0) + half.value));
const anchor = computed(() => (sign.value > 0 ? 'end' : 'start'));
</script>

<template>
  <figure class="drawing">
    <svg
      :viewBox="`${box.x} ${box.y} ${box.width} ${box.height}`"
      role="img"
      :aria-label="`The wheel from the front: ${formatMm(travel.bumpMm, 0)} mm up to full squash, ${formatMm(travel.droopMm, 0)} mm down to full droop`"
    >
      <path :d="tire" class="reach" :transform="`translate(0 ${-travel.bumpMm})`" />
      <path :d="tire" class="reach" :transform="`translate(0 ${travel.droopMm})`" />
      <g :transform="`rotate(${leanDeg})`">
        <path :d="tire" class="tire" />
        <path :d="wheel" class="wheel" />
      </g>
      <path :d="`M0 ${-0.5 * radius}V${0.5 * radius}`" class="face" />
      <path v-if="axis" :d="axis" class="axis" />
      <g v-if="lipMm !== null">
        <path :d="`M${lipX - sign * 20} ${-lipMm}H${lipX + sign * 40}v-30`" class="lip" />
        <text class="halo" :x="lipX + sign * 52" :y="-lipMm + 8" :text-anchor="sign > 0 ? 'start' : 'end'">lip</text>
      </g>
      <g class="halo">
        <g v-for="{ name, mm, strong } in heights" :key="name">
          <path :d="`M0 ${-mm}H${inboardX - sign * 18}`" class="height" :class="{ strong }" />
          <text :x="inboardX - sign * 28" :y="-mm + 8" :text-anchor="anchor">
            {{ name }}
            <template v-if="mm !== 0">{{ formatMm(Math.abs(mm), 0) }}</template>
          </text>
        </g>
      </g>
    </svg>
    <figcaption class="small muted"><span>From the front. Line through the wheel: hub face.</span></figcaption>
  </figure>
</template>

<style scoped>
svg {
  max-height: 520px;
}
.tire {
  fill: var(--rubber);
}
.wheel {
  fill: var(--metal);
}
.reach {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 3;
}
.face {
  stroke: var(--paper);
  stroke-width: 4;
}
.axis {
  stroke: var(--accent);
  stroke-width: 7;
  stroke-linecap: round;
}
.lip {
  fill: none;
  stroke: var(--ink);
  stroke-width: 8;
}
.height {
  stroke: var(--field);
  stroke-width: 2.5;
}
.height.strong {
  stroke: var(--accent);
}
text {
  font-family: var(--text);
  font-size: 27px;
  font-weight: 500;
  fill: var(--ink);
}
</style>
