import { Router } from 'express';
import { shopUpdateSchema } from '@/contracts/shop-api';
import type { ShopRepository } from '../db/shop-repository';
import { may, only } from '../people/sign-in';
import { answer, checked } from '../http';

/** `/api/shop`: what the shop charges and how long it takes. */
export function shopRoutes(shop: ShopRepository): Router {
  const router = Router();
  router.get(
    '/',
    answer(async (request) => ({ terms: may(request, 'seePrices') ? await shop.read() : null })),
  );
  router.put(
    '/',
    only('changeRates'),
    answer(async (request) => ({ terms: await shop.write(checked(shopUpdateSchema, request.body).terms) })),
  );
  return router;
}
