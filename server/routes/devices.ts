import { Router } from 'express';
import { deviceListSchema, gaugeActSchema } from '@/contracts/device-api';
import type { Driver, GapGauge, WellScanner } from '../devices/driver';
import { answer, checked, refuse } from '../http';

/** ms after which a browser tries a broken stream again. */
const RETRY_MS = 1000;

/** `/api/devices`: what there is, a gauge's stream (server-sent events), a scan. */
export function deviceRoutes(drivers: readonly Driver[]): Router {
  const router = Router();
  const find = <K extends Driver['kind']>(kind: K, id: unknown): Extract<Driver, { kind: K }> => {
    const driver = drivers.find((d) => d.kind === kind && d.id === id);
    return (
      (driver as Extract<Driver, { kind: K }> | undefined) ??
      refuse(404, 'notFound', 'id', `a ${kind} of this server`, String(id))
    );
  };

  router.get(
    '/',
    answer(async () =>
      deviceListSchema.parse({
        devices: drivers.map(({ id, kind, name, simulated }) => ({ id, kind, name, simulated })),
      }),
    ),
  );

  router.get('/:id/stream', (request, response) => {
    const gauge: GapGauge = find('gauge', request.params.id);
    if (!gauge.linked) refuse(503, 'notFound', 'id', 'a gauge that answers', 'no link to it');
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    });
    response.write(`retry: ${RETRY_MS}\n\n`);
    const stop = gauge.listen(
      (event) => response.write(`data: ${JSON.stringify(event)}\n\n`),
      () => response.end(),
    );
    request.on('close', stop);
  });

  router.post(
    '/:id/act',
    answer(async (request) => {
      const gauge: GapGauge = find('gauge', request.params['id']);
      if (!gauge.act) refuse(409, 'contradiction', 'id', 'a simulated gauge', gauge.name);
      await gauge.act!(checked(gaugeActSchema, request.body));
      return undefined;
    }),
  );

  router.post(
    '/:id/scan',
    answer(async (request) => {
      const scanner: WellScanner = find('scanner', request.params['id']);
      const { ply, plan } = await scanner.scan();
      return { name: `${scanner.id}.ply`, ply: new TextDecoder().decode(ply), plan };
    }),
  );

  return router;
}
