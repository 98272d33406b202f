<script setup lang="ts">
/** Past the keys of the head to what the page is for. */
function skip(): void {
  const content = document.querySelector<HTMLElement>('#content, main');
  if (!content) return;
  content.tabIndex = -1;
  content.focus();
  content.scrollIntoView();
}
</script>

<template>
  <v-app>
    <a href="#content" class="skip" @click.prevent="skip">Skip to content</a>
    <router-view />
  </v-app>
</template>

<style scoped>
.skip {
  position: absolute;
  left: 8px;
  top: -80px;
  z-index: 3000;
  padding: 12px 18px;
  background: var(--paper);
  color: var(--ink);
  border-radius: 4px;
}
.skip:focus {
  top: 8px;
}
</style>
