import { Document, WebIO } from '@gltf-transform/core';
import { BufferAttribute, BufferGeometry, Mesh } from 'three';
import { STLExporter } from 'three/addons/exporters/STLExporter.js';
import type { ClosedMesh } from './closed-mesh';

/** Binary STL, millimetres, the corner's own axes (x forward, y outboard, z up). */
export function writeStl({ positions, triangles }: ClosedMesh): Uint8Array {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3));
  geometry.setIndex(new BufferAttribute(triangles, 1));
  const view = new STLExporter().parse(new Mesh(geometry), { binary: true });
  return new Uint8Array(view.buffer, view.byteOffset, view.byteLength);
}

/** Metres in a millimetre: glTF counts in metres. */
const M_PER_MM = 0.001;

/** Binary glTF 2.0: metres, y up, so that x (forward), y (outboard), z (up) become x, -z, y. */
export async function writeGltf({ positions, triangles }: ClosedMesh, name: string): Promise<Uint8Array> {
  const document = new Document();
  const buffer = document.createBuffer();
  const points = new Float32Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    points[i] = positions[i]! * M_PER_MM;
    points[i + 1] = positions[i + 2]! * M_PER_MM;
    points[i + 2] = -positions[i + 1]! * M_PER_MM;
  }
  const place = document.createAccessor().setType('VEC3').setArray(points).setBuffer(buffer);
  const indices = document.createAccessor().setType('SCALAR').setArray(Uint32Array.from(triangles)).setBuffer(buffer);
  const primitive = document.createPrimitive().setAttribute('POSITION', place).setIndices(indices);
  const mesh = document.createMesh(name).addPrimitive(primitive);
  document.createScene(name).addChild(document.createNode(name).setMesh(mesh));
  return new WebIO().writeBinary(document);
}
