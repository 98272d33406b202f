import { countParts } from '@/core/2-vehicle/setup/setup';
import type { ComebackCause } from '@/core/7-job/follow-up/due';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { describedCorners } from '@/core/4-clearance/case/described-corner';
import type { Promised } from '@/core/5-consequences/stance/learned-band';
import { liftOf } from '@/core/5-consequences/stance/expected-height';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { designDiameterMm } from '@/core/2-vehicle/tire/dimensions';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { attempt } from '@/core/1-base/problem';
import { travelAt } from '@/core/7-job/test-fit/tried';
import { caseOfRound } from './as-fit';
import { vehicleOf } from './copied-job';
import type { Job } from './job-api';
import type { LowgapFile } from './lowgap-file';

/** What the shop's jobs say together, of those that may go into it. Derived from them, kept nowhere else. A vehicle with several jobs is one. */
export interface ShopRecord {
  /** By kind of part: vehicles on which it alone gave the lift; the corners of one are one measurement. */
  readonly heights: ReadonlyMap<LiftPart['kind'], readonly Promised[]>;
  readonly tires: readonly { readonly size: string; readonly nominalMm: number; readonly measuredMm: number }[];
  /** Minutes of a job as planned and as it took, surprises apart. */
  readonly hours: readonly {
    readonly plannedMinutes: number;
    readonly spentMinutes: number;
    readonly lostMinutes: number;
  }[];
  readonly comebacks: ReadonlyMap<ComebackCause, number>;
  readonly handedOver: number;
}

export function shopRecord(all: readonly Pick<Job, 'id' | 'document'>[]): ShopRecord {
  const vehicles = byVehicle(all.filter(({ document }) => document.followUp?.inRecord === true));
  const heights = new Map<LiftPart['kind'], Promised[]>();
  const comebacks = new Map<ComebackCause, number>();
  for (const files of vehicles) {
    for (const { kind, ...promised } of onePerKind(files.flatMap(promisedHeights))) {
      heights.set(kind, [...(heights.get(kind) ?? []), promised]);
    }
    for (const { cause } of together(files.map(({ followUp }) => followUp?.comebacks ?? [])))
      comebacks.set(cause, (comebacks.get(cause) ?? 0) + 1);
  }
  return {
    heights,
    tires: vehicles.flatMap(measuredTires),
    hours: vehicles.flatMap((files) => together(files.map(({ install }) => (install ? [install] : []))).flatMap(hours)),
    comebacks,
    handedOver: vehicles.filter((files) => files.some(({ followUp }) => followUp?.handedOver)).length,
  };
}

/** The files of each vehicle. */
const byVehicle = (all: readonly Pick<Job, 'id' | 'document'>[]): readonly (readonly LowgapFile[])[] =>
  [...new Set(all.map(vehicleOf))].map((vehicle) =>
    all.filter((job) => vehicleOf(job) === vehicle).map(({ document }) => document),
  );

/** Lists of several files of one vehicle as one: what two files both hold was opened again, what one file holds twice happened twice. */
function together<T>(lists: readonly (readonly T[])[]): T[] {
  const all: T[] = [];
  for (const list of lists) {
    const known = all.map((one) => JSON.stringify(one));
    for (const one of list) {
      const at = known.indexOf(JSON.stringify(one));
      if (at < 0) all.push(one);
      else known.splice(at, 1);
    }
  }
  return all;
}

function hours({ steps = [], surprises = [], plannedMinutes }: NonNullable<LowgapFile['install']>) {
  const sum = (minutes: readonly (number | undefined)[]): number =>
    minutes.reduce<number>((total, one) => total + (one ?? 0), 0);
  const spentMinutes = sum(steps.map((step) => step.spentMinutes));
  return plannedMinutes === undefined || spentMinutes === 0
    ? []
    : [{ plannedMinutes, spentMinutes, lostMinutes: sum(surprises.map(({ minutes }) => minutes)) }];
}

/** The last measured height of each corner, where one kind of part alone lifted or lowered it. */
function promisedHeights(file: LowgapFile): ({ readonly kind: LiftPart['kind'] } & Promised)[] {
  const found = new Map<CornerKey, { readonly kind: LiftPart['kind'] } & Promised>();
  for (const round of file.testFits ?? []) {
    const description = caseOfRound(file, round);
    for (const key of describedCorners(description)) {
      const hubToLipMm = round.heights[key]?.hubToLipMm;
      if (hubToLipMm === undefined) continue;
      const setup = enteredSetupFor(description, key);
      const travel = travelAt(
        description.corners[key]!,
        { ...countParts(setup), bodyLiftMm: 0, linkageDropMm: 0 },
        hubToLipMm,
      );
      const lifts = [
        ...(setup.suspensionLiftMm === 0 ? [] : [{ kind: 'ride' as const, mm: setup.suspensionLiftMm }]),
        ...(setup.parts ?? []).map((part) => ({ kind: part.kind, mm: liftOf(part) })),
      ].filter(({ mm }) => mm !== 0);
      const kinds = new Set(lifts.map(({ kind }) => kind));
      const [only] = kinds;
      if (travel === null || kinds.size !== 1 || setup.bodyLiftMm !== 0 || setup.linkageDropMm !== 0) continue;
      found.set(key, { kind: only!, promisedMm: lifts.reduce((sum, { mm }) => sum + mm, 0), measuredMm: -travel });
    }
  }
  return [...found.values()];
}

/** One vehicle is one measurement of a kind of part, however many corners it stands on: the mean of them. */
function onePerKind<T extends { readonly kind: LiftPart['kind'] } & Promised>(corners: readonly T[]) {
  const mean = (of: readonly number[]): number => of.reduce((sum, mm) => sum + mm, 0) / of.length;
  return [...new Set(corners.map(({ kind }) => kind))].map((kind) => {
    const same = corners.filter((one) => one.kind === kind);
    return {
      kind,
      promisedMm: mean(same.map(({ promisedMm }) => promisedMm)),
      measuredMm: mean(same.map(({ measuredMm }) => measuredMm)),
    };
  });
}

/** Tires somebody measured, each size of a vehicle once. What a test fit estimated was not measured: learned corners and their setup are left out. */
function measuredTires(files: readonly LowgapFile[]): { size: string; nominalMm: number; measuredMm: number }[] {
  const isLearned = (key: string): boolean =>
    files.some(({ testFits = [] }) => testFits.some(({ learned }) => learned[key as CornerKey] !== undefined));
  const all = files.flatMap(({ corners, setup }) => [
    ...Object.entries(corners).flatMap(([key, corner]) => (corner && !isLearned(key) ? [corner.fitted.tire] : [])),
    ...(setup && !Object.keys(corners).some(isLearned) ? [setup.tire] : []),
  ]);
  const bySize = new Map<string, number>();
  for (const { size, measuredDiameterMm } of all)
    if (measuredDiameterMm !== undefined) bySize.set(size, measuredDiameterMm);
  return [...bySize].flatMap(([size, measuredMm]) => {
    const read = attempt(() => designDiameterMm(parseTireSize(size)));
    return read.ok ? [{ size, nominalMm: read.value, measuredMm }] : [];
  });
}
