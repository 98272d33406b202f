<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue';
import { asCase } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/clearance/description';
import { travelLimits } from '@/core/clearance/envelope';
import { fitmentChange } from '@/core/stance/fitment-change';
import { attempt } from '@/core/problem';
import { sceneWindow, touchSection, wellScene } from '../drawing/well-scene';
import { useCurrentCorner } from '../job/current-corner';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES, verdictSentence } from '../words';
import ChangeTable from './ChangeTable.vue';
import GapLadder from './GapLadder.vue';
import LeverList from './LeverList.vue';
import SpreadNote from './SpreadNote.vue';
import SetupPanel from './SetupPanel.vue';
import TouchView from './TouchView.vue';
import WellView from './WellView.vue';

const job = useJobStore();
const key = useCurrentCorner();

const corner = computed(() => job.document?.corners[key.value]);
const obstacles = computed(() => job.evaluation?.obstacles.filter((o) => o.corner === key.value) ?? []);
const unknown = computed(() => job.evaluation?.unmeasured.filter((o) => o.corner === key.value) ?? []);
const unmeasured = computed(() => unknown.value.filter((o) => o.why === 'notMeasured'));
const unseen = computed(() => unknown.value.filter((o) => o.why === 'behindRemoved'));

/** The picked obstacle when it is on this corner, else this corner's own least margin. */
const picked = computed(() => {
  if (job.picked?.corner === key.value) return job.picked;
  return obstacles.value.reduce<(typeof obstacles.value)[number] | null>(
    (least, o) => (least === null || o.marginMm < least.marginMm ? o : least),
    null,
  );
});

const description = computed(() => (job.document ? asCase(job.document) : null));

const scene = computed(() => {
  if (!description.value || !corner.value) return null;
  const built = attempt(() => wellScene(description.value!, key.value, obstacles.value, picked.value));
  return built.ok ? built.value : null;
});
const window = computed(() => (scene.value ? sceneWindow(scene.value) : null));
/** The left column holds the views with y across, the right one the view with x across. */
const columns = computed(() => {
  if (!window.value) return '1fr 1fr';
  const { x, y } = window.value;
  return `${y[1] - y[0]}fr ${x[1] - x[0]}fr`;
});
const cut = computed(() => {
  if (!description.value || !picked.value) return null;
  const built = attempt(() => touchSection(description.value!, picked.value!));
  return built.ok ? built.value : null;
});
const rideMm = computed(() => {
  if (!description.value || !corner.value) return 0;
  const limits = attempt(() => travelLimits(corner.value!, setupForCorner(description.value!, key.value)));
  return limits.ok ? limits.value.ride : 0;
});
const change = computed(() => {
  if (!description.value?.setup || !corner.value) return null;
  const found = attempt(() => fitmentChange(corner.value!, setupForCorner(description.value!, key.value)));
  return found.ok ? found.value : null;
});

const rubbing = computed(() => picked.value?.verdict === 'rubs');
/** Spread and levers follow what is shown. */
watch(
  [key, () => (rubbing.value ? picked.value!.id : null)],
  ([corner, obstacle]) => (job.studyOf = { corner, obstacle }),
  { immediate: true },
);
onUnmounted(() => (job.studyOf = null));
const study = computed(() => (job.study?.corner === key.value ? job.study : null));
const spreads = computed(() => new Map((study.value?.spread?.obstacles ?? []).map((o) => [o.id, o] as const)));
const labelOf = (id: string): string => corner.value?.obstacles.find((o) => o.id === id)?.label ?? id;

function pick(id: string): void {
  job.pick = { corner: key.value, id };
}
</script>

