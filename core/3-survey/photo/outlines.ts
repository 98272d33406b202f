import { flatten } from '../../1-base/geometry/outline';
import { place, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { POLYGON_SAG_MM } from '../../1-base/tolerances';
import type { Rotor } from '../../2-vehicle/setup/rotor';
import type { PhotoPlace, WheelPhoto } from '../description/wheel-photo';
import { seenAt, type Camera, type Pixel } from './camera';
import { rimEdgeRadiusMm } from './photo-camera';

const shareOf = ({ widthPx, heightPx }: Camera, [x, y]: Pixel): PhotoPlace => ({ x: x / widthPx, y: y / heightPx });

/** Directions round the wheel that an outline is drawn by. */
const AROUND = Array.from({ length: 72 }, (_, k) => (k * Math.PI) / 36);

/** The rim's edge as the camera sees it, closed. */
export function rimSeen(photo: Pick<WheelPhoto, 'rimEdgeMm'>, camera: Camera, rotor: Rotor): PhotoPlace[] {
  const radius = rimEdgeRadiusMm(photo, rotor);
  return AROUND.flatMap((turn) => {
    const seen = seenAt(camera, [radius * Math.sin(turn), camera.about[1], radius * Math.cos(turn)]);
    return seen ? [shareOf(camera, seen)] : [];
  });
}

/** The tire's outline as the camera sees it, closed: in every direction the place of its section that is seen furthest out. */
export function tireSeen(camera: Camera, { section, centrePlaneMm }: Rotor): PhotoPlace[] {
  const middle = seenAt(camera, camera.about);
  if (!middle) return [];
  const across = flatten(section.outline, POLYGON_SAG_MM).filter(({ r }) => r > section.widestRadiusMm);
  return AROUND.flatMap((turn) => {
    const seen = across.flatMap(({ a, r }): Pixel[] => {
      const pixel = seenAt(camera, [r * Math.sin(turn), centrePlaneMm + a, r * Math.cos(turn)]);
      return pixel ? [pixel] : [];
    });
    const away = ([x, y]: Pixel): number => Math.hypot(x - middle[0], y - middle[1]);
    const [first] = seen;
    return first
      ? [
          shareOf(
            camera,
            seen.reduce((a, b) => (away(b) > away(a) ? b : a), first),
          ),
        ]
      : [];
  });
}

/** Places of a mount's frame as the camera sees them; those behind it are left out. */
export function placesSeen(camera: Camera, toWheel: Pose, places: readonly Vec3[]): PhotoPlace[] {
  return places.flatMap((at) => {
    const seen = seenAt(camera, place(toWheel, at));
    return seen ? [shareOf(camera, seen)] : [];
  });
}
