<script setup lang="ts">
import { ref } from 'vue';

/** A part of a room that is unfolded when it is wanted; folded it still says what stands in it. `late`: made only then. */
defineProps<{ title: string; says: string; warns?: boolean; late?: boolean }>();
const wasOpen = ref(false);
const toggled = (event: Event): void => {
  if ((event.target as HTMLDetailsElement).open) wasOpen.value = true;
};
</script>

<template>
  <details class="panel folded" @toggle="toggled">
    <summary>
      <h2 class="panel-title">{{ title }}</h2>
      <span class="small" :class="warns ? 'verdict-close' : 'muted'">{{ says }}</span>
    </summary>
    <div v-if="!late || wasOpen" class="stack inside"><slot /></div>
  </details>
</template>

<style scoped src="./folded.css"></style>

<style scoped>
.folded {
  break-inside: avoid;
  margin-bottom: 14px;
  padding: 0 14px;
}
.inside {
  padding-bottom: 14px;
  font-size: 14px;
}
</style>
