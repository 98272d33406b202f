<script setup lang="ts">
import { computed } from 'vue';
import NoticeBox from '../kit/NoticeBox.vue';
import { newVersion, shownSince } from './offline-state';
import { keptWords } from './offline-words';

const words = computed(() => keptWords(shownSince.value));
</script>

<template>
  <NoticeBox v-if="words" kind="warning" data-testid="offline">{{ words }}</NoticeBox>
  <NoticeBox v-if="newVersion" kind="warning" data-testid="new-version">
    A newer version of Low Gap is here.
    <v-btn variant="outlined" height="48" class="mt-2" @click="newVersion()">Load it now</v-btn>
  </NoticeBox>
</template>
