import { expose } from 'comlink';
import { asCase } from '@/contracts/as-case';
import { asPlanQuestion, vehicleFacts } from '@/contracts/as-plan-question';
import type { PlanEntry, SheetEntry } from '@/contracts/plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { SectionCache } from '@/core/4-clearance/search/section-cache';
import { cutSheet, type CutSheet } from '@/core/6-decisions/plan/cut-sheet';
import { judgePlan, type ChosenPlan, type PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import { panelCase } from '@/core/5-consequences/panel/panel-case';
import { planSection, type PlanSection } from '@/core/6-decisions/plan/plan-section';
import { searchPlan, type PlanAnswer } from '@/core/6-decisions/plan/planner';
import { spacerSweep, type SpacerSweep } from '@/core/6-decisions/plan/spacer-sweep';
import { withChanges } from '@/core/6-decisions/plan/setup-changes';
import { attempt, type Result } from '@/core/1-base/problem';
import { sheetDrawing } from '@/sheets/sheet-drawing';
import type { OrderDocument } from '@/sheets/order-document';
import type { Paper } from '@/sheets/paper';
import { writeDxf } from '@/sheets/write-dxf';
import { writeSvg } from '@/sheets/write-svg';
import { DocumentReceiver, type WiredFile } from './document-wire';

export type TellPlan = (done: number, total: number) => void;

/** A sheet, and its drawing as files. */
export interface DrawnSheet {
  readonly sheet: CutSheet;
  readonly svg: string;
  readonly dxf: string;
}

/** Plans off the main thread. Documents come in the order they were sent. */
export interface PlanWorker {
  search(file: WiredFile, plan: PlanEntry, tell: TellPlan): Result<PlanAnswer>;
  judge(file: WiredFile, plan: PlanEntry, chosen: ChosenPlan): Result<PlanJudgement>;
  /** What each of these plans does to the part that wants it most. */
  sections(file: WiredFile, plan: PlanEntry, found: readonly ChosenPlan[]): Result<(PlanSection | null)[]>;
  /** `mended`: ids of things the plan mends otherwise. */
  spacer(file: WiredFile, corner: CornerKey, mostMm: number, mended: readonly string[]): Result<SpacerSweep>;
  sheet(file: WiredFile, chosen: ChosenPlan, entry: SheetEntry, mirrored: boolean): Result<DrawnSheet>;
  /** The sheet drawn last, on paper. */
  sheetPdf(paper: Paper): Promise<Result<Uint8Array>>;
  orderPdf(order: OrderDocument, paper: Paper): Promise<Result<Uint8Array>>;
}

/** ms between two pieces of news. */
const TELL_EVERY_MS = 60;

const cache = new SectionCache();
const receiver = new DocumentReceiver();

/** Panels measured last: a line pulled for looks or another flap asks for no new measuring. */
const MOST_PANELS = 6;
const panels = new Map<string, ReturnType<typeof panelCase>>();
let panelsOf: unknown = null;

const measured: typeof panelCase = (description, corner, id, options) => {
  if (panelsOf !== description.corners) panels.clear();
  panelsOf = description.corners;
  const { setup, envelope, drawnEnvelope, standard } = description;
  const key = JSON.stringify([corner, id, options, setup, envelope, drawnEnvelope, standard]);
  const known = panels.get(key) ?? panelCase(description, corner, id, options);
  panels.delete(key);
  panels.set(key, known);
  if (panels.size > MOST_PANELS) panels.delete(panels.keys().next().value!);
  return known;
};

let lastDrawing: ReturnType<typeof sheetDrawing> | null = null;

export const worker: PlanWorker = {
  search(wired, plan, tell) {
    const file = receiver.unwire(wired);
    return attempt(() => {
      const search = searchPlan(asCase(file), asPlanQuestion(plan), cache);
      let told = performance.now();
      for (;;) {
        const step = search.next();
        if (step.done) return step.value;
        if (performance.now() - told < TELL_EVERY_MS) continue;
        told = performance.now();
        tell(step.value.done, step.value.total);
      }
    });
  },
  judge(wired, plan, chosen) {
    const file = receiver.unwire(wired);
    return attempt(() => judgePlan(asCase(file), chosen, asPlanQuestion(plan), vehicleFacts(file), cache));
  },
  sections(wired, plan, found) {
    const file = receiver.unwire(wired);
    return attempt(() => {
      const [description, question, facts] = [asCase(file), asPlanQuestion(plan), vehicleFacts(file)];
      return found.map((chosen) =>
        planSection(description, judgePlan(description, chosen, question, facts, cache), cache),
      );
    });
  },
  spacer(wired, corner, mostMm, mended) {
    const file = receiver.unwire(wired);
    return attempt(() => spacerSweep(asCase(file), corner, mostMm, cache, new Set(mended)));
  },
  sheet(wired, chosen, { corner, obstacle, allowanceMm, flapMm, looks, triedDepthMm }, mirrored) {
    const file = receiver.unwire(wired);
    return attempt(() => {
      // Marked for the setup as the plan leaves it, not as it is on the bench.
      const planned = withChanges(asCase(file), chosen.changes);
      const sheet = cutSheet(
        planned,
        corner,
        obstacle,
        { allowanceMm, flapMm, looks, triedDepthMm, mirrored },
        measured,
      );
      const drawing = sheetDrawing(sheet);
      lastDrawing = drawing;
      return { sheet, svg: writeSvg(drawing), dxf: writeDxf(drawing) };
    });
  },
  async sheetPdf(paper) {
    if (!lastDrawing) throw new RangeError('no sheet was drawn');
    const { paperFonts, writePdf } = await import('./write-papers');
    return { ok: true, value: await writePdf(lastDrawing, paper, await paperFonts()) };
  },
  async orderPdf(order, paper) {
    const { paperFonts, writeOrderPdf } = await import('./write-papers');
    return { ok: true, value: await writeOrderPdf(order, paper, await paperFonts()) };
  },
};

expose(worker);
