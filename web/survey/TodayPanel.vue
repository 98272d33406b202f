<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import type { z } from 'zod';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import type { rubSchema } from '@/contracts/obstacle-schema';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Suspect, TodayDoubt } from '@/core/5-consequences/today/fitted-today';
import { useJobStore } from '../stores/job';
import { doubtSentence, suspectWords } from './today-words';

/** The fitted tire as the judge: where the numbers say otherwise than it shows, what is likeliest to be wrong, and a question. */
const props = defineProps<{ cornerKey: CornerKey }>();
const emit = defineEmits<{ look: [id: string] }>();
const job = useJobStore();

/** What was found last stays, marked as old, until the next answer stands: the room does not jump. */
const found = shallowRef(job.today);
watch(
  () => job.today,
  (now) => now && (found.value = now),
);
const isOld = computed(() => job.isOld || job.today === null);
const doubts = computed(() => (found.value ?? []).filter(({ corner }) => corner === props.cornerKey));
const isRead = computed(() =>
  (job.document?.corners[props.cornerKey]?.obstacles ?? []).some(({ readings, shape }) => readings?.length || shape),
);

type Rub = z.output<typeof rubSchema>;

function edit({ corner, id }: TodayDoubt, change: (obstacle: LowgapObstacle) => void): void {
  job.change((file) => {
    const found = file.corners[corner]?.obstacles.find((one) => one.id === id);
    if (found) change(found);
  });
}

const STEERED_DEG = 10;
const steerOf = (deg: number): Rub['steer'] => (Math.abs(deg) < STEERED_DEG ? 'straight' : deg > 0 ? 'left' : 'right');

/** The customer or a mark answers. */
const itRubs = (doubt: TodayDoubt): void =>
  edit(doubt, (found) => {
    const rub: Rub = { seen: 'mark', steer: steerOf(doubt.steerDeg), height: doubt.travelMm > 10 ? 'bump' : 'any' };
    found.rubs = [...(found.rubs ?? []).filter(({ touches }) => touches !== false), rub];
  });
const itDoesNot = (doubt: TodayDoubt): void =>
  edit(doubt, (found) => (found.rubs = [{ seen: 'mark', touches: false, steer: 'any', height: 'any' }]));

function follow(doubt: TodayDoubt, suspect: Suspect): void {
  if (suspect.kind === 'mount') edit(doubt, (found) => (found.mount = suspect.mount));
  else if (suspect.kind === 'reading') emit('look', doubt.id);
}
const KEY_WORDS: Readonly<Record<Exclude<Suspect['kind'], 'starting'>, string>> = {
  reading: 'Look at it',
  mount: 'Fix it to that',
};
</script>

<template>
  <section
    v-if="isRead && found"
    class="stack close today"
    :data-old="isOld || undefined"
    aria-label="The fitted tire today"
    data-testid="today"
  >
    <p v-if="doubts.length === 0" class="muted small">
      The fitted tire: by these numbers it touches nothing that it is not said to touch.
    </p>
    <article v-for="doubt in doubts" :key="doubt.id" class="stack close">
      <p class="verdict-close" data-testid="today-doubt">{{ doubtSentence(doubt) }}</p>
      <p v-if="doubt.suspects.length === 0" class="small">What was read leaves it open either way.</p>
      <template v-else>
        <p class="small">Likeliest to be wrong:</p>
        <ol class="ruled">
          <li v-for="(suspect, i) in doubt.suspects" :key="i" class="row" data-testid="suspect">
            <span class="grow">{{ suspectWords(suspect) }}</span>
            <v-btn
              v-if="suspect.kind === 'starting'"
              variant="outlined"
              height="48"
              :to="{ name: 'baseline', query: $route.query }"
              >To the Baseline</v-btn
            >
            <v-btn v-else variant="outlined" height="48" @click="follow(doubt, suspect)">{{
              KEY_WORDS[suspect.kind]
            }}</v-btn>
          </li>
        </ol>
      </template>
      <div class="row">
        <span>Does it rub there today?</span>
        <v-btn v-if="doubt.kind !== 'rubUnfound'" variant="outlined" height="48" @click="itRubs(doubt)">It rubs</v-btn>
        <v-btn v-if="doubt.kind !== 'saidNotTo'" variant="outlined" height="48" @click="itDoesNot(doubt)"
          >It does not</v-btn
        >
      </div>
    </article>
  </section>
</template>

<style scoped>
.today {
  border-bottom: 1px solid var(--rule);
  padding-bottom: 8px;
}
</style>
