import Module, { type ManifoldToplevel } from 'manifold-3d';
import { SweptDistance } from '@/core/4-clearance/pictures/swept-distance';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { ProblemError, requireRange } from '@/core/1-base/problem';
import { pointOf, type ClosedMesh } from './closed-mesh';

/** Sharpest outward bend of a tire's section: the shoulder, or a rim flange. mm. */
const SHARPEST_MM = 12;

/** mm by which the search may say that the swept space is smaller than it is. */
const SEARCH_MM = 0.1;

let loaded: Promise<ManifoldToplevel> | null = null;

async function meshLibrary(): Promise<ManifoldToplevel> {
  return (loaded ??= Module().then((library) => {
    library.setup();
    return library;
  }));
}

/** By how much a mesh stands outside the space that is swept, mm: over the places measured, on average and at most. */
export interface Outside {
  readonly meanMm: number;
  readonly mostMm: number;
}

/** A swept space as a mesh, and how much larger it was made than the true one. */
export interface SweptMesh extends ClosedMesh {
  readonly outside: Outside;
}

/** Corners of the mesh that are measured against the true space. */
const MEASURED = 600;

/**
 * The space that tire and wheel sweep as a closed, manifold mesh with sides of about `edgeMm`, made by marching
 * tetrahedra (manifold-3d) over the signed distance. A facet cuts inside a bend by up to edge^2 / 8 R, so the surface is
 * moved out by that much: it holds every wheel, and says by how much it is larger.
 * @throws ProblemError for sides that are too short to be done with, or too long to say anything.
 */
export async function sweptEnvelope(corner: PreparedCorner, edgeMm: number): Promise<SweptMesh> {
  requireRange(edgeMm, 8, 60, '--edge', 'mm');
  const { Manifold } = await meshLibrary();
  const swept = new SweptDistance(corner);
  const outMm = Math.min(edgeMm / 2, (edgeMm * edgeMm) / (8 * SHARPEST_MM)) + SEARCH_MM;
  const { min, max } = swept.box;
  // The surface runs between grid places no further apart than a side: only these have to be measured.
  const bandMm = edgeMm + outMm + SEARCH_MM;
  const manifold = Manifold.levelSet(
    ([x, y, z]) => -swept.near([x, y, z], bandMm),
    { min: [...min], max: [...max] },
    edgeMm,
    -outMm,
  );
  const mesh = manifold.getMesh();
  const status = manifold.status();
  const made: ClosedMesh = {
    positions: Float64Array.from({ length: 3 * mesh.numVert }, (_, i) => {
      return mesh.vertProperties[Math.floor(i / 3) * mesh.numProp + (i % 3)]!;
    }),
    triangles: Uint32Array.from(mesh.triVerts),
  };
  manifold.delete();
  if (status !== 'NoError' || made.triangles.length === 0) {
    throw new ProblemError({ code: 'internal', path: '', expected: 'a closed mesh', found: String(status) });
  }
  return { ...made, outside: outsideOf(made, swept) };
}

function outsideOf(mesh: ClosedMesh, swept: SweptDistance): Outside {
  const count = mesh.positions.length / 3;
  const step = Math.max(1, Math.floor(count / MEASURED));
  const found = Array.from({ length: Math.ceil(count / step) }, (_, i) => swept.at(pointOf(mesh, i * step)));
  return { meanMm: found.reduce((sum, mm) => sum + mm, 0) / found.length, mostMm: Math.max(...found) };
}
