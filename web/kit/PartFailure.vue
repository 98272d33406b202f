<script setup lang="ts">
import NoticeBox from './NoticeBox.vue';

/** In the place of a part of a page that could not be fetched. */
</script>

<template>
  <NoticeBox kind="warning" data-testid="part-failure">
    A part of this page is not in this browser yet, and the server does not answer. Load the page again once it does:
    what was typed is kept.
  </NoticeBox>
</template>
