import type { Vec3 } from '@/core/1-base/geometry/vec3';

/** A closed surface of triangles, counter-clockwise seen from outside. Corner frame, mm. */
export interface ClosedMesh {
  readonly positions: Float64Array;
  readonly triangles: Uint32Array;
}

export const pointOf = ({ positions }: ClosedMesh, i: number): Vec3 => [
  positions[3 * i]!,
  positions[3 * i + 1]!,
  positions[3 * i + 2]!,
];
