import { writeFile } from 'node:fs/promises';
import { asCase } from '@/contracts/as-case';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { ProblemError } from '@/core/1-base/problem';
import { sweptEnvelope } from '@/meshes/swept-envelope';
import { writeGltf, writeStl } from '@/meshes/write-mesh';
import { numberOption, readCase } from './outcome';

const tenth = (mm: number): number => Math.round(10 * mm) / 10;

export interface EnvelopeCommandOptions {
  readonly corner: string;
  readonly out: string;
  readonly edge: string;
}

/** `lowgap envelope FILE --corner C --out MESH.stl|MESH.glb [--edge MM]` */
export async function envelopeCommand(file: string, { corner, out, edge }: EnvelopeCommandOptions) {
  const kind = /\.(stl|glb)$/i.exec(out)?.[1]?.toLowerCase();
  if (!kind) {
    throw new ProblemError({
      code: 'wrongFormat',
      path: '--out',
      expected: 'a name ending in .stl or .glb',
      found: out,
    });
  }
  const edgeMm = numberOption('edge', edge);
  const prepared = prepareDescribed(asCase(await readCase(file)), corner as CornerKey);
  const mesh = await sweptEnvelope(prepared, edgeMm);
  const outside = { meanMm: tenth(mesh.outside.meanMm), mostMm: tenth(mesh.outside.mostMm) };
  const name = `swept envelope, ${corner}, up to ${outside.mostMm} mm outside the true one`;
  await writeFile(out, kind === 'stl' ? writeStl(mesh) : await writeGltf(mesh, name));
  return {
    corner,
    file: out,
    triangles: mesh.triangles.length / 3,
    points: mesh.positions.length / 3,
    /** How much larger than the swept space the mesh was made, so that it holds every wheel; mm. */
    outside,
  };
}
