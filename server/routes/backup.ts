import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import { z } from 'zod';
import { MOST_SHOP_FILE_BYTES, SHOP_IMPORTS, shopPlanSchema } from '@/contracts/shop-file';
import { ProblemError } from '@/core/1-base/problem';
import { answer, checked, Refusal } from '../http';
import { nameOf } from '../people/sign-in';
import { bringIn, type ShopHere } from '../shop-copy/bring-in';
import { openShop } from '../shop-copy/open-shop';
import { writeShop } from '../shop-copy/write-shop';

/** `/api/backup`: the whole shop out as one file, and a shop's file in. */
export function backupRoutes(here: ShopHere): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const now = new Date();
    response.attachment(`low-gap-${now.toISOString().slice(0, 10)}.zip`).type('application/zip');
    await writeShop(here.whole, here.shop, response, now);
  });

  router.post(
    '/',
    answer(async (request) => {
      const { how } = checked(z.object({ how: z.enum(SHOP_IMPORTS) }), request.query);
      const directory = await mkdtemp(join(tmpdir(), 'lowgap-in-'));
      try {
        const path = join(directory, 'shop.zip');
        await pipeline(request as Readable, atMostBytes(MOST_SHOP_FILE_BYTES), createWriteStream(path));
        const file = await openShop(path);
        try {
          return shopPlanSchema.parse(await bringIn(file, here, how, nameOf(request)));
        } finally {
          file.close();
        }
      } catch (error) {
        if (error instanceof ProblemError) throw new Refusal(400, error.problems);
        throw error;
      } finally {
        await rm(directory, { recursive: true, force: true });
      }
    }),
  );

  return router;
}

/** Lets so much through and no more. */
function atMostBytes(most: number): Transform {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      if (seen <= most) return done(null, chunk);
      const problem = { code: 'tooLarge' as const, path: '', expected: `at most ${most / 1e9} GB`, found: 'more' };
      done(new Refusal(413, [problem]));
    },
  });
}
