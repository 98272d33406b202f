<script setup lang="ts">
import { mdiArrowLeft } from '@mdi/js';
import HelpKey from '../help/HelpKey.vue';
import ThemeSwitch from './ThemeSwitch.vue';

/** The head of a page outside any job: what it is, the way back to the bay board, its keys, the theme. */
defineProps<{ title: string; says?: string; isFirst?: boolean }>();
</script>

<template>
  <header class="row head">
    <img v-if="isFirst" src="/icon.svg" alt="" width="44" height="48" />
    <v-btn v-else :icon="mdiArrowLeft" variant="text" size="48" :to="{ name: 'bay' }" aria-label="Bay board" />
    <div class="grow">
      <h1>{{ title }}</h1>
      <p v-if="says" class="muted">{{ says }}</p>
    </div>
    <slot />
    <HelpKey />
    <ThemeSwitch />
  </header>
</template>

<style scoped>
.head {
  gap: 8px;
  padding: 14px 28px;
}
h1 {
  font-family: var(--figures);
  font-size: 28px;
  line-height: 32px;
  font-weight: 600;
}
@media (min-width: 761px) {
  .head :deep(.v-btn--size-large) {
    min-height: 48px;
    padding-inline: 13px;
    font-size: 15px;
  }
}
@media (max-width: 760px) {
  .head {
    padding-inline: 14px;
  }
}
@media print {
  .head > :deep(:is(.v-btn, a.v-btn)) {
    display: none;
  }
}
</style>
