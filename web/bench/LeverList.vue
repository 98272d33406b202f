<script setup lang="ts">
import { computed, ref } from 'vue';
import { asCase } from '@/contracts/as-case';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { SetupDescription } from '@/core/2-vehicle/setup/setup';
import { LEVERS, type LeverKind } from '@/core/6-decisions/levers/lever-kinds';
import type { Lever, ObstacleLevers } from '@/core/6-decisions/levers/levers';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import { LEVER_NAMES, leverSentence, leverWords, roundedLever } from '../advice';
import { trySetup } from './try-setup';

/** What would clear the picked obstacle: each single change, tried with one press. null while it is worked out. */
const props = defineProps<{ corner: CornerKey; levers: ObstacleLevers | null }>();

const emit = defineEmits<{ tried: [words: string] }>();

const job = useJobStore();
const all = ref(false);
const SHOWN = 4;

/** A stop is set with a wrench, a spacer comes off again, a lift changes everything. */
const COST: readonly LeverKind[] = [
  'steerStopLeft',
  'steerStopRight',
  'bumpStop',
  'spacer',
  'offsetMore',
  'offsetLess',
  'rimNarrower',
  'rimWider',
  'widthLess',
  'diameterLess',
  'axleForward',
  'axleBack',
  'casterMore',
  'casterLess',
  'camberIn',
  'springLift',
  'strutTopLift',
  'blockLift',
  'linkageDrop',
  'bodyLift',
];

const of = (outcome: Lever['outcome']): Lever[] => props.levers?.levers.filter((l) => l.outcome === outcome) ?? [];
/** Those that upset nothing first; of these, what costs least and can be undone. */
const clearing = computed(() =>
  [...of('clears')].sort((a, b) => a.upsets.length - b.upsets.length || COST.indexOf(a.kind) - COST.indexOf(b.kind)),
);
const shown = computed(() => (all.value ? clearing.value : clearing.value.slice(0, SHOWN)));
const helping = computed(() => of('helps').map(({ kind }) => LEVER_NAMES[kind]));
const useless = computed(() => of('nothing').map(({ kind }) => LEVER_NAMES[kind]));
const worse = computed(() => of('worsens').map(({ kind }) => LEVER_NAMES[kind]));

function tryLever(lever: Lever): void {
  const file = job.document;
  const corner = file?.corners[props.corner];
  if (!file || !corner) return;
  const before = enteredSetupFor(asCase(file), props.corner);
  const after: SetupDescription = LEVERS[lever.kind].apply(before, roundedLever(lever), corner);
  job.changeSetup((next) => trySetup(next, props.corner, before, after));
  emit('tried', leverWords(lever.kind, roundedLever(lever)));
}
</script>

<template>
  <section class="stack close" aria-label="What would clear it">
    <h2 class="panel-title">What would clear it</h2>
    <p v-if="!levers" class="muted small">Trying every single change ...</p>
    <template v-else>
      <p class="said" data-testid="lever-sentence">{{ leverSentence(levers) }}</p>
      <p v-if="!clearing.length && levers.trimMm === null && !levers.unbolts" class="small">
        No single change does. Two together may: see which help.
      </p>
      <ul class="ruled">
        <li v-for="lever in shown" :key="lever.kind">
          <span class="what">
            <strong>{{ leverWords(lever.kind, roundedLever(lever)) }}</strong>
            <span v-if="lever.upsets.length" class="muted">
              but then {{ lever.upsets.map((u) => `${u.label} (${formatMm(u.afterMm)} mm)`).join(', ') }} falls short
            </span>
          </span>
          <v-btn
            height="48"
            min-width="64"
            variant="outlined"
            :data-testid="`try-${lever.kind}`"
            @click="tryLever(lever)"
          >
            Try
          </v-btn>
        </li>
      </ul>
      <v-btn v-if="clearing.length > SHOWN" class="more" height="48" min-width="64" variant="text" @click="all = !all">
        {{ all ? 'Fewer' : `${clearing.length - SHOWN} more` }}
      </v-btn>
      <p v-if="levers.trimMm !== null" class="small">
        Or trimmed back by {{ formatMm(levers.trimMm) }} mm here, where maker and owner allow it. Cut nothing
        structural: a body mount is cut and welded by a qualified person only.
      </p>
      <p v-if="levers.unbolts" class="small">Or unbolted.</p>
      <p v-if="helping.length" class="muted small">Helps, not enough alone: {{ helping.join(', ') }}.</p>
      <p v-if="useless.length" class="muted small">Does nothing here: {{ useless.join(', ') }}.</p>
      <p v-if="worse.length" class="muted small">Makes it worse: {{ worse.join(', ') }}.</p>
    </template>
  </section>
</template>

<style scoped>
li {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 48px;
  border-top: 1px solid var(--rule);
}
.what {
  flex: 1;
  font-size: 16px;
  line-height: 20px;
}
.what strong {
  font-weight: 500;
}
.said {
  font-size: 17px;
  line-height: 23px;
  font-weight: 500;
}
.more {
  justify-self: start;
  padding: 0 12px;
}
</style>
