<script setup lang="ts">
import { computed } from 'vue';
import { useJobStore } from '../stores/job';
import { slipJointWords } from './slip-joint';

/** A slip joint that the setup leaves engaged by too little, wherever such a setup may be chosen. */
const job = useJobStore();
const words = computed(() => (job.document ? slipJointWords(job.document) : []));
</script>

<template>
  <p v-for="one in words" :key="one" class="verdict-rubs small" role="alert" data-testid="slip-short">{{ one }}</p>
</template>
