<script setup lang="ts">
import { isDay, today } from '../kit/dates';
import { useKept } from '../saving/use-kept';
import { ref } from 'vue';
import type { Consent, PlanEntry } from '@/contracts/plan';
import type { ThingOutcome } from '@/core/6-decisions/plan/judge-plan';
import { PRECAUTION_WORDS } from '@/sheets/plan-words';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { PlanEdit } from './use-plan-entry';
import DateField from '../kit/DateField.vue';

/** A maker's crash bracket: its own caution, its own statement, and the owner's consent before a plan may take it off. */
const props = defineProps<{ brackets: readonly ThingOutcome[]; plan: PlanEntry }>();
const emit = defineEmits<{ change: [edit: PlanEdit] }>();

const owner = useKept('plan.owner', () => '');
const date = ref(today());
const of = ({ corner, id }: ThingOutcome): Consent | undefined =>
  props.plan.consents.find((consent) => consent.corner === corner && consent.obstacle === id);

function agree({ corner, id }: ThingOutcome): void {
  emit('change', (plan) => {
    plan.allowed.crashBracket = 0;
    plan.consents = [...plan.consents, { corner, obstacle: id, owner: owner.value.trim(), date: date.value }];
  });
}
function withdraw({ corner, id }: ThingOutcome): void {
  emit('change', (plan) => {
    plan.consents = plan.consents.filter((consent) => consent.corner !== corner || consent.obstacle !== id);
  });
}
</script>

<template>
  <section class="panel box close" aria-label="Crash bracket">
    <h2 class="panel-title">Maker’s crash bracket</h2>
    <p class="verdict-rubs">{{ PRECAUTION_WORDS.ownerConsent }} {{ PRECAUTION_WORDS.structureStays }}</p>
    <p class="small">
      Taking it off is a decision of its own and never part of a plan by itself. With the owner’s consent it becomes one
      of the ways, and the work order carries the statement to be signed.
    </p>
    <div v-for="bracket in brackets" :key="bracket.corner + bracket.id" class="bracket">
      <strong>{{ bracket.label }}, {{ cornerName(bracket.corner) }}</strong>
      <template v-if="of(bracket)">
        <span>agreed by {{ of(bracket)!.owner }}, {{ of(bracket)!.date }}</span>
        <v-btn height="48" variant="text" @click="withdraw(bracket)">Withdraw</v-btn>
      </template>
      <template v-else>
        <v-text-field v-model="owner" label="Owner’s name" maxlength="80" hide-details />
        <DateField v-model="date" label="Agreed on" />
        <v-btn height="48" variant="outlined" :disabled="!owner.trim() || !isDay(date)" @click="agree(bracket)"
          >Owner agrees</v-btn
        >
      </template>
    </div>
  </section>
</template>

<style scoped>
.bracket {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
@media (max-width: 700px) {
  .bracket {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
