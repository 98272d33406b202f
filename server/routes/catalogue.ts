import { Router } from 'express';
import { z } from 'zod';
import { catalogueChangeSchema, catalogueImportSchema } from '@/contracts/catalogue';
import type { CatalogueRepository, StoredItem } from '../db/catalogue-repository';
import { may, only } from '../people/sign-in';
import { answer, checked, refuse, Refusal } from '../http';

const idOf = (params: unknown): string => checked(z.object({ id: z.uuid() }), params).id;

const gone = (id: string): never => refuse(404, 'notFound', 'id', 'an item of the catalogue', id);

function withoutPrice({ data, ...item }: StoredItem): StoredItem {
  const { priceMinor: _not, ...rest } = data;
  return { ...item, data: rest };
}

/** `/api/catalogue`: the shop's tires, wheels and spacers. */
export function catalogueRoutes(catalogue: CatalogueRepository): Router {
  const router = Router();
  router.get(
    '/',
    answer(async (request) => {
      const items = await catalogue.list();
      return { items: may(request, 'seePrices') ? items : items.map(withoutPrice) };
    }),
  );
  router.post(
    '/',
    only('changeCatalogue'),
    answer(async (request, response) => {
      const { items } = checked(catalogueImportSchema, request.body);
      response.status(201);
      return { items: await catalogue.add(items) };
    }),
  );
  router.put(
    '/:id',
    only('changeCatalogue'),
    answer(async (request) => {
      const id = idOf(request.params);
      const { revision, item } = checked(catalogueChangeSchema, request.body);
      const outcome = await catalogue.change(id, revision, item);
      if (outcome.status === 'gone') return gone(id);
      if (outcome.status === 'saved') return outcome.item;
      const found = { expected: String(outcome.item.revision), found: String(revision) };
      throw new Refusal(409, [{ code: 'conflict', path: 'revision', ...found }], { item: outcome.item });
    }),
  );
  router.delete(
    '/:id',
    only('delete'),
    answer(async (request) => {
      const id = idOf(request.params);
      if (!(await catalogue.remove(id))) gone(id);
      return undefined;
    }),
  );
  return router;
}
