import type { Verdict } from '@/core/4-clearance/case/standard';
import type { PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import type { WorkLine, WorkOrder, PartLine } from '@/core/6-decisions/plan/work-order';
import { formatMm, bothUnits } from '@/core/1-base/units/length';
import { formatMoney } from '@/core/1-base/units/money';
import {
  amountWords,
  CONSUMABLE_WORDS,
  knockOnWords,
  MODIFICATION_WORDS,
  placeWords,
  PRECAUTION_WORDS,
  STANDING_WORDS,
  stepWords,
  timeWords,
} from './plan-words';
import { workName, workWords } from './setup-work-words';
import { cornerName } from '../core/2-vehicle/setup/corner-key';

/** A work order as it is read: on the screen, on paper, as PDF. Everything in words. */
export interface OrderDocument {
  readonly title: string;
  /** Name and value: vehicle, customer, date and the like. */
  readonly facts: readonly (readonly [name: string, value: string])[];
  readonly gaps: readonly OrderGap[];
  readonly steps: readonly OrderStep[];
  readonly parts: readonly OrderPart[];
  readonly sums: readonly (readonly [name: string, amount: string])[];
  /** What else changes, and what nobody knows. */
  readonly notes: readonly string[];
  /** Statements somebody signs for. */
  readonly statements: readonly string[];
  readonly signatures: readonly string[];
  readonly closing: string;
}

export interface OrderGap {
  readonly thing: string;
  readonly wanted: string;
  readonly before: string;
  readonly after: string;
  readonly verdict: string;
}

export interface OrderStep {
  readonly what: string;
  readonly time: string;
  readonly money: string;
  readonly cautions: readonly string[];
}

export interface OrderPart {
  readonly name: string;
  readonly where: string;
  readonly quantity: string;
  readonly unit: string;
  readonly sum: string;
}

/** What a work order says beside its plan. */
export interface OrderHead {
  readonly job: string;
  readonly customer: string;
  readonly vehicle: string;
  /** As it is written on the paper. */
  readonly date: string;
  readonly setup: string;
  readonly standard: string;
  readonly localRules: string;
  readonly reTorqueAfter: string;
  readonly taxMillionths: number;
  readonly consents: readonly { readonly label: string; readonly owner: string; readonly date: string }[];
}

const VERDICTS: Readonly<Record<Verdict | 'takenAway', string>> = {
  clear: 'clear',
  close: 'close',
  tooClose: 'TOO CLOSE',
  rubs: 'RUBS',
  notKnown: 'not known',
  takenAway: 'taken away',
};

/** @see OrderDocument */
export function orderDocument(head: OrderHead, judged: PlanJudgement, order: WorkOrder): OrderDocument {
  const { sums } = order;
  const touched = judged.things.filter(({ before, after, fix }) => before !== 'clear' || after !== 'clear' || fix);
  const percent = Number((head.taxMillionths / 10_000).toFixed(4));
  return {
    title: 'Work order',
    facts: [
      ['Job', head.job],
      ['Vehicle', head.vehicle],
      ['Customer', head.customer],
      ['Date', head.date],
      ['Setup', head.setup],
      ['Standard', head.standard],
      ...(head.localRules ? [['Local rules', head.localRules] as const] : []),
    ],
    gaps: [
      ...touched.map(({ label, corner, requiredMm, beforeGapMm, afterGapMm, after, before }) => ({
        thing: `${label}, ${cornerName(corner)}`,
        wanted: `${formatMm(requiredMm)} mm`,
        before: `${bothUnits(beforeGapMm)}, ${VERDICTS[before]}`,
        after: afterGapMm === null ? 'none' : bothUnits(afterGapMm),
        verdict: VERDICTS[after],
      })),
      ...judged.pairs.map(({ a, b, corner, requiredMm, beforeGapMm, afterGapMm, isShort }) => ({
        thing: `${a} and ${b}, ${cornerName(corner)}`,
        wanted: `${formatMm(requiredMm)} mm`,
        before: bothUnits(beforeGapMm),
        after: afterGapMm === null ? 'none' : bothUnits(afterGapMm),
        verdict: afterGapMm === null ? VERDICTS.takenAway : isShort ? VERDICTS.tooClose : VERDICTS.clear,
      })),
    ],
    steps: order.lines.map((line) => ({
      what: lineWords(line),
      time: timeWords(line.minutes),
      money: formatMoney(line.labourMinor),
      cautions: line.cautions.map((caution) => PRECAUTION_WORDS[caution]),
    })),
    parts: order.parts.map((part) => ({
      name: partWords(part),
      where: [...new Set(part.where.map(placeWords))].join('; '),
      quantity: String(part.quantity),
      unit: formatMoney(part.unitMinor),
      sum: formatMoney(part.sumMinor),
    })),
    sums: [
      [`Labor, ${timeWords(order.minutes)}`, formatMoney(sums.labourMinor)],
      ['Parts and material', formatMoney(sums.partsMinor)],
      ['Sum', formatMoney(sums.netMinor)],
      [`Tax ${percent} % on ${formatMoney(sums.taxedMinor)}`, formatMoney(sums.taxMinor)],
      ['Total', formatMoney(sums.totalMinor)],
    ],
    notes: [
      ...judged.unknownBehind.map((label) => `Nobody has looked behind ${label}: what stands there is unknown.`),
      ...judged.knockOns.map(knockOnWords).map(capital),
      ...(judged.clears ? [] : ['As planned it does not clear by this standard.']),
      ...(head.reTorqueAfter ? [`Re-torque: ${head.reTorqueAfter}.`] : []),
    ],
    statements: head.consents.map(
      ({ label, owner, date }) =>
        `I, ${owner}, owner, agree (${date}) that “${label}”, a crash bracket of the vehicle’s maker, is taken off. I know that it is part of how the vehicle behaves in a crash, and that its maker’s word and the local law come first.`,
    ),
    signatures: ['Customer', 'Shop', ...(head.consents.length ? ['Owner, for the crash bracket'] : [])],
    closing:
      'Gaps are computed from the survey; a trial fit and a flex test stay the last word. Torque values are those of the vehicle’s and the part’s makers. Local law decides on poke, coverage and spacers.',
  };
}

const capital = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}`;

function lineWords({ what, at, amount, isBoth, prescribed, work }: WorkLine): string {
  if (work) return workWords(work);
  if (what === 'prescribed') return `${prescribed!.text} (prescribed: ${prescribed!.source})`;
  return at ? stepWords({ kind: what as keyof typeof MODIFICATION_WORDS, at, amount, isBoth }) : standingWords(what);
}

const standingWords = (what: WorkLine['what']): string => STANDING_WORDS[what as keyof typeof STANDING_WORDS];

/** A part's name for the list and the parts table. */
export function partWords({ what, name, amount, work }: PartLine): string {
  if (work) return capital(workName(work));
  if (what === 'entered') return name ?? '';
  if (what in CONSUMABLE_WORDS) return CONSUMABLE_WORDS[what as keyof typeof CONSUMABLE_WORDS];
  const kind = what as keyof typeof MODIFICATION_WORDS;
  const much = amount === 0 ? '' : amountWords(kind, amount);
  return `For “${MODIFICATION_WORDS[kind].toLowerCase()}${much ? ` ${much}` : ''}”`;
}
