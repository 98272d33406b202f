<script setup lang="ts">
import { ref, shallowRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Problem } from '@/core/1-base/problem';
import { api, problemsOf } from '../api';
import { vFirst } from '../kit/first-field';
import NoticeBox from '../kit/NoticeBox.vue';
import PageHead from '../kit/PageHead.vue';
import { problemText } from '../problem-words';
import { useWho } from '../stores/who';

/** Makes this browser a paired device, by a code that came with the address or is typed. */
const route = useRoute();
const router = useRouter();
const who = useWho();
const code = ref(route.hash.slice(1));
const name = ref('');
const problems = shallowRef<readonly Problem[]>([]);

async function pair(): Promise<void> {
  const answer = await api.pair({ code: code.value, name: name.value.trim() });
  problems.value = problemsOf(answer);
  if (!answer.ok) return;
  await who.load();
  await router.replace({ name: 'signIn' });
}
</script>

<template>
  <PageHead title="Pair this device" says="Names and PINs do on it then" is-first />
  <main class="page">
    <form class="panel pair" @submit.prevent="pair">
      <v-text-field
        v-model="code"
        label="Code"
        autocomplete="off"
        hint="shown by the owner under People, good for ten minutes"
        persistent-hint
      />
      <v-text-field v-model="name" label="What this device is called" hint="such as Bay 2" persistent-hint v-first />
      <NoticeBox v-if="problems.length" kind="error" data-testid="pair-problems">
        <div v-for="p in problems.slice(0, 4)" :key="p.path + p.code">{{ problemText(p) }}</div>
      </NoticeBox>
      <v-btn type="submit" color="primary" size="large" :disabled="name.trim() === '' || code.trim() === ''"
        >Pair it</v-btn
      >
    </form>
  </main>
</template>

<style scoped>
.pair {
  max-width: 560px;
  padding: 20px;
  display: grid;
  gap: 12px;
}
</style>
