import express, { Router } from 'express';
import { z } from 'zod';
import { MOST_PICTURE_BYTES, pictureTypeOf } from '@/contracts/picture';
import type { PhotoRepository } from '../db/photo-repository';
import { answer, checked, refuse } from '../http';

const idOf = (params: unknown): string => checked(z.object({ id: z.uuid() }), params).id;

/** `/api/photos`: taken for a job (`POST /api/photos?job=`), shown by its id. */
export function photoRoutes(photos: PhotoRepository): Router {
  const router = Router();
  router.post(
    '/',
    express.raw({ type: () => true, limit: MOST_PICTURE_BYTES }),
    answer(async (request, response) => {
      const { job, id: named } = checked(z.object({ job: z.uuid(), id: z.uuid().optional() }), request.query);
      const content = Buffer.isBuffer(request.body) ? new Uint8Array(request.body) : new Uint8Array();
      const mediaType = pictureTypeOf(content);
      if (!mediaType) refuse(400, 'wrongFormat', 'photo', 'a JPEG, PNG or WebP picture', 'something else');
      const id = await photos.add(job, { mediaType: mediaType!, content }, named);
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
