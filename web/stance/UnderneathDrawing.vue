<script setup lang="ts">
import { CORNER_KEYS, axleOf, sideOf, type Axle } from '@/core/2-vehicle/setup/corner-key';
import { placeId, type UnderPlace } from './under-places';

/** The vehicle without its body from above, front to the right; what hangs beneath is pressed where it is. */
defineProps<{
  places: readonly UnderPlace[];
  chosen: string;
  /** One tube between the wheels. */
  isBeam: (axle: Axle) => boolean;
}>();
const emit = defineEmits<{ choose: [place: UnderPlace] }>();

/** The drawing's own lengths. */
const BOX = { width: 1000, height: 300 };
const AXLE_X: Readonly<Record<Axle, number>> = { front: 740, rear: 260 };
const WHEEL_Y = { left: 84, right: 216 };

/** Where a part's key stands, in shares of the drawing. */
function at({ part, axle, corner }: UnderPlace): { readonly left: string; readonly top: string } {
  const ahead = axle === 'front' ? 1 : -1;
  const x = AXLE_X[axle];
  const places = {
    shock: [x, corner && sideOf(corner) === 'left' ? 26 : BOX.height - 26],
    joints: [x, BOX.height / 2],
    shafts: [x - 158 * ahead, BOX.height / 2],
    sway: [x + 165 * ahead, 98],
    dragLink: [x + 165 * ahead, 202],
  } as const;
  const [left, top] = places[part];
  return { left: `${(100 * left) / BOX.width}%`, top: `${(100 * top) / BOX.height}%` };
}
const wheels = CORNER_KEYS.map((key) => ({ key, x: AXLE_X[axleOf(key)], y: WHEEL_Y[sideOf(key)] }));
/** A coil on its shock, leaning in from the wheel. */
const coil = (y: number, inward: 1 | -1): string =>
  `M-12 ${y}${[1, 2, 3, 4, 5].map((i) => `l${i % 2 ? 24 : -24} ${5 * inward}`).join('')}`;
</script>

<template>
  <figure class="drawing beneath">
    <svg :viewBox="`0 0 ${BOX.width} ${BOX.height}`" preserveAspectRatio="none" aria-hidden="true">
      <path d="M90 112H910M90 188H910" class="rail" />
      <path d="M150 112V188M400 112V188M560 112V188M860 112V188" class="cross" />
      <path d="M320 150H470M530 150H640" class="shaft" />
      <rect x="462" y="134" width="76" height="32" rx="8" class="case" />
      <g v-for="(x, axle) in AXLE_X" :key="axle">
        <path v-if="isBeam(axle)" :d="`M${x} 84V216`" class="tube" />
        <template v-else>
          <path :d="`M${x} 84V216`" class="half" />
          <path :d="`M${x - 34} 116L${x} 92L${x + 34} 116M${x - 34} 184L${x} 208L${x + 34} 184`" class="arm" />
        </template>
        <circle :cx="x" cy="150" r="22" class="case" />
        <path
          :d="`M${x + (axle === 'front' ? 18 : -18)} 96L${x + (axle === 'front' ? 70 : -70)} 106V194L${x + (axle === 'front' ? 18 : -18)} 204`"
          class="sway"
        />
      </g>
      <g v-for="{ key, x, y } in wheels" :key="key">
        <rect :x="x - 58" :y="y - 19" width="116" height="38" rx="10" class="wheel" />
        <g :transform="`translate(${x - 30} 0)`">
          <path :d="coil(sideOf(key) === 'left' ? 104 : 196, sideOf(key) === 'left' ? 1 : -1)" class="coil" />
        </g>
      </g>
    </svg>
    <ul class="places">
      <li v-for="place in places" :key="placeId(place)" :style="at(place)">
        <button
          type="button"
          class="place"
          :class="place.state"
          :aria-pressed="chosen === placeId(place)"
          :data-testid="`under-${placeId(place)}`"
          @click="emit('choose', place)"
        >
          <strong>{{ place.name }}</strong>
          <span>{{ place.where }}: {{ place.says }}</span>
        </button>
      </li>
    </ul>
  </figure>
</template>

<style scoped>
.beneath {
  position: relative;
}
svg {
  height: 320px;
}
.rail {
  stroke: var(--rule);
  stroke-width: 12;
}
.cross {
  stroke: var(--rule);
  stroke-width: 7;
}
.shaft,
.tube,
.half {
  stroke: var(--ghost);
  stroke-width: 9;
}
.tube {
  stroke-width: 16;
}
.arm,
.sway,
.coil {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 6;
  stroke-linejoin: round;
}
.sway,
.coil {
  stroke: var(--field);
  stroke-width: 4;
}
.case {
  fill: var(--ghost);
}
.wheel {
  fill: var(--rubber);
}
.places > li {
  position: absolute;
  transform: translate(-50%, -50%);
}
.place:not(.v-btn) {
  min-height: 48px;
  width: 172px;
  display: grid;
  align-content: center;
  padding: 2px 8px;
  text-align: center;
  font-size: 14px;
  line-height: 18px;
  background: var(--paper);
  border: 1px solid var(--field);
  border-radius: 4px;
}
.place:not(.v-btn)[aria-pressed='true'] {
  border: 3px solid var(--accent);
}
.wanted span {
  color: var(--rubs);
  font-weight: 600;
}
.open span {
  color: var(--muted);
}
/* There is no room for keys on the drawing: they stand beneath it. */
@media (max-width: 1000px) {
  svg {
    height: 160px;
  }
  .places {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
    gap: 8px;
  }
  .places > li {
    position: static;
    transform: none;
  }
  .place:not(.v-btn) {
    width: 100%;
  }
}
</style>
