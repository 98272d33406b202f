<script setup lang="ts">
import {
  AmbientLight,
  Color,
  DirectionalLight,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
  type Object3D,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useTheme } from 'vuetify';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { surveyMotion } from '@/core/2-vehicle/setup/motion-under';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { prepareRotor } from '@/core/2-vehicle/setup/rotor';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import type { Looked } from '@/core/4-clearance/pictures/touch-section';
import { formatMm } from '@/core/1-base/units/length';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { VERDICTS } from '@/core/4-clearance/case/standard';
import VerdictMark from '../kit/VerdictMark.vue';
import { fittedGap } from '../drawing/part-solids';
import { moveTo, obstacleObject, rotorObject, sweptMesh } from './well-meshes';

/** The wheel well in space: turn it by pointer or arrow keys, press a thing to pick it. */
const props = defineProps<{
  prepared: PreparedCorner;
  corner: CornerDescription;
  looked: Looked;
  verdicts: readonly ObstacleVerdict[];
  swept: SweptShape | null;
  labelOf: (id: string) => string;
}>();
const emit = defineEmits<{ pick: [id: string]; absent: [] }>();

const host = ref<HTMLElement>();
const theme = useTheme();

let renderer: WebGLRenderer | null = null;
let controls: OrbitControls | null = null;
let observer: ResizeObserver | null = null;
let frame = 0;
const scene = new Scene();
const camera = new PerspectiveCamera(34, 1, 20, 9000);
camera.up.set(0, 0, 1);
/** Mirrors a right-hand corner, whose y is outboard too. */
const well = new Group();
scene.add(well);
let tried: Group | null = null;
let things: { object: Group; mount: PreparedCorner['obstacles'][number]['mount'] }[] = [];
let marker: Mesh | null = null;

const colour = (name: string): Color => new Color(theme.current.value.colors[name] as string);
const verdictOf = (id: string): ObstacleVerdict['verdict'] =>
  props.verdicts.find((one) => one.corner === props.prepared.key && one.id === id)?.verdict ?? 'notKnown';
const verdictColour = (id: string): Color => {
  const verdict = verdictOf(id);
  return colour(verdict === 'notKnown' ? 'muted' : verdict);
};

function draw(): void {
  if (frame) return;
  frame = requestAnimationFrame(() => {
    frame = 0;
    renderer?.render(scene, camera);
    name();
  });
}

/** Where the picked place is on the screen, for its name. */
const named = ref<{ readonly x: number; readonly y: number; readonly width: number } | null>(null);
function name(): void {
  const { met } = props.looked;
  if (!met || !host.value) return void (named.value = null);
  const at = well.localToWorld(new Vector3(...met.at)).project(camera);
  const { clientWidth, clientHeight } = host.value;
  named.value = { x: ((at.x + 1) / 2) * clientWidth, y: ((1 - at.y) / 2) * clientHeight, width: clientWidth };
}
const LABEL_Y = 34;
const labelX = computed(() => (named.value ? Math.min(named.value.width - 110, Math.max(110, named.value.x)) : 0));

function dispose(object: Object3D): void {
  object.traverse((child) => {
    if (!(child instanceof Mesh)) return;
    child.geometry.dispose();
    (child.material as MeshLambertMaterial).dispose();
  });
}

/** Everything that a setup or a survey changes. */
function build(): void {
  dispose(well);
  well.clear();
  scene.background = colour('surface');
  well.scale.y = props.prepared.side === 'left' ? 1 : -1;
  const { key, rotor, motion, obstacles } = props.prepared;
  const solid = (name: string, light: number): MeshLambertMaterial =>
    new MeshLambertMaterial({ color: colour(name).lerp(new Color('#ffffff'), light), side: DoubleSide });
  tried = rotorObject(rotor, solid('rubber', 0.14), solid('metal', 0.3));
  const veil = new MeshLambertMaterial({ color: colour('ghost'), transparent: true, opacity: 0.25, depthWrite: false });
  const ghost = rotorObject(prepareRotor(props.corner.fitted, 'fitted'), veil, veil);
  moveTo(ghost, surveyMotion(key, props.corner).wheelPose({ travel: 0, steer: 0 }));
  well.add(tried, ghost);
  const gap = fittedGap(key, props.corner);
  things = obstacles.map((obstacle) => {
    const survey = motion.mountPose(obstacle.mount, { travel: 0, steer: 0 });
    const object = obstacleObject(obstacle, verdictColour(obstacle.id), survey, gap);
    well.add(object);
    return { object, mount: obstacle.mount };
  });
  if (props.swept) well.add(sweptMesh(props.swept, colour('primary')));
  marker = new Mesh(
    new SphereGeometry(11, 16, 12),
    new MeshBasicMaterial({ color: colour('rubs'), depthTest: false, transparent: true }),
  );
  marker.renderOrder = 10;
  well.add(marker);
  pose();
}

function pose(): void {
  const { motion } = props.prepared;
  const { posture, met } = props.looked;
  if (tried) moveTo(tried, motion.wheelPose(posture));
  for (const { object, mount } of things) moveTo(object, motion.mountPose(mount, posture));
  if (marker) {
    marker.visible = met !== null;
    if (met) marker.position.set(...met.at);
  }
  draw();
}