<template>
  <div class="bench">
    <SetupPanel class="setup-column" />

    <section class="panel views" aria-label="The well, to scale">
      <template v-if="!corner">
        <p class="empty">
          {{ CORNER_NAMES[key] }} has no baseline yet. Take it in the Baseline, then try a setup here.
        </p>
      </template>
      <template v-else-if="scene && window">
        <div class="grid" :style="{ '--columns': columns }">
          <WellView view="above" title="From above" :scene="scene" :window="window" @pick="pick" />
          <TouchView v-if="cut && picked" :section="cut" :picked="picked" />
          <p v-else class="empty">
            Nothing near this tire has been surveyed yet. Each reading taken in the Survey appears here.
          </p>
          <WellView view="front" title="From the front" :scene="scene" :window="window" @pick="pick" />
          <WellView view="side" title="From outside" :scene="scene" :window="window" @pick="pick" />
        </div>
        <p class="legend muted">
          <span class="swatch tried" /> tried, in the posture of the picked rung <span class="swatch fitted" /> fitted,
          parked and straight
        </p>
      </template>
      <p v-else class="empty verdict-rubs">This setup cannot be drawn: see what the gap strip says.</p>
    </section>

    <section class="panel answer">
      <p v-if="picked" class="sentence" data-testid="sentence" :class="`verdict-${picked.verdict}`">
        {{ verdictSentence(picked, rideMm) }}
      </p>
      <p v-if="picked && picked.lateralToleranceMm > 0" class="muted small">
        How far outboard it lies was not measured: its place across the tire may be off by
        {{ picked.lateralToleranceMm.toFixed(0) }} mm.
      </p>
      <SpreadNote
        v-if="picked"
        :spread="spreads.get(picked.id) ?? null"
        :next="study?.spread?.next ?? []"
        :label-of="labelOf"
      />
      <GapLadder
        v-if="obstacles.length"
        :obstacles="obstacles"
        :spreads="spreads"
        :picked-id="picked?.id ?? null"
        :ride-mm="rideMm"
        @pick="pick"
      />
      <LeverList
        v-if="picked && rubbing"
        :corner="key"
        :levers="study?.levers?.id === picked.id ? study.levers : null"
      />
      <p v-if="unmeasured.length" class="small">
        Listed but not measured, so nothing is said about: {{ unmeasured.map((o) => o.label).join(', ') }}.
      </p>
      <p v-if="unseen.length" class="small">
        Nobody looked behind what comes off: {{ unseen.map((o) => o.label).join(', ') }}. What stands there is unknown.
      </p>
      <ChangeTable v-if="change" :change="change" />
      <p class="caution small">
        A verdict is for the vehicle as surveyed, and only as good as its readings. Fit nothing the vehicle's or the
        part's maker forbids; local rules on wheel coverage, spacers and height still apply. Check the fit at full lock
        and full bump before driving, with the vehicle on stands and never on its jack.
      </p>
    </section>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr) 430px;
  gap: 14px;
  align-items: start;
}
.views {
  padding: 10px 12px;
}
.grid {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 4px 12px;
  max-width: 480px;
  margin: 0 auto;
}
.answer {
  padding: 10px 14px;
  display: grid;
  gap: 8px;
}
.sentence {
  font-size: 18px;
  line-height: 24px;
  font-weight: 500;
  margin: 0;
}
.small {
  font-size: 14px;
  line-height: 19px;
  margin: 0;
}
.caution {
  border-left: 4px solid var(--rule);
  padding-left: 10px;
  color: var(--muted);
}
.legend {
  font-size: 14px;
  margin: 6px 0 0;
}
.swatch {
  display: inline-block;
  width: 26px;
  height: 0;
  border-top: 3px solid var(--accent);
  vertical-align: middle;
  margin: 0 4px 0 8px;
}
.swatch.fitted {
  border-top: 3px dashed var(--ghost);
}
.empty {
  padding: 20px 8px;
  font-size: 17px;
}
@media (max-width: 1180px) {
  .bench {
    grid-template-columns: 270px minmax(0, 1fr);
  }
  .answer {
    grid-column: 1 / -1;
    order: -1;
  }
}
@media (max-width: 760px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
