<script setup lang="ts">
import { line } from 'd3-shape';
import { computed, ref } from 'vue';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { KeepOutZone } from '@/core/4-clearance/pictures/keep-out';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { prepareRotor, solidDistance, type Rotor } from '@/core/2-vehicle/setup/rotor';
import { formatMm } from '@/core/1-base/units/length';
import { wheelSectionPolygon } from '@/core/2-vehicle/wheel/wheel-section';
import type { KeepOutDrawing, PlanePlace } from '../drawing/keep-out-drawing';
import { nearestOfStrands, placeNames, type NearestOfStrand } from '../drawing/strand-names';
import { sectionOutline, type TouchSection } from '@/core/4-clearance/pictures/touch-section';
import { dragFrom, placeIn } from '../kit/use-drag';
import { useWidth } from '../kit/use-width';
import { shortPosture } from '../words';
import { handlePlaces } from './handle-places';
import KeepOutLayer from './KeepOutLayer.vue';
import SectionHandles from './SectionHandles.vue';

/**
 * The clear section: everything the wheel can ever meet, over all steer and travel, in the plane of axle line and radius, and the
 * tried section laid in it. Drag it for offset, its handles for diameter and width. Outboard is to the right.
 */
const props = defineProps<{
  drawing: KeepOutDrawing | null;
  pending: boolean;
  prepared: PreparedCorner;
  /** The section to draw: the newest one, though the verdict on it may still be on the way. */
  rotor: Rotor;
  corner: CornerDescription;
  window: PlaneWindow;
  verdicts: readonly ObstacleVerdict[];
  picked: ObstacleVerdict | null;
  touch: TouchSection | null;
  /** Shows the wheel's inside instead: hollow, with what stands in it. */
  inside?: boolean;
}>();

const emit = defineEmits<{
  pick: [id: string];
  offset: [mm: number, gesture: string | null];
  diameter: [mm: number, gesture: string | null];
  width: [mm: number, gesture: string | null];
  /** The hand is on the section: the window must stay. */
  hold: [on: boolean];
}>();

const figure = ref<HTMLElement>();
/** What the picture is good to. */
const drawnToMm = computed(() => (props.pending ? 8 : 2));
const widthPx = useWidth(figure, 480);
const asTable = ref(false);

const box = computed(() => {
  const { fromAMm, fromRMm, stepMm, columns, rows } = props.window;
  return { x: fromAMm, y: -(fromRMm + rows * stepMm), width: columns * stepMm, height: rows * stepMm };
});
/** mm of one CSS pixel. */
const unit = computed(() => box.value.width / widthPx.value);

const path = line<PlanePlace>(
  ([a]) => a,
  ([, r]) => -r,
);
const closed = (places: readonly PlanePlace[]): string => `${path(places) ?? ''}Z`;

const rotor = computed(() => props.rotor);
const fitted = computed(() => prepareRotor(props.corner.fitted, 'fitted'));
const solid = computed(() => (props.inside ? rotor.value.hollow : rotor.value.filled));
const outline = computed(() => closed(sectionOutline(solid.value, rotor.value)));
const ghost = computed(() =>
  closed(sectionOutline(props.inside ? fitted.value.hollow : fitted.value.filled, fitted.value)),
);
const rim = computed(() => {
  const { section, rimWidthIn, offsetMm, centrePlaneMm, inside } = rotor.value;
  const wheel = wheelSectionPolygon({
    diameterIn: section.size.rimDiameterIn,
    widthIn: rimWidthIn,
    offsetMm,
    ...inside,
  });
  return closed(wheel.map(({ a, r }) => [a + centrePlaneMm, r] as const));
});

const isShown = ({ zone }: { readonly zone: KeepOutZone }): boolean => (zone === 'inside') === (props.inside === true);
const zones = computed(() => (props.drawing?.zones ?? []).filter(isShown));
const loaded = computed(() =>
  zones.value.some(({ zone }) => zone === 'ground') ? closed(sectionOutline(rotor.value.loaded, rotor.value)) : '',
);

const labelOf = (id: string): string => props.prepared.obstacles.find((o) => o.id === id)?.label ?? id;
const verdictOf = (id: string): string => props.verdicts.find((v) => v.id === id)?.verdict ?? '';

