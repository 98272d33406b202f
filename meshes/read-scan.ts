import type { BufferGeometry } from 'three';
import { OBJLoader } from 'three/addons/loaders/OBJLoader.js';
import { PLYLoader } from 'three/addons/loaders/PLYLoader.js';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';
import { Mesh, Points } from 'three';
import { ProblemError } from '@/core/1-base/problem';
import type { ScanPoints } from '@/core/3-survey/scan/scan-unit';

/** Bytes and points beyond which a scan has to be thinned before it is brought here. */
const MOST_BYTES = 300_000_000;
const MOST_POINTS = 3_000_000;

/**
 * Points of a scan from a PLY, OBJ, STL or XYZ file, in the file's own unit; faces are not needed.
 * @throws ProblemError naming the file: another kind, cut short, without points, too large, or with places that are no
 * numbers (how many, and the first).
 */
export function readScan(name: string, bytes: Uint8Array): ScanPoints {
  const kind = /\.(ply|obj|stl|xyz|txt|asc)$/i.exec(name)?.[1]?.toLowerCase();
  const refuse = (
    code: 'wrongFormat' | 'tooLarge' | 'missing' | 'outOfRange',
    expected: string,
    found: string,
  ): never => {
    throw new ProblemError({ code, path: name, expected, found });
  };
  if (!kind) return refuse('wrongFormat', 'a .ply, .obj, .stl or .xyz file', name);
  if (bytes.length > MOST_BYTES) return refuse('tooLarge', 'at most 300 MB', `${(bytes.length / 1e6).toFixed(0)} MB`);
  let points: ScanPoints;
  try {
    points = pointsOf(kind, name, bytes);
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    return refuse('wrongFormat', `a whole ${kind.toUpperCase()} file`, 'one that is cut short or of another kind');
  }
  const count = points.length / 3;
  if (count === 0) return refuse('missing', 'at least one point', 'none, or a file cut short');
  if (count > MOST_POINTS) return refuse('tooLarge', `at most ${MOST_POINTS} points`, `${count}`);
  const bad = points.reduce((sum, v) => sum + (Number.isFinite(v) ? 0 : 1), 0);
  if (bad > 0) {
    const first = Math.floor(points.findIndex((v) => !Number.isFinite(v)) / 3) + 1;
    return refuse('outOfRange', 'numbers', `${bad} that are none, the first in point ${first}`);
  }
  return points;
}

function pointsOf(kind: string, name: string, bytes: Uint8Array): ScanPoints {
  const buffer = bytes.slice().buffer;
  switch (kind) {
    case 'ply':
      return positionsOf(new PLYLoader().parse(buffer));
    case 'stl':
      return positionsOf(new STLLoader().parse(buffer));
    case 'obj': {
      const parts: ScanPoints[] = [];
      new OBJLoader().parse(new TextDecoder().decode(bytes)).traverse((object) => {
        if (object instanceof Mesh || object instanceof Points)
          parts.push(positionsOf(object.geometry as BufferGeometry));
      });
      const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
      let at = 0;
      for (const part of parts) {
        all.set(part, at);
        at += part.length;
      }
      return all;
    }
    default:
      return xyzPoints(name, new TextDecoder().decode(bytes));
  }
}

function positionsOf(geometry: BufferGeometry): ScanPoints {
  const position = geometry.getAttribute('position');
  if (!position) return new Float64Array(0);
  const points = new Float64Array(3 * position.count);
  for (let i = 0; i < position.count; i++) {
    points[3 * i] = position.getX(i);
    points[3 * i + 1] = position.getY(i);
    points[3 * i + 2] = position.getZ(i);
  }
  return points;
}

/** Lines of three or more numbers; empty lines and those that begin with # or // are passed over. */
function xyzPoints(name: string, text: string): ScanPoints {
  const found: number[] = [];
  text.split(/\r?\n/).forEach((line, i) => {
    const trimmed = line.trim();
    if (trimmed === '' || trimmed.startsWith('#') || trimmed.startsWith('//')) return;
    const numbers = trimmed.split(/[\s,;]+/).map(Number);
    if (numbers.length < 3) {
      throw new ProblemError({
        code: 'wrongFormat',
        path: `${name}:${i + 1}`,
        expected: 'three numbers: x y z',
        found: trimmed.slice(0, 40),
      });
    }
    found.push(numbers[0]!, numbers[1]!, numbers[2]!);
  });
  return Float64Array.from(found);
}
