import type { BufferGeometry } from 'three';
import { PLYLoader } from 'three/addons/loaders/PLYLoader.js';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';
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
  switch (kind) {
    case 'ply': {
      const points = positionsOf(new PLYLoader().parse(bytes.slice().buffer));
      requireCount(name, 'points, as its header says', announcedByPly(bytes), points.length / 3);
      return points;
    }
    case 'stl':
      return stlPoints(name, bytes);
    case 'obj':
      return objPoints(name, bytes);
    default:
      return xyzPoints(name, textOf(bytes));
  }
}

/** A file that holds less than it announces was cut short: what is missing would read as clear space. @throws ProblemError. */
function requireCount(name: string, what: string, announced: number | null, found: number): void {
  if (announced === null || announced === found) return;
  throw new ProblemError({
    code: 'wrongFormat',
    path: name,
    expected: `${announced} ${what}`,
    found: `${found}: cut short?`,
  });
}

const HEADER_BYTES = 20_000;

/** Vertices that a PLY header announces; null: it names none. */
function announcedByPly(bytes: Uint8Array): number | null {
  const header = textOf(bytes.subarray(0, HEADER_BYTES)).split('end_header')[0]!;
  const found = /element\s+vertex\s+(\d+)/.exec(header);
  return found ? Number(found[1]) : null;
}

const textOf = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

/** Bytes of a binary STL's head, and of each of its triangles. */
const STL_HEAD = 84;
const STL_TRIANGLE = 50;

function stlPoints(name: string, bytes: Uint8Array): ScanPoints {
  const isText = /^\s*solid\b/i.test(textOf(bytes.subarray(0, 80))) && /facet/i.test(textOf(bytes.subarray(0, 1000)));
  if (isText) {
    const text = textOf(bytes).toLowerCase();
    if (!/endsolid/.test(text)) {
      throw new ProblemError({
        code: 'wrongFormat',
        path: name,
        expected: 'a solid with its end',
        found: 'none: cut short?',
      });
    }
    const points = positionsOf(new STLLoader().parse(text));
    requireCount(name, 'corners of triangles', text.match(/\bvertex\b/g)?.length ?? 0, points.length / 3);
    return points;
  }
  if (bytes.length < STL_HEAD) return new Float64Array(0);
  const triangles = new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true);
  const whole = STL_HEAD + STL_TRIANGLE * triangles;
  requireCount(name, 'triangles', triangles, Math.min(triangles, Math.floor((bytes.length - STL_HEAD) / STL_TRIANGLE)));
  // Some programs write more bytes after the last triangle: they are none.
  return positionsOf(new STLLoader().parse(bytes.slice(0, whole).buffer));
}

/** Every vertex of an OBJ, used by a face or loose. */
function objPoints(name: string, bytes: Uint8Array): ScanPoints {
  const lines = textOf(bytes).split(/\r\n|\n|\r/);
  return Float64Array.from(
    lines.flatMap((line, i) => {
      if (!/^\s*v\s/.test(line)) return [];
      const numbers = line.trim().split(/\s+/).slice(1, 4).map(Number);
      if (numbers.length === 3 && numbers.every(Number.isFinite)) return numbers;
      throw notThree(name, i, line.trim());
    }),
  );
}

const notThree = (name: string, i: number, found: string): ProblemError =>
  new ProblemError({
    code: 'wrongFormat',
    path: `${name}:${i + 1}`,
    expected: 'three numbers: x y z',
    found: found.slice(0, 40),
  });

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

/**
 * Lines of three or more numbers, parted by spaces, tabs, semicolons or commas; decimal commas where spaces or semicolons part the numbers; a
 * first column that counts the points is left out, and so is one line of names above them. Empty lines and those that begin with # or //
 * are passed over.
 */
function xyzPoints(name: string, text: string): ScanPoints {
  const lines = text.split(/\r\n|\n|\r/).map((line, i) => ({ i, text: line.trim() }));
  const all = lines.filter(({ text }) => text !== '' && !text.startsWith('#') && !text.startsWith('//'));
  const [first, ...others] = all;
  if (!first) return new Float64Array(0);
  const told = numbersOf(first.text);
  const rows = told.length >= 3 && told.every(Number.isNaN) ? others : all;
  const read = rows.map(({ i, text }) => ({ i, text, numbers: numbersOf(text) }));
  const short = read.find(({ numbers }) => numbers.length < 3);
  if (short) throw notThree(name, short.i, short.text);
  const from = countsPoints(read.map(({ numbers }) => numbers)) ? 1 : 0;
  return Float64Array.from(read.flatMap(({ numbers }) => numbers.slice(from, from + 3)));
}

function numbersOf(line: string): number[] {
  const parts = line.split(/[\s;]+/).filter(Boolean);
  // `1,5 2,5 3,5`: commas within numbers that something else parts.
  if (parts.length >= 3 && parts.every((part) => /^[+-]?\d+(,\d+)?(e[+-]?\d+)?$/i.test(part))) {
    return parts.map((part) => Number(part.replace(',', '.')));
  }
  return line
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
}

/** Points by which a column is known to count them. */
const COUNTED = 3;

/** A column before the places that goes up by one from line to line. */
const countsPoints = (rows: readonly (readonly number[])[]): boolean =>
  rows.length >= COUNTED &&
  rows.every((row, i) => row.length >= 4 && Number.isInteger(row[0]) && row[0] === rows[0]![0]! + i);
