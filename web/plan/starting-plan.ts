import type { LowgapFile } from '@/contracts/lowgap-file';
import type { PlanEntry, ShopTermsEntry } from '@/contracts/plan';
import type { ALLOWED_CHANGES } from '@/contracts/job-record';
import { MODIFICATION_RULES, type Modification } from '@/core/6-decisions/plan/modification';

export type AllowedChange = (typeof ALLOWED_CHANGES)[number];

/** Which modifications a customer's permission covers. */
const COVERS: Readonly<Record<AllowedChange, readonly Modification[]>> = {
  unbolt: ['unbolt'],
  reroute: ['reroute', 'tuckLiner'],
  trimPlastic: ['trimPlastic', 'heatForm'],
  foldLip: ['foldLip', 'rollFender'],
  cutSheetMetal: ['cutSheetMetal', 'grindTab'],
  bumpStop: [],
  steeringStop: [],
  lift: [],
  bodyMount: ['bodyMountChop'],
};

/** What a job most likely lets be planned: what its customer allows, in the amounts that are usually tried. */
export function startingPlan(file: LowgapFile, shop: ShopTermsEntry | null = null): PlanEntry {
  const allowed = file.intake?.allowed ?? ['unbolt', 'reroute'];
  const kinds = allowed.flatMap((one) => COVERS[one]);
  const tried = {
    ...(allowed.includes('bumpStop') ? { bumpStopMm: [15, 30] } : {}),
    ...(allowed.includes('lift') ? { liftMm: [25, 50] } : {}),
  };
  return {
    // The shop's own; this job keeps what it was reckoned with.
    shop: shop
      ? structuredClone(shop)
      : { toolSet: 'power', labourMinorPerHour: 0, taxMillionths: 0, taxOn: 'all', minutes: {}, partsMinor: {} },
    allowed: Object.fromEntries(kinds.map((kind) => [kind, MODIFICATION_RULES[kind].most ?? 0])),
    tried: {
      front: { ...tried, ...(allowed.includes('steeringStop') ? { steeringStopDeg: [2, 4] } : {}) },
      rear: tried,
    },
    bodyLiftsMm: [],
    consents: [],
    sheets: [],
    prescribed: [],
    parts: [],
  };
}
