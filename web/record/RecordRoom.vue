<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { ENOUGH, summaryOf } from '@/core/7-job/record/summary';
import { COMEBACK_CAUSES } from '@/core/7-job/follow-up/due';
import { formatMm } from '@/core/1-base/units/length';
import { timeWords } from '@/sheets/plan-words';
import { COMEBACK_WORDS } from '../followup/follow-up-words';
import FiguresTable from '../kit/FiguresTable.vue';
import PageHead from '../kit/PageHead.vue';
import { PART_WORDS } from '../stance/part-fields';
import { useShopRecord } from '../stores/shop-record';

/** What the shop's jobs say together: promised against measured, nominal against measured, planned against spent, comebacks. */
const shop = useShopRecord();
onMounted(() => void shop.load());

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const heights = computed(() =>
  [...shop.record.heights].map(([kind, all]) => {
    const shares = summaryOf(
      all.filter(({ promisedMm }) => promisedMm !== 0).map((one) => one.measuredMm / one.promisedMm),
    );
    const band = shop.learned.get(kind);
    return {
      kind: PART_WORDS[kind],
      count: all.length,
      says: shares
        ? `${percent(shares.mean)} of the promise on average, ${percent(shares.least)} to ${percent(shares.most)}`
        : 'nothing to say',
      next: band ? `${percent(1 - band.below)} to ${percent(1 + band.above)}` : 'the usual band',
    };
  }),
);
const tires = computed(() => {
  const all = summaryOf(shop.record.tires.map(({ nominalMm, measuredMm }) => measuredMm - nominalMm));
  return { rows: shop.record.tires, all };
});
const hours = computed(() => {
  const { hours: all } = shop.record;
  return {
    share: summaryOf(all.map(({ plannedMinutes, spentMinutes }) => spentMinutes / Math.max(1, plannedMinutes))),
    lost: all.reduce((sum, { lostMinutes }) => sum + lostMinutes, 0),
  };
});
const comebacks = computed(() =>
  COMEBACK_CAUSES.flatMap((cause) => {
    const count = shop.record.comebacks.get(cause);
    return count ? [{ cause, count }] : [];
  }),
);
const few = (count: number): string => (count < ENOUGH ? ` Too few (${count}) to say how the next will be.` : '');
</script>

<template>
  <PageHead
    title="Shop record"
    says="What was promised and what was measured, from the jobs that may go into it (asked at the hand-over)"
  />
  <main class="page stack">
    <p v-if="shop.state === 'unreachable'" class="panel box verdict-rubs" role="alert">The server does not answer.</p>
    <section class="panel box" aria-label="Heights">
      <h2 class="panel-title">Lift, promised against measured</h2>
      <p v-if="!heights.length" class="muted">
        Nothing yet: read hub to lip again in a test fit, on a corner where one kind of part alone gives the lift.
      </p>
      <FiguresTable
        v-else
        data-testid="record-heights"
        caption="Lift, promised against measured"
        corner="Kind of part"
        :columns="['Vehicles', 'It gave', 'Expected of the next']"
        :rows="heights.map(({ kind, count, says, next }) => ({ name: kind, cells: [String(count), says, next] }))"
      />
      <p class="small muted">
        The usual band counts like four measurements: the shop’s own take over as they come in. Shown in Stance and in
        the test fit.
      </p>
    </section>
    <section class="panel box" aria-label="Tires">
      <h2 class="panel-title">Tires, nominal against measured</h2>
      <p v-if="!tires.all" class="muted">No tire was measured yet.</p>
      <template v-else>
        <p data-testid="record-tires">
          {{ tires.all.count }} measured: {{ formatMm(tires.all.mean) }} mm on average beside the size’s diameter,
          {{ formatMm(tires.all.least) }} to {{ formatMm(tires.all.most) }}.{{ few(tires.all.count) }}
        </p>
        <ul class="bullets">
          <li v-for="(t, i) in tires.rows" :key="i">
            {{ t.size }}: {{ formatMm(t.nominalMm) }} by its size, {{ formatMm(t.measuredMm) }} measured
          </li>
        </ul>
      </template>
    </section>
    <section class="panel box" aria-label="Hours">
      <h2 class="panel-title">Hours, planned against spent</h2>
      <p v-if="!hours.share" class="muted">No job yet with a plan and minutes on its sheet.</p>
      <p v-else data-testid="record-hours">
        {{ hours.share.count === 1 ? 'One job' : `${hours.share.count} jobs` }} took {{ percent(hours.share.mean) }} of
        the plan on average, {{ percent(hours.share.least) }} to {{ percent(hours.share.most) }}; problems found cost
        {{ timeWords(hours.lost) }} beside.{{ few(hours.share.count) }}
      </p>
    </section>
    <section class="panel box" aria-label="Comebacks">
      <h2 class="panel-title">Comebacks by cause</h2>
      <p v-if="!comebacks.length" class="muted">None noted, of {{ shop.record.handedOver }} handed over.</p>
      <ul class="bullets" v-else data-testid="record-comebacks">
        <li v-for="c in comebacks" :key="c.cause">{{ COMEBACK_WORDS[c.cause] }}: {{ c.count }}</li>
      </ul>
      <p v-if="comebacks.length" class="muted">Vehicles handed over: {{ shop.record.handedOver }}.</p>
    </section>
  </main>
</template>
