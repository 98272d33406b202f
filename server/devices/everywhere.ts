import { z } from 'zod';
import { gaugeActSchema } from '@/contracts/device-api';
import type { Wire } from '../live';
import type { GapGauge } from './driver';

const actSchema = z.object({ kind: z.literal('act'), gauge: z.string(), act: gaugeActSchema });

/** The same simulated gauge at every process: what is done to it at one, whoever listens at another hears. */
export function everywhere(gauge: GapGauge & Required<Pick<GapGauge, 'act'>>, wire: Wire): GapGauge {
  wire.hear((text) => {
    const heard = actSchema.safeParse(JSON.parse(text));
    if (heard.success && heard.data.gauge === gauge.id) void gauge.act(heard.data.act);
  });
  const { kind, id, name, simulated } = gauge;
  return {
    kind,
    id,
    name,
    simulated,
    get linked() {
      return gauge.linked;
    },
    listen: (event, broken) => gauge.listen(event, broken),
    act: (act) => wire.tell(JSON.stringify({ kind: 'act', gauge: id, act })),
  };
}