const mine = computed(() => (props.drawing?.strands ?? []).filter(isShown));
const nearest = computed(() => {
  const { filled, loaded: bulged, hollow, centrePlaneMm } = rotor.value;
  return nearestOfStrands(mine.value, ([a, r], { zone }) =>
    solidDistance(zone === 'inside' ? hollow : zone === 'ground' ? bulged : filled, a - centrePlaneMm, r),
  );
});
/** Drawn once; what changes with every tire is only their colour. */
const strandPaths = computed(() => mine.value.map((strand) => ({ id: strand.obstacle, d: path(strand.places) ?? '' })));
const strands = computed(() =>
  strandPaths.value.map(({ id, d }) => ({ id, d, verdict: verdictOf(id), picked: id === props.picked?.id })),
);
const ride = computed(() => props.prepared.envelope.limits.ride);
const goesWithWheel = (id: string): boolean => props.prepared.obstacles.find((o) => o.id === id)?.mount === 'knuckle';
const postureOf = (of: NearestOfStrand): string =>
  goesWithWheel(of.strand.obstacle) ? 'over all steer and travel' : shortPosture(of.steerDeg, of.travelMm, ride.value);
const nameOf = (of: NearestOfStrand): string => {
  const label = labelOf(of.strand.obstacle);
  const posture = postureOf(of);
  return label.length > posture.length ? label : posture;
};
/** CSS pixels at the left that the radii stand in: a name there would be read with them. */
const RADII_PX = 50;
const names = computed(() =>
  placeNames(
    nearest.value,
    nameOf,
    [rotor.value.centrePlaneMm, 0],
    {
      left: box.value.x + RADII_PX * unit.value,
      right: box.value.x + box.value.width - 4 * unit.value,
      top: box.value.y + 22 * unit.value,
      bottom: box.value.y + box.value.height - 26 * unit.value,
      lineHeight: 16 * unit.value,
      letter: 7.1 * unit.value,
      taken: props.inside ? [] : handlePlaces(rotor.value).map(([x, y]) => [x, y, 17 * unit.value] as const),
    },
    widthPx.value < 420 ? 5 : 9,
  ),
);

/** The whole section slides along the axle line: offset. */
function slide(event: PointerEvent): void {
  if (event.button !== 0) return;
  const start = { offset: rotor.value.offsetMm, x: placeIn(event)?.x ?? 0 };
  emit('hold', true);
  dragFrom(
    event,
    ({ x }, gesture) => emit('offset', Math.round(start.offset - (x - start.x)), gesture),
    () => emit('hold', false),
  );
}

const touchesHere = computed(
  () => props.prepared.obstacles.find(({ id }) => id === props.picked?.id)?.insideWheel === (props.inside === true),
);

const title = computed(() => {
  const { section, rimWidthIn, offsetMm } = rotor.value;
  const wheel = `${section.size.rimDiameterIn} x ${rimWidthIn} ${offsetMm >= 0 ? '+' : ''}${formatMm(offsetMm, 0)}`;
  return props.inside ? `Barrel of ${wheel}` : `${section.size.text} on ${wheel}`;
});

const summary = computed(() => {
  const first = props.picked;
  const what = `${rotor.value.section.size.text} at an effective offset of ${formatMm(-rotor.value.centrePlaneMm)} mm`;
  if (!first) return `${what}. Nothing that the wheel can meet has been surveyed here.`;
  const named = names.value.map(({ of }) => labelOf(of.strand.obstacle)).join(', ');
  return `${what}: ${first.label} has a gap of ${formatMm(first.gapMm)} mm, ${first.requiredMm} wanted. Around the white space: ${named || 'nothing near'}.`;
});
</script>

