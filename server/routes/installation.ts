import { Router } from 'express';
import { installationSchema, type Installation } from '@/contracts/installation-api';
import { answer } from '../http';

/** `/api/installation`: what runs here, on how much room, and when it was last copied. */
export function installationRoutes(told: () => Promise<Installation>): Router {
  const router = Router();
  router.get(
    '/',
    answer(async () => installationSchema.parse(await told())),
  );
  return router;
}
