<script setup lang="ts">
import { computed } from 'vue';
import { parseClock } from '@/core/1-base/units/clock';
import { sideOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { formatFraction, formatMm, type LengthUnit } from '@/core/1-base/units/length';
import WheelFace from '../kit/WheelFace.vue';
import { VERDICT_WORDS } from '../words';

/**
 * One wheel as somebody sees it who faces it from outside, with the places that matter at their clock and their room as a stroke from the
 * tire. Colors are written out, so that it is the same picture as a file.
 */
const props = defineProps<{
  cornerKey: CornerKey;
  parts: readonly ObstacleVerdict[];
  radiusMm: number;
  rimRadiusMm: number;
  units: LengthUnit;
  title: string;
  lines: readonly string[];
}>();

const INK = '#1a2327';
const COLORS = {
  clear: '#0f6b5a',
  close: '#8f5300',
  tooClose: '#b5340a',
  rubs: '#a3173a',
  notKnown: '#56616a',
} as const;
const WIDTH = 1080;
const CENTER = { x: WIDTH / 2, y: 520 };
const RADIUS = 250;
const WHEEL = { rubber: INK, metal: '#c9c4b6', shade: '#8a949b', hole: '#fdfcf9' } as const;

const rim = computed(() => RADIUS * Math.min(0.8, props.rimRadiusMm / props.radiusMm));
/** Facing a left wheel the front is to the left. */
const sign = computed(() => (sideOf(props.cornerKey) === 'left' ? -1 : 1));
const scale = computed(() => RADIUS / props.radiusMm);
const own = computed(() => props.parts.filter(({ corner }) => corner === props.cornerKey));

const marks = computed(() => {
  const placed = own.value.map((part) => {
    const angle = (parseClock(part.clock) * Math.PI) / 180;
    const [x, y] = [sign.value * Math.sin(angle), -Math.cos(angle)];
    const room = Math.max(14, Math.max(0, part.gapMm) * scale.value);
    const isRight = x >= 0;
    return { part, x, y, room, isRight, color: COLORS[part.verdict] };
  });
  // Names stand in two columns, from the top down, none on another.
  for (const side of [true, false]) {
    let free = 210;
    for (const mark of placed.filter(({ isRight }) => isRight === side).sort((a, b) => a.y - b.y)) {
      const wanted = CENTER.y + mark.y * (RADIUS + 60);
      Object.assign(mark, { labelY: Math.max(free, wanted) });
      free = Math.max(free, wanted) + 92;
    }
  }
  return placed as ((typeof placed)[number] & { readonly labelY: number })[];
});
const says = (mm: number): string =>
  mm < 0
    ? `${VERDICT_WORDS.rubs}, ${props.units === 'in' ? `${formatFraction(-mm)} in` : `${formatMm(-mm, 0)} mm`}`
    : props.units === 'in'
      ? `${formatFraction(mm)} in`
      : `${formatMm(mm, 0)} mm`;

const MOST_LETTERS = 74;
/** Lines of the text beneath, broken where a word ends. */
const broken = computed(() =>
  props.lines.flatMap((line) => {
    const rows: string[] = [''];
    for (const word of line.split(' ')) {
      const last = rows.length - 1;
      if (`${rows[last]} ${word}`.length > MOST_LETTERS && rows[last] !== '') rows.push(word);
      else rows[last] = rows[last] === '' ? word : `${rows[last]} ${word}`;
    }
    return rows;
  }),
);
const height = computed(() => 900 + 34 * broken.value.length + 30);
</script>

<template>
  <svg
    xmlns="http://www.w3.org/2000/svg"
    :viewBox="`0 0 ${WIDTH} ${height}`"
    :width="WIDTH"
    :height="height"
    role="img"
    :aria-label="`${title}. ${lines.join(' ')}`"
    font-family="Barlow, Arial, sans-serif"
    class="wheel-picture"
  >
    <rect :width="WIDTH" :height="height" fill="#fdfcf9" />
    <text x="54" y="74" font-size="38" font-weight="600" :fill="INK">{{ title }}</text>
    <text
      :x="sign > 0 ? WIDTH - 54 : 54"
      y="140"
      :text-anchor="sign > 0 ? 'end' : 'start'"
      font-size="34"
      font-weight="600"
      fill="#56616a"
    >
      front
    </text>
    <text
      :x="sign > 0 ? 54 : WIDTH - 54"
      y="140"
      :text-anchor="sign > 0 ? 'start' : 'end'"
      font-size="34"
      font-weight="600"
      fill="#56616a"
    >
      rear
    </text>
    <g :transform="`translate(${CENTER.x} ${CENTER.y})`">
      <WheelFace :rim-radius="rim" :tire-radius="RADIUS" :colors="WHEEL" />
      <g v-for="{ part, x, y, room, color } in marks" :key="part.id">
        <path
          :d="`M${x * RADIUS} ${y * RADIUS}L${x * (RADIUS + room)} ${y * (RADIUS + room)}`"
          :stroke="color"
          stroke-width="9"
        />
        <path
          :transform="`translate(${x * (RADIUS + room)} ${y * (RADIUS + room)}) rotate(${(Math.atan2(y, x) * 180) / Math.PI})`"
          d="M0 -34V34"
          :stroke="color"
          stroke-width="12"
          stroke-linecap="round"
        />
      </g>
    </g>
    <g v-for="{ part, x, y, room, isRight, color, labelY } in marks" :key="`t${part.id}`">
      <path
        :d="`M${CENTER.x + x * (RADIUS + room + 12)} ${CENTER.y + y * (RADIUS + room + 12)}L${isRight ? 850 : 230} ${labelY - 8}`"
        :stroke="color"
        stroke-width="2.5"
        fill="none"
      />
      <text
        :x="isRight ? WIDTH - 54 : 54"
        :y="labelY"
        :text-anchor="isRight ? 'end' : 'start'"
        font-size="30"
        font-weight="600"
        :fill="color"
        stroke="#fdfcf9"
        stroke-width="7"
        paint-order="stroke"
      >
        {{ part.label }}
      </text>
      <text
        :x="isRight ? WIDTH - 54 : 54"
        :y="labelY + 36"
        :text-anchor="isRight ? 'end' : 'start'"
        font-size="30"
        :fill="INK"
        stroke="#fdfcf9"
        stroke-width="7"
        paint-order="stroke"
      >
        {{ says(part.gapMm) }}
      </text>
    </g>
    <text v-for="(row, i) in broken" :key="i" x="54" :y="880 + 34 * i" font-size="27" :fill="INK">{{ row }}</text>
  </svg>
</template>

<style scoped>
.wheel-picture {
  width: 100%;
  height: auto;
  max-height: 560px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}
</style>
