<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Problem } from '@/core/1-base/problem';
import { api, problemsOf, type ApiResult } from '../api';
import { vFirst } from '../kit/first-field';
import NoticeBox from '../kit/NoticeBox.vue';
import PageHead from '../kit/PageHead.vue';
import { problemText } from '../problem-words';
import { useWho } from '../stores/who';
import { backTo } from './guard';

/** Signing in: by name and PIN on a paired tablet, by name and password elsewhere; the first time by the code on the console. */
const who = useWho();
const route = useRoute();
const router = useRouter();
const name = ref('');
const password = ref('');
const pin = ref('');
const code = ref('');
/** On a paired tablet somebody may sign in by a password all the same. */
const byPassword = ref(false);
const problems = shallowRef<readonly Problem[]>([]);
const isWorking = ref(false);

onMounted(() => void who.load());
const isPaired = computed(() => who.me?.device != null && !byPassword.value);

async function go(asked: Promise<ApiResult<unknown>>): Promise<void> {
  isWorking.value = true;
  const answer = await asked;
  isWorking.value = false;
  pin.value = '';
  problems.value = problemsOf(answer);
  if (!answer.ok) return;
  await who.load();
  await router.replace(backTo(route.query['then']));
}

function submit(): Promise<void> {
  if (who.me?.isFirst) return go(api.makeFirst({ code: code.value, name: name.value, password: password.value }));
  return go(
    api.signIn(isPaired.value ? { name: name.value, pin: pin.value } : { name: name.value, password: password.value }),
  );
}
</script>

<template>
  <PageHead title="Low Gap" :says="who.me?.device ? `On ${who.me.device}` : 'Who is at work?'" is-first />
  <main class="page">
    <form class="panel sign-in" @submit.prevent="submit">
      <h2 class="panel-title">{{ who.me?.isFirst ? 'The owner' : 'Sign in' }}</h2>
      <p v-if="who.me?.isFirst">
        Nobody was made yet. The console on which the server was started shows a code; with it the owner is made, who
        makes the others.
      </p>
      <v-text-field v-if="who.me?.isFirst" v-model="code" label="Code from the console" autocomplete="off" v-first />
      <div v-if="isPaired" class="names" role="radiogroup" aria-label="Name">
        <v-btn
          v-for="one in who.me!.names"
          :key="one"
          role="radio"
          size="large"
          :aria-checked="name === one"
          :variant="name === one ? 'flat' : 'outlined'"
          :color="name === one ? 'primary' : undefined"
          @click="name = one"
          >{{ one }}</v-btn
        >
        <p v-if="who.me!.names.length === 0">Nobody has a PIN yet; the owner gives one under People.</p>
      </div>
      <v-text-field v-else v-model="name" label="Name" autocomplete="username" />
      <v-text-field
        v-if="isPaired"
        v-model="pin"
        label="PIN"
        type="password"
        inputmode="numeric"
        autocomplete="off"
        :disabled="name === ''"
      />
      <v-text-field
        v-else
        v-model="password"
        label="Password"
        type="password"
        :autocomplete="who.me?.isFirst ? 'new-password' : 'current-password'"
        :hint="who.me?.isFirst ? 'twelve characters or more' : ''"
        persistent-hint
      />
      <NoticeBox v-if="problems.length" kind="error" data-testid="sign-in-problems">
        <div v-for="p in problems.slice(0, 4)" :key="p.path + p.code">{{ problemText(p) }}</div>
      </NoticeBox>
      <div class="keys">
        <v-btn type="submit" color="primary" size="large" :disabled="isWorking">{{
          who.me?.isFirst ? 'Make the owner' : 'Sign in'
        }}</v-btn>
        <v-btn v-if="who.me?.device" variant="text" size="large" @click="byPassword = !byPassword">{{
          byPassword ? 'By PIN' : 'By password'
        }}</v-btn>
      </div>
    </form>
  </main>
</template>

<style scoped>
.sign-in {
  max-width: 560px;
  padding: 20px;
  display: grid;
  gap: 12px;
}
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
