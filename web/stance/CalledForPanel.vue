<script setup lang="ts">
import { computed } from 'vue';
import { HEIGHT_SCHOOLS, SCHOOL_ASKS, type HeightSchool } from '@/core/5-consequences/stance/height-schools';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { calledForWords, notAnsweredWords } from './called-for-words';
import { SCHOOL_WORDS } from './stance-words';
import type { CornerReport } from './use-stance';

/** What the new height calls for, corner by corner, and what cannot be answered yet. */
const props = defineProps<{ reports: readonly CornerReport[] }>();

const calls = computed(() =>
  props.reports.flatMap(({ key, calls: found }) =>
    found.map((call) => ({
      key: `${key}${call.what}`,
      corner: CORNER_NAMES[key],
      says: calledForWords(call),
      by: call.schools.length === HEIGHT_SCHOOLS.length ? '' : call.schools.map((one) => SCHOOL_WORDS[one]).join(', '),
    })),
  ),
);
/** Questions without an answer; corners that lack the same are said together. */
const open = computed(() => {
  const corners = new Map<string, string[]>();
  for (const { key, open: questions } of props.reports) {
    if (questions.length === 0) continue;
    const says = notAnsweredWords(questions);
    corners.set(says, [...(corners.get(says) ?? []), CORNER_NAMES[key]]);
  }
  return [...corners].map(([says, names]) => ({ corner: names.join(', '), says }));
});
const percent = (school: HeightSchool): string => `${Math.round(100 * SCHOOL_ASKS[school].share)} %`;
</script>

<template>
  <section class="panel box" aria-label="What it calls for">
    <h2 class="panel-title">What this height calls for</h2>
    <p v-if="!calls.length" class="muted" data-testid="calls-nothing">
      {{ open.length ? 'Nothing of what could be answered. Not answered:' : 'Nothing more than before the change.' }}
    </p>
    <ul v-else class="bullets" data-testid="calls">
      <li v-for="call in calls" :key="call.key">
        <strong>{{ call.corner }}.</strong> {{ call.says }}
        <span v-if="call.by" class="muted">Only by the school: {{ call.by }}.</span>
      </li>
    </ul>
    <ul v-if="open.length" class="bullets small" data-testid="calls-open">
      <li v-for="one in open" :key="one.corner">
        <strong>{{ one.corner }}: not answered.</strong> Measure {{ one.says }}.
      </li>
    </ul>
    <p class="small muted">
      Schools differ. One keeps a reserve ({{ percent('keepReserve') }} of what joints and adjusters can,
      {{ SCHOOL_ASKS.keepReserve.spareMm }} mm of shock and hose); one goes to the limit; one counts on corrected arms,
      longer shocks and hoses in any case. Working values of this program.
    </p>
    <p class="small">
      Support the axle before a shock comes off; coil springs store lethal energy; gas-charged shocks only by those
      equipped. The vehicle’s and the parts’ makers have the last word.
    </p>
  </section>
</template>
