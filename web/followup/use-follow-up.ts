import { stillOpen } from '@/core/7-job/follow-up/still-open';
import { DAY } from '@/web/kit/dates';
import { addDays, format, parseISO } from 'date-fns';
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { asHandedOver } from '@/contracts/as-handed-over';
import { caseOfRound } from '@/contracts/as-fit';
import { followUpSchema, type DueEntry, type FollowUpEntry } from '@/contracts/follow-up';
import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { jobJoints } from '@/core/7-job/install/joints';
import { describedCorners } from '@/core/4-clearance/case/described-corner';
import { usualFollowUps } from '@/core/7-job/follow-up/due';
import { asMeasured, raised, type MeasuredHeight } from '@/core/7-job/follow-up/next-change';
import { attempt } from '@/core/1-base/problem';
import { expectedHeights } from '@/core/5-consequences/stance/expected-height';
import { startingSetup } from '../stores/starting-setup';
import { newId } from '../kit/entries';
import { useJobStore } from '../stores/job';
import { FOLLOW_UP_WORDS } from './follow-up-words';

/** What was last measured of each corner beside what was expected of it then. */
export function lastMeasured(file: LowgapFile): MeasuredHeight[] {
  const found = new Map<string, MeasuredHeight>();
  for (const round of file.testFits ?? []) {
    const description = caseOfRound(file, round);
    for (const key of describedCorners(description)) {
      const measuredMm = round.heights[key]?.hubToLipMm;
      const expected = attempt(() => expectedHeights(description, key).hubToLip);
      if (measuredMm !== undefined && expected.ok && expected.value) {
        found.set(key, { key, expectedMm: expected.value.mm, measuredMm });
      }
    }
  }
  return [...found.values()];
}

const plain = (setup: LowgapSetup): LowgapSetup => JSON.parse(JSON.stringify(setup)) as LowgapSetup;

/** A new job's document that goes on from what was last measured, `moreMm` higher; what was done is kept in its notes. */
export function nextChange(file: LowgapFile, moreMm: number): LowgapFile {
  const { install: _, testFits: __, followUp, plan: ___, compared: ____, ...rest } = structuredClone(file);
  const last = file.testFits?.at(-1)?.setup ?? file.setup ?? startingSetup(file);
  const corners = describedCorners(asCase(file));
  const installed = plain(asMeasured(last, lastMeasured(file), corners));
  const said = `Goes on from the state handed over ${followUp?.handedOver ?? '(not handed over)'}.`;
  const notes = [rest.vehicle.notes, said].filter(Boolean).join('\n').slice(0, 4000);
  return {
    ...rest,
    vehicle: { ...rest.vehicle, notes },
    installed,
    setup: plain(raised(installed, corners, moreMm)),
  };
}

/** The follow-up of the open job: hand-over, what is due, alignment, comebacks, history. */
export function useFollowUp() {
  const job = useJobStore();
  const followUp = computed<FollowUpEntry>(() => job.document?.followUp ?? followUpSchema.parse({}));
  const change = (edit: (own: FollowUpEntry) => void, gesture: string | null = null): void =>
    job.changeSetup((file) => {
      file.followUp ??= followUpSchema.parse({});
      edit(file.followUp);
    }, gesture);

  /** What speaks against handing over today. */
  const open = computed(() => {
    const { install, testFits = [] } = job.document ?? {};
    return stillOpen({
      steps: install?.steps ?? [],
      fasteners: install?.fasteners ?? [],
      testFits: testFits.length,
      verdict: job.evaluation?.lowGap?.verdict ?? null,
    });
  });

  /** Usual due days from the day it goes home; what is open then is kept with the reason. */
  function handOver(date: string, reason = '', plan: Plan | null = null): void {
    const file = job.document;
    if (!file) return;
    const joints = attempt(() => {
      const home = asHandedOver(file, plan);
      return jobJoints(home.description, home.plan);
    });
    const due = usualFollowUps(joints.ok ? joints.value : []).map(({ kind, afterDays, orAfterKm }): DueEntry => ({
      id: newId(),
      kind,
      text: FOLLOW_UP_WORDS[kind],
      due: format(addDays(parseISO(date), afterDays), DAY),
      ...(orAfterKm === undefined ? {} : { orAfterKm }),
    }));
    change((own) => {
      own.handedOver = date;
      delete own.openThen;
      delete own.openReason;
      if (open.value.length > 0) {
        own.openThen = open.value.map((one) => ({ ...one }));
        own.openReason = reason.trim().slice(0, 300);
      }
      own.due = [...own.due.filter(({ kind, doneOn }) => kind === 'customer' || doneOn !== undefined), ...due].sort(
        (a, b) => a.due.localeCompare(b.due),
      );
    });
  }
  return { open, followUp, change, handOver };
}

export type FollowUpState = ReturnType<typeof useFollowUp>;
