<script setup lang="ts">
import { computed } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { CsvTable } from './csv';

/** What a table would bring, before anything is taken: each bad line by number and field. */
const props = defineProps<{ table: CsvTable }>();
const emit = defineEmits<{ take: []; cancel: [] }>();

const bad = computed(() => props.table.lines.filter(({ item }) => !item));
const good = computed(() => props.table.lines.length - bad.value.length);
const SEPARATORS: Readonly<Record<string, string>> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'bars' };
const plural = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
</script>

<template>
  <section class="panel box" aria-labelledby="csv-title" data-testid="csv-preview">
    <h2 id="csv-title" class="panel-title">{{ plural(good, 'good line') }}, {{ plural(bad.length, 'bad line') }}</h2>
    <p class="muted">
      Read as {{ table.encoding }}, columns parted by {{ SEPARATORS[table.separator] ?? table.separator }}.<template
        v-if="table.strange.length"
      >
        Left out, because nothing is known of them: {{ table.strange.join(', ') }}.</template
      >
    </p>
    <ul v-if="bad.length">
      <li v-for="line in bad.slice(0, 40)" :key="line.line">
        <strong class="figures">Line {{ line.line }}</strong> <span class="muted">{{ line.text }}</span>
        <div v-for="p in line.problems" :key="p.path + p.expected" class="verdict-rubs">
          <template v-if="p.path">{{ p.path }}: </template>{{ fieldText(p) }}
        </div>
      </li>
      <li v-if="bad.length > 40" class="muted">and {{ bad.length - 40 }} more</li>
    </ul>
    <div class="ends">
      <v-btn variant="text" height="48" @click="emit('cancel')">Take nothing</v-btn>
      <v-btn color="primary" height="48" :disabled="good === 0" @click="emit('take')"
        >Take the {{ plural(good, 'good line') }}</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  max-height: 260px;
  overflow: auto;
}
</style>
