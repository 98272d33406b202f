<script setup lang="ts">
import { computed } from 'vue';
import type { LikelyRoom } from '@/core/3-survey/well/starter-well';
import type { QuickPlace } from '@/core/6-decisions/quick/quick-places';
import type { LengthUnit } from '@/core/1-base/units/length';
import type { Problem } from '@/core/1-base/problem';
import { fieldText } from '@/contracts/problems';
import { MOTION_NAMES } from '../words';
import { placeSays, roomWords, shortLabel, rangeWords, SAID_WORDS } from './quick-words';

/** Where today's tire must have room, with a stick of that length, and what the person on the phone says of it. */
const props = defineProps<{
  places: readonly QuickPlace[];
  answers: Readonly<Record<string, string>>;
  units: LengthUnit;
  /** How much room is likely there, by place. */
  rooms: Readonly<Record<string, LikelyRoom>>;
  /** How many suspensions were looked at: those that lack a thing are named. */
  suspensions: number;
  problemAt: (name: string) => Problem | undefined;
}>();
const emit = defineEmits<{ answer: [place: string, text: string] }>();

const only = ({ under }: QuickPlace): string =>
  under.length === props.suspensions ? '' : `, on ${under.map((one) => MOTION_NAMES[one].toLowerCase()).join(' or ')}`;
const refusal = ({ id }: QuickPlace): string => {
  const problem = props.problemAt(`said.${id}`);
  return problem ? fieldText(problem) : '';
};
/** mm that a sheet is wide within its margins: a longer stick is not drawn on it. */
const PAPER_MM = 170;
/** Side by side on the screen; on paper, at 100 %, as long as what is to be put into the gap. */
const longest = computed(() => Math.max(1, ...props.places.map(({ mostMm }) => mostMm)));
const stick = (mm: number): Record<string, string> => ({
  '--share': `${(100 * mm) / longest.value}%`,
  '--length': `${mm}mm`,
});
const SAID_CLASS = { enough: '', short: 'verdict-tooClose', between: 'verdict-close' } as const;
</script>

<template>
  <ol class="places">
    <li v-for="place in places" :key="place.id" data-testid="quick-place">
      <div class="what">
        <strong>{{ shortLabel(place) }}</strong>
        <span class="muted small">{{ placeSays(place) }}{{ only(place) }}</span>
      </div>
      <div class="needs">
        <strong class="figures">{{ rangeWords(place.leastMm, place.mostMm, units) }}</strong>
        <span v-if="rooms[place.id]" class="muted small" data-testid="quick-room">{{
          roomWords(rooms[place.id]!, units)
        }}</span>
        <span v-if="place.mostMm > PAPER_MM" class="only-print small">longer than the paper: by tape</span>
        <span class="stick" :class="{ long: place.mostMm > PAPER_MM }" aria-hidden="true"
          ><span class="sure" :style="stick(place.leastMm)"></span
          ><span class="may" :style="stick(place.mostMm - place.leastMm)"></span
        ></span>
      </div>
      <div class="said">
        <v-text-field
          :model-value="answers[place.id] ?? ''"
          :label="`Gap now at ${place.clock}`"
          :aria-label="`Gap now: ${shortLabel(place)}, ${placeSays(place)}`"
          placeholder="two fingers"
          autocomplete="off"
          :error-messages="refusal(place) ? [refusal(place)] : []"
          @update:model-value="(text: string | null) => emit('answer', place.id, text ?? '')"
        />
        <span v-if="place.said" class="small verdict" :class="SAID_CLASS[place.said]" role="status">{{
          SAID_WORDS[place.said]
        }}</span>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.places > li {
  display: grid;
  grid-template-columns: minmax(170px, 1.2fr) minmax(150px, 1fr) minmax(150px, 0.8fr);
  gap: 4px 14px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
  break-inside: avoid;
}
.what,
.needs,
.said {
  display: grid;
  gap: 2px;
  min-width: 0;
}
.what strong {
  font-size: 16px;
  line-height: 20px;
}
.needs strong {
  font-size: 18px;
}
.stick {
  display: flex;
  height: 9px;
  max-width: 100%;
  overflow: hidden;
}
.sure,
.may {
  flex: none;
  width: var(--share);
}
.sure {
  background: var(--ink);
}
.may {
  border: 1.5px solid var(--ink);
  border-left: 0;
}
.verdict {
  font-weight: 600;
}
@media (max-width: 760px) {
  .places > li {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .stick {
    max-width: none;
    overflow: visible;
    print-color-adjust: exact;
  }
  .sure,
  .may {
    width: var(--length);
  }
  .stick.long {
    display: none;
  }
  .places > li {
    grid-template-columns: minmax(0, 1fr);
  }
  .said :deep(.v-input) {
    display: none;
  }
}
</style>
