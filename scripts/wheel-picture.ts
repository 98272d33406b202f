/** Pictures of a wheel in its well as a camera would take them, drawn: for the browser tests and the demo. Invented vehicles. */
import { createCanvas, type SKRSContext2D } from '@napi-rs/canvas';
import { place, unplace } from '@/core/1-base/geometry/pose';
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { rimSeen, tireSeen } from '@/core/3-survey/photo/outlines';
import { seenAt, type Camera } from '@/core/3-survey/photo/camera';
import { readingScene, surveyScene } from '@/core/3-survey/landing/survey-scene';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { HeldAt } from '@/core/3-survey/reading/reading';
import type { PhotoPlace } from '@/core/3-survey/description/wheel-photo';

interface Look {
  readonly key: CornerKey;
  /** True, with shapes. */
  readonly corner: CornerDescription;
  readonly camera: Camera;
  readonly held: HeldAt;
  /** Pixels by which everything is smeared. */
  readonly blurPx?: number;
}

const BODY = '#7d8f86';
const DARK = '#1d2022';
const RUBBER = '#33383a';
const METAL = '#c9ced0';

/** mm of ground under the hub, and of body round the well. */
const GROUND_MM = 395;
const BODY_TO = { ahead: 1100, behind: -1100, up: 700, down: -330 } as const;

/** A JPEG of the wheel with its arch, corner and upright edge, a plumb string behind the wheel, and the ground. */
export function wheelPicture({ key, corner, camera, held, blurPx = 0 }: Look): Buffer {
  const { widthPx, heightPx } = camera;
  const canvas = createCanvas(widthPx, heightPx);
  const ctx = canvas.getContext('2d');
  if (blurPx > 0) ctx.filter = `blur(${blurPx}px)`;
  const scene = surveyScene(key, corner);
  const { scene: posed, mountPose } = readingScene(held, 'body', scene, '');
  const seen = (at: Vec3): readonly [number, number] => seenAt(camera, unplace(posed.wheelPose, at)) ?? [0, 0];
  const onBody = (at: Vec3): readonly [number, number] => seen(place(mountPose, at));

  ctx.fillStyle = '#aab6bd';
  ctx.fillRect(0, 0, widthPx, heightPx);
  const ground = [
    [-3000, 900],
    [3000, 900],
    [3000, -900],
    [-3000, -900],
  ].map(([x, y]) => seen([x!, y!, -GROUND_MM]));
  fill(ctx, ground, '#8b857a');

  const lip = shapeOf(corner, 'fender-lip');
  const [first, last] = [lip[0]!, lip.at(-1)!];
  const y = (first[1] + last[1]) / 2;
  const body = [
    ...lip.map(onBody),
    onBody([last[0], y, BODY_TO.down]),
    onBody([BODY_TO.ahead, y, BODY_TO.down]),
    onBody([BODY_TO.ahead, y, BODY_TO.up]),
    onBody([BODY_TO.behind, y, BODY_TO.up]),
    onBody([BODY_TO.behind, y, BODY_TO.down]),
    onBody([first[0], y, BODY_TO.down]),
  ];
  // The well's dark first, the body round it, then what stands before it.
  fill(ctx, lip.map(onBody).concat([onBody([last[0], y, BODY_TO.down]), onBody([first[0], y, BODY_TO.down])]), DARK);
  fill(ctx, body, BODY);
  stroke(ctx, lip.map(onBody), '#e8ece9', 3);
  for (const [id, color] of [
    ['bumper-corner', '#55605b'],
    ['pinch-weld', '#9aa8a0'],
  ] as const) {
    const places = shapeOf(corner, id);
    const out = places.map(([px, py, pz]): Vec3 => [px + Math.sign(px) * 130, py, pz]);
    fill(ctx, [...places.map(onBody), ...out.reverse().map(onBody)], color);
    stroke(ctx, places.map(onBody), '#e8ece9', 3);
  }
  const inPixels = ({ x, y: v }: PhotoPlace): readonly [number, number] => [x * widthPx, v * heightPx];
  fill(ctx, tireSeen(camera, scene.rotor).map(inPixels), RUBBER);
  fill(ctx, rimSeen({}, camera, scene.rotor).map(inPixels), METAL);
  for (let spoke = 0; spoke < 6; spoke++) {
    const turn = (spoke * Math.PI) / 3;
    const onFace = (r: number, by: number): readonly [number, number] =>
      seenAt(camera, [r * Math.sin(turn + by), camera.about[1] - 25, r * Math.cos(turn + by)])!;
    fill(ctx, [onFace(80, 0.5), onFace(195, 0.34), onFace(195, -0.34), onFace(80, -0.5)], '#4a5153');
  }
  const hub = seenAt(camera, [0, camera.about[1] - 40, 0])!;
  ctx.beginPath();
  ctx.arc(hub[0], hub[1], 0.02 * widthPx, 0, 2 * Math.PI);
  ctx.fillStyle = '#2b3032';
  ctx.fill();
  return canvas.toBuffer('image/jpeg', 90);
}

const shapeOf = (corner: CornerDescription, id: string): readonly Vec3[] =>
  corner.obstacles.find((o) => o.id === id)?.shape?.points ?? [];

function path(ctx: SKRSContext2D, places: readonly (readonly [number, number])[]): void {
  ctx.beginPath();
  places.forEach(([x, y], i) => (i === 0 ? ctx.moveTo(x, y) : ctx.lineTo(x, y)));
}
function fill(ctx: SKRSContext2D, places: readonly (readonly [number, number])[], color: string): void {
  path(ctx, places);
  ctx.closePath();
  ctx.fillStyle = color;
  ctx.fill('evenodd');
}
function stroke(
  ctx: SKRSContext2D,
  places: readonly (readonly [number, number])[],
  color: string,
  width: number,
): void {
  path(ctx, places);
  ctx.strokeStyle = color;
  ctx.lineWidth = width;
  ctx.stroke();
}
