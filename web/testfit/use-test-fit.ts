import { asCase } from '@/contracts/as-case';
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { caseOfRound, fittedCorner } from '@/contracts/as-fit';
import type { LowgapFitted, LowgapSetup, LowgapTestFit } from '@/contracts/lowgap-file';
import { fittedAsSetup } from '@/core/2-vehicle/setup/setup';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt } from '@/core/1-base/problem';
import { expectedHeights, type Expected } from '@/core/5-consequences/stance/expected-height';
import { FIT_POSTURES } from '@/core/7-job/test-fit/postures';
import type { RoundGap } from '@/core/7-job/test-fit/predict-round';
import { triedPicture, type TriedPicture } from '@/core/7-job/test-fit/tried-picture';
import { untried, type Untried } from '@/core/7-job/test-fit/tried';
import { newId } from '../kit/entries';
import { useJobStore } from '../stores/job';
import { useShopRecord } from '../stores/shop-record';
import { FitClient } from '../workers/fit-client';

/** What of a corner was not tried; the picture is missing where its motion cannot be worked out. */
export interface NotTried {
  readonly key: CornerKey;
  readonly what: readonly Untried[];
  readonly picture: TriedPicture | null;
}

export type FitEdit = (round: LowgapTestFit) => void;

/** The test fits of the open job: its rounds, what to expect in each posture, what was not tried. */
export function useTestFit() {
  const job = useJobStore();
  const record = useShopRecord();
  void record.load();
  const route = useRoute();
  const router = useRouter();
  const rounds = computed<readonly LowgapTestFit[]>(() => job.document?.testFits ?? []);
  const round = computed<LowgapTestFit | null>(
    () => rounds.value.find(({ id }) => id === route.query['round']) ?? rounds.value.at(-1) ?? null,
  );
  const open = (id: string): void => void router.replace({ query: { ...route.query, round: id } });

  const expected = shallowRef<readonly RoundGap[]>([]);
  const client = new FitClient((answer) => (expected.value = answer.ok ? answer.value : []));
  onBeforeUnmount(() => client.close());
  /** What the prediction hangs on; findings and notes are none of it. */
  const asked = computed(() => {
    const one = round.value;
    return (
      one && JSON.stringify([one.id, one.setup, one.heights, one.postures, rounds.value.map(({ trimmed }) => trimmed)])
    );
  });
  watch(
    [asked, () => job.document?.corners],
    () => {
      if (job.document && round.value) client.predict(job.document, round.value.id);
    },
    { immediate: true },
  );

  function change(edit: FitEdit, gesture: string | null = null): void {
    const id = round.value?.id;
    job.changeSetup((file) => {
      const found = file.testFits?.find((one) => one.id === id);
      if (found) edit(found);
    }, gesture);
  }

  function begin(of: LowgapTestFit['of'], setup: LowgapSetup, title: string): void {
    const id = newId();
    job.changeSetup((file) => {
      file.testFits = [
        ...(file.testFits ?? []),
        {
          id,
          date: new Date().toISOString().slice(0, 10),
          title,
          of,
          setup: JSON.parse(JSON.stringify(setup)) as LowgapSetup,
          heights: {},
          postures: FIT_POSTURES.map((kind) => ({ kind, done: false, reach: {} })),
          findings: [],
          trimmed: [],
          learned: {},
          ...keptExpected(setup),
        },
      ];
    });
    open(id);
  }

  /** What is expected of every corner's heights now, to stand as it was made. */
  function keptExpected(setup: LowgapSetup): Pick<LowgapTestFit, 'expected'> {
    const file = job.document;
    if (!file) return {};
    const kept: NonNullable<LowgapTestFit['expected']> = {};
    for (const key of job.corners) {
      const found = attempt(() => expectedHeights({ ...asCase(file), setup }, key, record.bands));
      if (!found.ok) continue;
      const { hubToLip, groundToLip } = found.value;
      kept[key] = { ...(hubToLip ? { hubToLip } : {}), ...(groundToLip ? { groundToLip } : {}) };
    }
    return { expected: kept };
  }

  /** Expected heights of a corner in the round, as they were when it was begun; null: not to be said. */
  function expectedAt(key: CornerKey): { hub: Expected | null; ground: Expected | null } {
    const file = job.document;
    const one = round.value;
    if (!file || !one) return { hub: null, ground: null };
    const kept = one.expected?.[key];
    if (kept) return { hub: kept.hubToLip ?? null, ground: kept.groundToLip ?? null };
    const found = attempt(() => expectedHeights(caseOfRound(file, one), key, record.bands));
    return found.ok ? { hub: found.value.hubToLip, ground: found.value.groundToLip } : { hub: null, ground: null };
  }

  /** What of each corner's envelope was not tried in the round. */
  const notTried = computed<readonly NotTried[]>(() => {
    const file = job.document;
    const one = round.value;
    if (!file || !one) return [];
    return job.corners.flatMap((key) => {
      const at = attempt(() => fittedCorner(file, one, key));
      if (!at.ok) return [];
      const { corner, setup, postures } = at.value;
      const what = attempt(() => untried(key, corner, setup, postures));
      const picture = attempt(() => triedPicture(key, corner, setup, asCase(file), postures));
      return what.ok ? [{ key, what: what.value, picture: picture.ok ? picture.value : null }] : [];
    });
  });

  /** What is fitted now with other tires: nothing cut, nothing lifted. */
  function borrowedSetup(size: string): LowgapSetup | null {
    const [key] = job.corners;
    const fitted = key && job.document?.corners[key]?.fitted;
    if (!fitted) return null;
    const own = (of: LowgapFitted): Pick<LowgapFitted, 'tire' | 'wheel' | 'spacerMm'> => {
      const { wheel, spacerMm } = JSON.parse(JSON.stringify(of)) as LowgapFitted;
      return { tire: { size }, wheel, spacerMm };
    };
    const common = own(fitted);
    // Each axle goes on its own wheels.
    const others = job.corners.flatMap((one) => {
      const there = own(job.document!.corners[one]!.fitted);
      return JSON.stringify(there) === JSON.stringify(common) ? [] : [[one, there] as const];
    });
    const corners = others.length > 0 ? { corners: Object.fromEntries(others) } : {};
    return { ...fittedAsSetup(common), ...corners } as LowgapSetup;
  }

  return { rounds, round, open, expected, client, change, begin, expectedAt, notTried, borrowedSetup };
}

export type TestFitState = ReturnType<typeof useTestFit>;
