<script setup lang="ts">
import { useKept } from '../saving/use-kept';
import { mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import { COMEBACK_CAUSES, type ComebackCause } from '@/core/7-job/follow-up/due';
import { COMEBACK_WORDS } from './follow-up-words';
import { type FollowUpState } from './use-follow-up';
import { dayText, today } from '../kit/dates';
import EntryList from '../kit/EntryList.vue';

/** What brought the vehicle back, by cause. */
const props = defineProps<{ state: FollowUpState }>();
const all = computed(() => props.state.followUp.value.comebacks);
const cause = ref<ComebackCause>('rub');
const note = useKept('followUp.comeback', () => '');
const CAUSES = COMEBACK_CAUSES.map((value) => ({ value, title: COMEBACK_WORDS[value] }));
function add(): void {
  props.state.change((own) =>
    own.comebacks.push({
      date: today(),
      cause: cause.value,
      ...(note.value.trim() ? { note: note.value.trim().slice(0, 400) } : {}),
    }),
  );
  note.value = '';
}
</script>

<template>
  <section class="panel box" aria-label="Comebacks">
    <h2 class="panel-title">Came back</h2>
    <p v-if="!all.length" class="muted">Nothing has come back.</p>
    <EntryList
      :entries="all"
      :words="
        ({ date, cause: why, note: found }) => `${dayText(date)}: ${COMEBACK_WORDS[why]}${found ? `. ${found}` : ''}`
      "
      :removal="() => 'Remove it'"
      @remove="(i) => state.change((own) => void own.comebacks.splice(i, 1))"
    />
    <v-select v-model="cause" :items="CAUSES" label="Why" hide-details />
    <v-text-field v-model="note" label="What was found" maxlength="400" hide-details />
    <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="add">It came back today</v-btn>
  </section>
</template>
