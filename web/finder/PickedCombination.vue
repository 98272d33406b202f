<script setup lang="ts">
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { mdiWrenchOutline } from '@mdi/js';
import { computed } from 'vue';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import type { Explanation } from '@/core/6-decisions/finder/session';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { postureWords } from '../words';
import { chanceWords, leverSentence, verdictSentence } from '../advice';
import { changesWords, lowGapWords, REMEDY_WORDS, stanceWords, tireWords, wheelWords } from './finder-words';

/** One combination looked at closely: what it meets, what mends it, how sure that is, and other ways to the same tire. */
const props = defineProps<{
  explanation: Explanation | null;
  explaining: boolean;
  ways: readonly FoundRow[];
  rideMm: number;
  /** Enough was measured to say that something clears. */
  isKnown: boolean;
}>();
const emit = defineEmits<{ bench: []; plan: []; pick: [number: number] }>();

const title = computed(() => {
  const setup = props.explanation?.setup;
  if (!setup) return 'No combination picked';
  const { tire, wheel, spacerMm } = setup;
  return `${tire.size} on ${wheel.diameterIn} x ${wheel.widthIn}, offset ${signedMm(wheel.offsetMm ?? 0)}${spacerMm ? `, ${formatMm(spacerMm)} mm spacer` : ''}`;
});
const unmended = computed(() => props.explanation?.changes.some(({ remedy }) => remedy === null) ?? false);
const stands = computed(() => {
  if (props.explanation?.failing.length !== 0) return 'needs changes';
  return props.isKnown ? 'clears as it is' : 'falls nowhere short, and is not known to clear';
});
const tone = computed(() => {
  if (props.explanation?.failing.length) return unmended.value ? 'verdict-rubs' : 'verdict-close';
  return props.isKnown ? 'verdict-clear' : 'verdict-notKnown';
});
const window = computed(() => {
  const found = props.explanation?.window;
  return found
    ? `This tire on this rim clears as it is from effective offset ${signedMm(found.fromMm)} to ${signedMm(found.toMm)} mm.`
    : 'At no offset near this one does this tire clear as it is.';
});
</script>

<template>
  <section class="panel box" aria-label="Picked combination">
    <div class="apart">
      <h2 class="panel-title figures">{{ title }}</h2>
      <div v-if="explanation" class="keys">
        <v-btn v-if="explanation.failing.length" height="48" variant="outlined" @click="emit('plan')">Plan it</v-btn>
        <v-btn color="primary" height="48" :prepend-icon="mdiWrenchOutline" @click="emit('bench')"
          >Put on the bench</v-btn
        >
      </div>
    </div>
    <p v-if="explaining" class="muted">Looking closely</p>
    <p v-else-if="!explanation" class="muted">Pick a place on the board or a line of the list.</p>
    <template v-else>
      <p data-testid="picked-says">
        <strong :class="tone">{{ unmended ? 'Does not do' : stands }}</strong><template v-if="explanation.low"
          >: {{ verdictSentence(explanation.low, rideMm) }}</template
        >
        <template v-if="explanation.chanceOfRub !== null">
          By the measuring error {{ chanceWords(explanation.chanceOfRub) }}.</template
        >
      </p>
      <ul v-if="explanation.changes.length" class="bullets">
        <li v-for="c in explanation.changes" :key="c.corner + c.id">
          <strong>{{ c.remedy ? REMEDY_WORDS[c.remedy] : 'Nothing allowed does' }}</strong>
          {{ c.label }}, {{ cornerName(c.corner) }}: {{ formatMm(c.mm) }} mm.
        </li>
      </ul>
      <p v-if="explanation.levers">{{ leverSentence(explanation.levers) }}</p>
      <p v-if="explanation.nearest">
        Nearest that does: {{ tireWords(explanation.nearest) }} on {{ wheelWords(explanation.nearest)
        }}{{ stanceWords(explanation.nearest) ? `, ${stanceWords(explanation.nearest)}` : '' }}.
        <v-btn size="small" height="48" variant="text" @click="emit('pick', explanation.nearest.number)"
          >Look at it</v-btn
        >
      </p>
      <p>{{ window }}</p>
      <template v-if="ways.length > 1">
        <h3>Ways to this tire, least permanent first</h3>
        <ol class="ways ruled">
          <li v-for="w in ways" :key="w.number">
            <button
              type="button"
              class="line-key way"
              :aria-current="w.number === explanation.number"
              @click="emit('pick', w.number)"
            >
              <span>{{ wheelWords(w) }}{{ stanceWords(w) ? `, ${stanceWords(w)}` : '' }}</span>
              <span class="figures">{{ lowGapWords(w) }} mm</span>
              <span class="muted">{{ changesWords(w) }}</span>
            </button>
          </li>
        </ol>
      </template>
      <p v-if="explanation.low" class="small muted">
        Low gap met {{ postureWords(explanation.low.steerDeg, explanation.low.travelMm, rideMm) }}. A trial fit before
        buying stays the last word.
      </p>
    </template>
  </section>
</template>

<style scoped>
.way {
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 8px;
}
.way .muted {
  grid-column: 1 / -1;
  font-size: 14px;
}
</style>
