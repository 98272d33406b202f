import type { LowgapFile } from '@/contracts/lowgap-file';
import { fallsShort } from '@/core/4-clearance/case/standard';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { cornerKnown, type StartingValue } from '@/core/3-survey/known/known';
import { CORNER_KEYS, cornerName, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { firstWords } from '../advice';
import { dayText } from '../kit/dates';

export type StepRoom =
  'intake' | 'baseline' | 'survey' | 'stance' | 'bench' | 'finder' | 'plan' | 'install' | 'testFit' | 'followUp';

/** What is missing and matters most, and where it is done. */
export interface NextStep {
  readonly room: StepRoom;
  readonly corner: CornerKey | null;
  readonly says: string;
}

/** Of the values that stand in until they are measured: what the customer or a look under the car tells. */
const TOLD: readonly StartingValue[] = ['motion'];

const count = (n: number, one: string, many: string): string => (n === 1 ? `one ${one}` : `${n} ${many}`);

/**
 * The next thing to do on a job, in the order of the trade: what is fitted, how far it moves, what stands near it, what is wanted, what
 * that makes too close, the plan, the work, the trial, the hand-over. null: nothing is open.
 */
export function nextStep(file: LowgapFile, evaluation: Evaluation | null): NextStep | null {
  const at = (room: StepRoom, says: string, corner: CornerKey | null = null): NextStep => ({ room, corner, says });
  const begun = CORNER_KEYS.flatMap((key) => (file.corners[key] ? [{ key, corner: file.corners[key] }] : []));
  const [first] = begun;
  if (!first) return at('baseline', 'begin with one corner: what is fitted there');
  if (isEmpty(file.intake) && begun.every(({ corner }) => corner.motion.type === 'swingArm'))
    return at('intake', 'say what the vehicle is, what suspension it has and what may be changed');

  for (const { key, corner } of begun) {
    const known = evaluation?.known.find((one) => one.corner === key) ?? cornerKnown(corner);
    if (known.isEnough || !known.first) continue;
    // A corner that nobody surveys is said nothing of: only the first, and those begun, are asked for.
    if (corner.obstacles.length === 0 && key !== first.key) continue;
    const room = known.first.kind === 'value' ? (TOLD.includes(known.first.value) ? 'intake' : 'baseline') : 'survey';
    // Which suspension it is was said; its measures are the baseline's.
    const isSaid = room === 'intake' && corner.motion.type !== 'swingArm';
    return at(isSaid ? 'baseline' : room, `${firstWords(known.first)}, ${cornerName(key)}`, key);
  }

  if (!file.setup) return at('bench', 'choose the tire and wheel to try');
  const { steps = [], fasteners = [] } = file.install ?? {};
  const undone = steps.filter(({ doneAt }) => doneAt === undefined).length;
  const short =
    (evaluation?.obstacles ?? []).filter(({ verdict }) => fallsShort(verdict)).length +
    (evaluation?.pairs ?? []).filter(({ marginMm }) => marginMm < 0).length;
  const handedOver = file.followUp?.handedOver !== undefined;
  if (!handedOver && short > 0 && !file.plan?.chosen)
    return at('plan', `${count(short, 'part is', 'parts are')} too close: find the least change that clears them`);
  if (!handedOver && steps.length === 0 && !file.testFits?.length)
    return at('install', 'make the installation sheet, or log a trial fit');
  if (!handedOver && undone > 0) return at('install', `${count(undone, 'step is', 'steps are')} not done yet`);
  const loose = fasteners.filter(({ doneAt }) => doneAt === undefined).length;
  if (!handedOver && loose > 0) return at('install', `${count(loose, 'fastener is', 'fasteners are')} not torqued yet`);
  if (!handedOver && !file.testFits?.length) return at('testFit', 'heights again, lock to lock, up to the stop');
  if (!handedOver) return at('followUp', 'hand it over');
  const [due] = (file.followUp?.due ?? [])
    .filter(({ doneOn }) => doneOn === undefined)
    .sort((a, b) => a.due.localeCompare(b.due));
  return due ? at('followUp', `${due.text}, due ${dayText(due.due)}`) : null;
}

const isEmpty = (intake: LowgapFile['intake']): boolean =>
  Object.keys(intake ?? {}).filter((name) => name !== 'typed').length === 0;
