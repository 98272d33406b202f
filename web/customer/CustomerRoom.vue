<script setup lang="ts">
import { mdiImageOutline, mdiPrinterOutline } from '@mdi/js';
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { besidePlan } from '@/contracts/as-plan-question';
import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import { attempt, type Result } from '@/core/1-base/problem';
import { inToMm } from '@/core/1-base/units/length';
import { formatMoney } from '@/core/1-base/units/money';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { outsideDiameterMm } from '@/core/2-vehicle/tire/dimensions';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { workOrder } from '@/core/6-decisions/plan/work-order';
import { timeWords } from '@/sheets/plan-words';
import { setupName } from '../bench/setup-name';
import { cornerLimits } from '../job/corner-limits';
import { saveBlob } from '../kit/save-text';
import VerdictMark from '../kit/VerdictMark.vue';
import { problemText } from '../problem-words';
import { startingPlan } from '../plan/starting-plan';
import { usePlanned } from '../plan/use-planned';
import { useJobStore } from '../stores/job';
import { useShop } from '../stores/shop';
import { useUnits } from '../stores/units';
import { CompareClient } from '../workers/compare-client';
import { customerAnswer } from './customer-words';
import { pictureFile } from './picture-file';
import WheelPicture from './WheelPicture.vue';

/** One page for whoever asked: which setups were tried, where each is short, what it costs; on the screen, on paper, as a picture. */
const job = useJobStore();
const units = useUnits();
const shop = useShop();
const { judged, hasPlan } = usePlanned();

interface Tried {
  readonly name: string;
  readonly setup: LowgapSetup | null;
}
const tried = computed<readonly Tried[]>(() => {
  const { setup, compared = [], corners } = job.document ?? {};
  const own = setup ? [{ name: setupName(setup), setup }] : [];
  const others = compared.filter(({ setup: other }) => JSON.stringify(other) !== JSON.stringify(setup));
  return own.length + others.length > 0 || !corners
    ? [...own, ...others]
    : [{ name: 'What is on it now', setup: null }];
});

const answers = shallowRef<readonly Result<Evaluation>[]>([]);
const client = new CompareClient((found) => (answers.value = found));
onBeforeUnmount(() => client.close());
watch(
  [() => job.document, tried],
  ([file, all]) => {
    if (file && all.length > 0)
      client.ask(
        file,
        all.map(({ setup }) => setup),
      );
  },
  { immediate: true },
);

const chosen = ref(0);
const withSetup = (file: LowgapFile, setup: LowgapSetup | null): LowgapFile => {
  const { setup: _, ...rest } = file;
  return setup ? { ...rest, setup } : rest;
};
const cards = computed(() =>
  tried.value.map(({ name, setup }, i) => {
    const answer = answers.value.length === tried.value.length ? answers.value[i] : undefined;
    const file = job.document;
    if (!answer || !file) return { name, setup, said: null, problem: '' };
    if (!answer.ok) return { name, setup, said: null, problem: problemText(answer.problems[0]!) };
    const own = withSetup(file, setup);
    const rideOf = (key: CornerKey): number => cornerLimits(own, key)?.ride ?? 0;
    return { name, setup, said: customerAnswer(answer.value, rideOf, units.unit, labelOf), problem: '' };
  }),
);
const labelOf = (corner: CornerKey, id: string): string =>
  job.document?.corners[corner]?.obstacles.find((one) => one.id === id)?.label ?? id;
const shown = computed(() => cards.value[chosen.value] ?? cards.value[0]);

/** What the plan of the setup on the bench costs; of others nothing was planned. */
const cost = computed(() => {
  const file = job.document;
  const plan = file?.plan ?? (file ? startingPlan(file, shop.terms) : null);
  if (!file || !plan || !judged.value || !hasPlan.value) return null;
  const found = attempt(() => workOrder(judged.value!.plan, plan.shop, besidePlan(file, plan)));
  if (!found.ok) return null;
  const { minutes, sums } = found.value;
  const clears = judged.value.clears
    ? 'With the planned work it clears'
    : 'With the planned work it is still not clear';
  const money = sums.totalMinor > 0 ? `, ${formatMoney(sums.totalMinor)} in all` : '';
  return `${clears}: about ${timeWords(minutes)} of work${money}, tires and wheels apart.`;
});
/** The setup on the bench stands first, where there is one. */
const costOf = (i: number): string =>
  i === 0 && job.document?.setup && cost.value ? cost.value : 'The work it takes is not planned yet.';

