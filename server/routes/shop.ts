import { Router } from 'express';
import { shopUpdateSchema } from '@/contracts/shop-api';
import type { ShopRepository } from '../db/shop-repository';
import { answer, checked } from '../http';

/** `/api/shop`: what the shop charges and how long it takes. */
export function shopRoutes(shop: ShopRepository): Router {
  const router = Router();
  router.get(
    '/',
    answer(async () => ({ terms: await shop.read() })),
  );
  router.put(
    '/',
    answer(async (request) => ({ terms: await shop.write(checked(shopUpdateSchema, request.body).terms) })),
  );
  return router;
}
