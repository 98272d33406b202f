<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { CatalogueContent, CatalogueKind } from '@/contracts/catalogue';
import { fieldText } from '@/contracts/problems';
import { vFirst } from '../kit/first-field';
import TapeGuides from '../help/TapeGuides.vue';
import { CATALOGUE_FIELDS } from './catalogue-fields';
import { readItem, textsOf } from './read-item';

/** One tire, wheel or spacer; what is wrong stays in its field and is said there. */
const props = defineProps<{ kind: CatalogueKind; data: Readonly<Record<string, unknown>>; isNew: boolean }>();
const emit = defineEmits<{ save: [item: CatalogueContent]; cancel: [] }>();

const NAMES: Readonly<Record<CatalogueKind, string>> = { tire: 'tire', wheel: 'wheel', spacer: 'spacer' };
const texts = reactive<Record<string, string>>(textsOf(props.kind, props.data));
const problems = ref<Readonly<Record<string, string>>>({});

function save(): void {
  const read = readItem(props.kind, texts);
  problems.value = read.ok ? {} : Object.fromEntries(read.problems.map((p) => [p.path, fieldText(p)]));
  if (read.ok) emit('save', read.value);
}
</script>

<template>
  <form class="panel dialog" @submit.prevent="save">
    <h2 class="panel-title">{{ isNew ? 'New' : 'Change this' }} {{ NAMES[kind] }}</h2>
    <div class="asked">
      <v-text-field
        v-for="(field, i) in CATALOGUE_FIELDS[kind]"
        :key="field.key"
        v-model="texts[field.key]"
        :label="field.needed ? `${field.title} (needed)` : field.title"
        :placeholder="field.hint"
        v-first="i === 0"
        :error-messages="problems[field.key] ? [problems[field.key]!] : []"
        autocomplete="off"
      />
    </div>
    <details v-if="kind === 'wheel'" data-testid="backspacing-guide">
      <summary>How backspacing is measured</summary>
      <TapeGuides :only="['backspacingOff', 'backspacingOn']" />
    </details>
    <div class="ends">
      <v-btn variant="text" height="48" @click="emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" color="primary" height="48">Save</v-btn>
    </div>
  </form>
</template>

<style scoped>
summary {
  padding: 13px 0;
  cursor: pointer;
  font-weight: 600;
}
/* Many fields on a small screen: they scroll, the keys stay in sight. */
.asked {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 10px;
  max-height: 62vh;
  overflow-y: auto;
  padding: 8px 4px 4px;
}
</style>