<template>
  <figure ref="figure" class="drawing section" :aria-busy="pending" data-testid="clear-section">
    <figcaption>
      <span>{{ title }}</span>
      <span class="muted">outboard →</span>
      <v-btn height="48" min-width="64" variant="text" @click="asTable = !asTable">{{
        asTable ? 'Drawing' : 'Table'
      }}</v-btn>
    </figcaption>
    <p class="visually-hidden" data-testid="section-summary">{{ summary }}</p>

    <div v-if="asTable" class="table-wrap">
      <table class="figures twin" data-testid="section-table">
        <thead>
          <tr>
            <th>What stands there</th>
            <th>From the section, mm</th>
            <th>Out along the axle, mm</th>
            <th>Radius, mm</th>
            <th>Met about</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(of, i) in nearest" :key="i">
            <td>{{ labelOf(of.strand.obstacle) }}{{ of.strand.zone === 'ground' ? ', near the ground' : '' }}</td>
            <td>{{ formatMm(of.gapMm, 0) }}</td>
            <td>{{ formatMm(of.place[0], 0) }}</td>
            <td>{{ formatMm(of.place[1], 0) }}</td>
            <td>{{ postureOf(of) }}</td>
          </tr>
        </tbody>
      </table>
    </div>

    <div v-else class="stage" :style="{ aspectRatio: `${box.width} / ${box.height}` }">
      <KeepOutLayer :zones="zones" :window="window" :unit="unit" :pending="pending" />
      <svg
        class="steady"
        :viewBox="`${box.x} ${box.y} ${box.width} ${box.height}`"
        :font-size="14 * unit"
        role="group"
        :aria-label="summary"
      >
        <path :d="ghost" class="fitted" />
        <path v-if="loaded" :d="loaded" class="loaded" />
        <path :d="outline" class="tried" :class="{ slides: !inside }" @pointerdown="slide" />
        <path v-if="!inside" :d="rim" class="rim" />

        <g v-for="(s, i) in strands" :key="i" class="strand" :class="[`verdict-${s.verdict}`, { picked: s.picked }]">
          <path :d="s.d" class="edge" />
          <path :d="s.d" class="reach" :stroke-width="16 * unit" @click="emit('pick', s.id)">
            <title>{{ labelOf(s.id) }}</title>
          </path>
        </g>

        <g v-if="touch && touchesHere" class="touch">
          <path :d="`M${touch.nearest[0]} ${-touch.nearest[1]}L${touch.obstacle[0]} ${-touch.obstacle[1]}`" />
          <circle
            :cx="touch.obstacle[0]"
            :cy="-touch.obstacle[1]"
            :r="5 * unit"
            :class="`verdict-${picked?.verdict}`"
          />
        </g>

        <g
          v-for="n in names"
          :key="n.of.strand.obstacle"
          class="name halo"
          :class="`verdict-${verdictOf(n.of.strand.obstacle)}`"
        >
          <path :d="`M${n.of.place[0]} ${-n.of.place[1]}L${n.x} ${n.y}`" class="leader" />
          <text
            :x="n.x"
            :y="n.y - 1 * unit"
            :text-anchor="n.anchor"
            class="label"
            @click="emit('pick', n.of.strand.obstacle)"
          >
            {{ labelOf(n.of.strand.obstacle) }}
          </text>
          <text :x="n.x" :y="n.y + 14 * unit" :text-anchor="n.anchor" class="posture">{{ postureOf(n.of) }}</text>
        </g>

        <SectionHandles
          v-if="!inside"
          :rotor="rotor"
          :unit="unit"
          @offset="(mm, g) => emit('offset', mm, g)"
          @diameter="(mm, g) => emit('diameter', mm, g)"
          @width="(mm, g) => emit('width', mm, g)"
          @hold="emit('hold', $event)"
        />
      </svg>
    </div>
    <p class="note muted">
      <template v-if="drawing && !zones.length">
        {{
          inside
            ? 'Nothing inside the wheel has been surveyed on this corner: the white says nothing yet.'
            : 'Nothing near the wheel has been surveyed on this corner: the white says nothing yet.'
        }}
      </template>
      <template v-else-if="inside"
        >Hatched: what stands inside, over all steer and travel, drawn to about {{ drawnToMm }} mm.</template
      >
      <template v-else>
        Hatched: what the wheel can meet over all steer and travel; dashed: the room wanted to it, both drawn to about
        {{ drawnToMm }} mm{{ pending ? ', finer in a moment' : '' }}. What fits the white clears all that was surveyed.
      </template>
      <template v-if="drawing && drawing.thinnedBy > 1">
        Of a scan every {{ drawing.thinnedBy }}th point is drawn.
      </template>
    </p>
  </figure>
</template>

<style scoped>
.stage {
  position: relative;
  width: 100%;
}
.stage > svg {
  position: absolute;
  inset: 0;
  height: 100%;
}
.section figcaption {
  align-items: center;
  gap: 12px;
}
.section figcaption > :first-child {
  flex: 1;
}
svg {
  touch-action: none;
  user-select: none;
}
text {
  font-family: var(--figures);
  fill: var(--ink);
}
.tried {
  fill: rgb(var(--v-theme-primary), 0.16);
  stroke: var(--accent);
  stroke-width: 2;
}
.tried.slides {
  cursor: ew-resize;
}
.rim {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1;
  pointer-events: none;
}
.fitted,
.loaded {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
  pointer-events: none;
}
.loaded {
  stroke: var(--accent);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
.strand .edge {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.5;
}
.strand.picked .edge {
  stroke-width: 5;
}
.strand .reach {
  fill: none;
  stroke: transparent;
  vector-effect: none;
  cursor: pointer;
}
.touch {
  pointer-events: none;
}
.touch path {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.touch circle {
  fill: currentColor;
}
.name .label {
  font-weight: 600;
  fill: currentColor;
  cursor: pointer;
}
.name .posture {
  fill: var(--muted);
  pointer-events: none;
}
.leader {
  stroke: currentColor;
  stroke-width: 1;
}
.note {
  font-size: 14px;
  line-height: 19px;
  margin-top: 4px;
}
</style>
