<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import type { Bin, BinKind } from '@/contracts/bin-api';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { api } from '../api';
import { onShelf } from '../catalogue/shelf';
import { fullMomentText } from '../kit/dates';
import DialogBox from '../kit/DialogBox.vue';
import NoticeBox from '../kit/NoticeBox.vue';
import PageHead from '../kit/PageHead.vue';

/** What was thrown away: jobs, wells, tires and wheels. It stays until somebody forgets it for good. */
const bin = shallowRef<Bin | null>(null);
const unreachable = ref(false);

interface Thrown {
  readonly kind: BinKind;
  readonly id: string;
  readonly name: string;
  readonly is: string;
  readonly removedAt: string;
}
const asked = shallowRef<Thrown | null>(null);

async function load(): Promise<void> {
  const read = await api.readBin();
  unreachable.value = !read.ok;
  if (read.ok) bin.value = read.value;
}
onMounted(load);

const thrown = computed<readonly Thrown[]>(() => {
  if (!bin.value) return [];
  const { jobs, wells, catalogue } = bin.value;
  return [
    ...jobs.map(({ id, title, removedAt }) => ({ kind: 'jobs' as const, id, name: title, is: 'Job', removedAt })),
    ...wells.map(({ id, title, cornerKey, removedAt }) => ({
      kind: 'wells' as const,
      id,
      name: `${title}, ${cornerName(cornerKey)}`,
      is: 'Well',
      removedAt,
    })),
    ...catalogue.map((item) => ({
      kind: 'catalogue' as const,
      id: item.id,
      name: onShelf(item)?.name ?? item.kind,
      is: { tire: 'Tire', wheel: 'Wheel', spacer: 'Spacer' }[item.kind],
      removedAt: item.removedAt,
    })),
  ].sort((a, b) => b.removedAt.localeCompare(a.removedAt));
});

async function bringBack({ kind, id }: Thrown): Promise<void> {
  await api.bringBack(kind, id);
  await load();
}
async function forget(): Promise<void> {
  if (asked.value) await api.forget(asked.value.kind, asked.value.id);
  asked.value = null;
  await load();
}
</script>

<template>
  <PageHead title="Bin" says="What was thrown away; nothing here is lost until it is forgotten" />
  <main class="page">
    <NoticeBox v-if="unreachable" kind="warning">The server does not answer. What is in the bin stays there.</NoticeBox>
    <p v-else-if="bin && thrown.length === 0" data-testid="bin-empty">Nothing is in the bin.</p>
    <table v-else-if="bin" class="figures-table">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">Thrown away</th>
          <th scope="col"><span class="visually-hidden">Keys</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in thrown" :key="one.id">
          <td>
            <span class="muted">{{ one.is }}</span> {{ one.name }}
          </td>
          <td>{{ fullMomentText(one.removedAt) }}</td>
          <td class="ends">
            <v-btn variant="outlined" height="48" :aria-label="`Bring ${one.name} back`" @click="bringBack(one)"
              >Bring back</v-btn
            >
            <v-btn variant="text" height="48" :aria-label="`Forget ${one.name} for good`" @click="asked = one"
              >Forget for good</v-btn
            >
          </td>
        </tr>
      </tbody>
    </table>
  </main>
  <DialogBox
    :model-value="asked !== null"
    label="Forget for good"
    :width="480"
    @update:model-value="(open: boolean) => open || (asked = null)"
  >
    <div class="panel dialog">
      <h2 class="panel-title">Forget for good</h2>
      <p>
        {{ asked?.name }} goes{{ asked?.kind === 'jobs' ? ', with its photos and its history' : '' }}. Nobody can bring
        it back then.
      </p>
      <div class="keys ends">
        <v-btn variant="text" height="48" @click="asked = null">Keep it in the bin</v-btn>
        <v-btn color="primary" height="48" @click="forget">Forget it</v-btn>
      </div>
    </div>
  </DialogBox>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--rule);
}
.ends {
  text-align: right;
}
</style>