function press(event: PointerEvent): void {
  const box = host.value!.getBoundingClientRect();
  const at = new Vector2(
    ((event.clientX - box.left) / box.width) * 2 - 1,
    1 - ((event.clientY - box.top) / box.height) * 2,
  );
  const ray = new Raycaster();
  ray.setFromCamera(at, camera);
  for (const hit of ray.intersectObjects(
    things.map(({ object }) => object),
    true,
  )) {
    const id = hit.object.userData['obstacle'] as string | undefined;
    if (id) {
      emit('pick', id);
      return;
    }
  }
}

const shown = computed(() =>
  VERDICTS.filter((one) => props.prepared.obstacles.some(({ id }) => verdictOf(id) === one)),
);

let pressed: { x: number; y: number } | null = null;
const down = (event: PointerEvent): void => void (pressed = { x: event.clientX, y: event.clientY });
function up(event: PointerEvent): void {
  // A drag turns the view; a press picks.
  if (pressed && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 5) press(event);
  pressed = null;
}

const TURN = 0.12;
function turn(event: KeyboardEvent): void {
  const way = { ArrowLeft: [-TURN, 0], ArrowRight: [TURN, 0], ArrowUp: [0, -TURN], ArrowDown: [0, TURN] }[event.key];
  if (!way || !controls) return;
  event.preventDefault();
  const offset = camera.position.clone().sub(controls.target);
  offset.applyAxisAngle(new Vector3(0, 0, 1), way[0]!);
  const side = new Vector3(0, 0, 1).cross(offset).normalize();
  const tilted = offset.clone().applyAxisAngle(side, way[1]!);
  // Not over the poles.
  if (Math.abs(tilted.clone().normalize().z) < 0.97) offset.copy(tilted);
  camera.position.copy(controls.target).add(offset);
  controls.update();
  draw();
}

onMounted(() => {
  try {
    renderer = new WebGLRenderer({ antialias: true });
  } catch {
    emit('absent');
    return;
  }
  const element = host.value!;
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  element.append(renderer.domElement);
  scene.add(new AmbientLight('#ffffff', 2));
  const lamp = new DirectionalLight('#ffffff', 2.2);
  lamp.position.set(800, 1500, 1600);
  scene.add(lamp);
  const hand = props.prepared.side === 'left' ? 1 : -1;
  camera.position.set(1150, hand * 1500, 620);
  controls = new OrbitControls(camera, renderer.domElement);
  controls.target.set(0, 0, 0);
  controls.addEventListener('change', draw);
  observer = new ResizeObserver(() => {
    const { clientWidth, clientHeight } = element;
    renderer?.setSize(clientWidth, clientHeight, false);
    camera.aspect = clientWidth / Math.max(1, clientHeight);
    camera.updateProjectionMatrix();
    draw();
  });
  observer.observe(element);
  controls.update();
  build();
});

watch(() => [props.prepared, props.swept, props.corner, props.verdicts, theme.current.value] as const, build);
watch(() => props.looked, pose);

onBeforeUnmount(() => {
  cancelAnimationFrame(frame);
  observer?.disconnect();
  controls?.dispose();
  dispose(well);
  renderer?.dispose();
});
</script>

<template>
  <figure class="drawing">
    <figcaption>
      <span>In space</span>
      <span class="muted">drag or arrow keys turn it, a press picks</span>
    </figcaption>
    <div
      ref="host"
      class="host"
      tabindex="0"
      role="application"
      :aria-label="`The wheel well in space. ${looked.met ? `${labelOf(looked.met.id)}, gap ${formatMm(looked.met.gapMm)} mm.` : ''} Arrow keys turn the view.`"
      data-testid="scene-3d"
      @pointerdown="down"
      @pointerup="up"
      @keydown="turn"
    >
      <svg
        v-if="named && looked.met"
        class="name halo"
        aria-hidden="true"
        :class="`verdict-${verdictOf(looked.met.id)}`"
      >
        <path :d="`M${named.x} ${named.y}L${labelX} ${LABEL_Y + 8}`" />
        <text :x="labelX" :y="LABEL_Y" text-anchor="middle">
          {{ labelOf(looked.met.id) }} {{ formatMm(looked.met.gapMm) }} mm
        </text>
      </svg>
    </div>
    <ul class="shown">
      <li v-for="one in shown" :key="one"><VerdictMark :verdict="one" :size="18" /></li>
    </ul>
    <p class="note muted">
      Solid: the tire tried; ghost: the one fitted; veil: all that the tried one sweeps, to a few mm. Balls are the
      measured places; what stands behind them is drawn by its kind, not measured.
    </p>
  </figure>
</template>

<style scoped>
.host {
  position: relative;
  width: 100%;
  aspect-ratio: 5 / 4;
  border: 1px solid var(--rule);
}
.host :deep(canvas) {
  width: 100%;
  height: 100%;
  display: block;
}
.shown > li {
  white-space: nowrap;
}
.shown {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin-top: 4px;
}
.name {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.name path {
  stroke: currentColor;
  stroke-width: 2;
}
.name text {
  font-family: var(--figures);
  font-size: 17px;
  font-weight: 600;
  fill: currentColor;
}
.note {
  font-size: 14px;
  line-height: 19px;
}
</style>
