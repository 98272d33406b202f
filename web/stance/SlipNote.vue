<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { useJobStore } from '../stores/job';
import { slipJointWords } from './slip-joint';

/** A slip joint that a setup (the bench's, unless another is given) leaves engaged by too little, wherever such a setup may be chosen. */
const props = defineProps<{ setup?: LowgapSetup | undefined }>();
const job = useJobStore();
const words = computed(() =>
  job.document ? slipJointWords(props.setup ? { ...job.document, setup: props.setup } : job.document) : [],
);
</script>

<template>
  <p v-for="one in words" :key="one" class="verdict-rubs small" role="alert" data-testid="slip-short">{{ one }}</p>
</template>
