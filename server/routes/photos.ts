import express, { Router } from 'express';
import { z } from 'zod';
import type { PhotoRepository } from '../db/photo-repository';
import { answer, checked, refuse } from '../http';

/** A downscaled photo is far smaller; more is something else. */
const MOST_BYTES = 4_000_000;

/** First bytes of the picture formats a browser makes. */
const SIGNATURES: readonly (readonly [mediaType: string, matches: (b: Uint8Array) => boolean])[] = [
  ['image/jpeg', (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff],
  ['image/png', (b) => b[0] === 0x89 && b[1] === 0x50 && b[2] === 0x4e && b[3] === 0x47],
  ['image/webp', (b) => text(b, 0, 4) === 'RIFF' && text(b, 8, 12) === 'WEBP'],
];

const text = (b: Uint8Array, from: number, to: number): string => String.fromCharCode(...b.subarray(from, to));

const idOf = (params: unknown): string => checked(z.object({ id: z.uuid() }), params).id;

/** `/api/photos`: taken for a job (`POST /api/photos?job=`), shown by its id. */
export function photoRoutes(photos: PhotoRepository): Router {
  const router = Router();
  router.post(
    '/',
    express.raw({ type: () => true, limit: MOST_BYTES }),
    answer(async (request, response) => {
      const { job } = checked(z.object({ job: z.uuid() }), request.query);
      const content = Buffer.isBuffer(request.body) ? new Uint8Array(request.body) : new Uint8Array();
      const mediaType = SIGNATURES.find(([, matches]) => matches(content))?.[0];
      if (!mediaType) refuse(400, 'wrongFormat', 'photo', 'a JPEG, PNG or WebP picture', 'something else');
      const id = await photos.add(job, { mediaType: mediaType!, content });
      if (id === null) refuse(404, 'notFound', 'job', 'a job on the bay board', job);
      response.status(201);
      return { id };
    }),
  );
  router.get('/:id', async (request, response) => {
    const id = idOf(request.params);
    const photo = (await photos.get(id)) ?? refuse(404, 'notFound', 'id', 'a photo', id);
    response.set({ 'content-type': photo.mediaType, 'cache-control': 'private, max-age=31536000, immutable' });
    response.end(Buffer.from(photo.content));
  });
  return router;
}
