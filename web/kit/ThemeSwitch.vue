<script setup lang="ts">
import { mdiFlashlight, mdiWhiteBalanceSunny } from '@mdi/js';
import { computed } from 'vue';
import { useTheme } from 'vuetify';
import { rememberTheme } from '../theme';

const theme = useTheme();
const dark = computed(() => theme.global.name.value === 'bay');

function change(): void {
  const next = dark.value ? 'counter' : 'bay';
  theme.change(next);
  rememberTheme(next);
}
</script>

<template>
  <v-btn
    variant="text"
    size="48"
    :icon="dark ? mdiWhiteBalanceSunny : mdiFlashlight"
    :aria-label="dark ? 'Counter theme (light)' : 'Bay theme (dark)'"
    :title="dark ? 'Counter theme (light)' : 'Bay theme (dark)'"
    @click="change"
  />
</template>