const pictured = computed(() => {
  const said = shown.value?.said;
  const [first] = said?.shown ?? [];
  const file = job.document;
  if (!said || !first || !file) return null;
  const setup = shown.value?.setup ?? file.corners[first.corner]?.fitted;
  const size = setup && attempt(() => outsideDiameterMm(setup.tire, parseTireSize(setup.tire.size)));
  if (!setup || !size || !size.ok) return null;
  return {
    cornerKey: first.corner,
    parts: said.shown,
    radiusMm: size.value / 2,
    rimRadiusMm: inToMm(setup.wheel.diameterIn) / 2,
    title: `${shown.value!.name}: ${said.headline.replace(/\.$/, '')}`,
    lines: [file.vehicle.label, ...said.lines.slice(0, 4), costOf(chosen.value)],
  };
});

const print = (): void => window.print();
const failed = ref('');
async function savePicture(): Promise<void> {
  const drawing = document.querySelector<SVGElement>('.wheel-picture');
  if (!drawing) return;
  const made = await pictureFile(drawing);
  failed.value = made ? '' : 'This browser cannot make a picture of it: print it instead.';
  if (made) saveBlob(`${job.title || 'answer'}.png`.replace(/[^\w. -]/g, '-'), made);
}
</script>

<template>
  <section class="customer" aria-label="For the customer">
    <div class="row no-print">
      <h2 class="grow">For the customer</h2>
      <v-btn height="48" variant="outlined" :prepend-icon="mdiImageOutline" :disabled="!pictured" @click="savePicture"
        >Save as a picture</v-btn
      >
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
    </div>
    <p v-if="failed" role="alert" class="verdict-rubs">{{ failed }}</p>
    <div class="halves">
      <ol class="stack">
        <li v-for="(card, i) in cards" :key="card.name + i">
          <button
            type="button"
            class="panel box card"
            :aria-pressed="shown === card"
            data-testid="customer-card"
            @click="chosen = i"
          >
            <span class="name figures">{{ card.name }}</span>
            <span v-if="card.said" class="headline"
              ><VerdictMark :verdict="card.said.verdict" :size="26" bare /> {{ card.said.headline }}</span
            >
            <span v-for="line in card.said?.lines ?? []" :key="line" class="line">{{ line }}</span>
            <span v-if="card.problem" class="verdict-rubs">{{ card.problem }}</span>
            <span v-if="card.said" class="line muted">{{ costOf(i) }}</span>
            <span v-if="!card.said && !card.problem" class="muted">Working it out</span>
          </button>
        </li>
      </ol>
      <WheelPicture v-if="pictured" v-bind="pictured" :units="units.unit" />
    </div>
    <p class="small muted">
      As measured on this vehicle, over everything its steering and springs allow. What may be fitted is for the
      vehicle’s and the part’s makers and for local rules on poke, covering, spacers and height.
    </p>
  </section>
</template>

<style scoped>
.customer {
  display: grid;
  gap: 12px;
}
h2 {
  font-family: var(--figures);
  font-size: 24px;
  font-weight: 600;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 16px;
  align-items: start;
}
.card:not(.v-btn) {
  width: 100%;
  padding: 12px 14px;
  text-align: left;
  gap: 6px;
  background: var(--paper);
  border: 1px solid var(--rule);
}
.card[aria-pressed='true'] {
  box-shadow: inset 0 0 0 2px var(--accent);
}
.name {
  font-size: 20px;
  line-height: 26px;
  font-weight: 600;
}
.headline {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 20px;
  line-height: 26px;
}
.line {
  font-size: 17px;
  line-height: 23px;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
