<script setup lang="ts">
import {
  mdiContentCopy,
  mdiDeleteOutline,
  mdiDownload,
  mdiFileImportOutline,
  mdiPencilOutline,
  mdiPlus,
} from '@mdi/js';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { CATALOGUE_KINDS, type CatalogueContent, type CatalogueItem, type CatalogueKind } from '@/contracts/catalogue';
import { commonSizes } from '@/core/2-vehicle/tire/common-sizes';
import type { Problem } from '@/core/1-base/problem';
import { problemText } from '../problem-words';
import { api, problemsOf, type ApiResult } from '../api';
import { saveText } from '../kit/save-text';
import PageHead from '../kit/PageHead.vue';
import NoticeBox from '../kit/NoticeBox.vue';
import ViewTabs from '../kit/ViewTabs.vue';
import { readCsv, writeCsv, type CsvTable } from './csv';
import CsvPreview from './CsvPreview.vue';
import ItemForm from './ItemForm.vue';
import PartRack from './PartRack.vue';
import { onShelf, sizeOnShelf, type ShelfPart } from './shelf';
import DialogBox from '../kit/DialogBox.vue';

/** The shop's tires, wheels and spacers, and every common size to start from. */
const props = defineProps<{ kind?: string }>();
const router = useRouter();

const shelf = computed<CatalogueKind | 'sizes'>(() =>
  props.kind === 'sizes' ? 'sizes' : (CATALOGUE_KINDS.find((kind) => kind === props.kind) ?? 'tire'),
);
const own = computed<CatalogueKind>(() => (shelf.value === 'sizes' ? 'tire' : shelf.value));
const SHELVES = { tire: 'Tires', wheel: 'Wheels', spacer: 'Spacers', sizes: 'Common sizes' } as const;

const items = shallowRef<readonly CatalogueItem[]>([]);
const search = ref<string | null>('');
const problems = shallowRef<readonly Problem[]>([]);
const editing = shallowRef<{ item: CatalogueItem | null; texts?: Record<string, string> } | null>(null);
const table = shallowRef<CsvTable | null>(null);
const picker = ref<HTMLInputElement>();

async function load(): Promise<void> {
  const list = await api.listCatalogue();
  if (settled(list)) items.value = list.value.items;
}
onMounted(load);

function settled<T>(result: ApiResult<T>): result is { ok: true; value: T } {
  problems.value = problemsOf(result);
  return result.ok;
}

const listed = computed(() => items.value.filter(({ kind }) => kind === own.value));
const sizes = commonSizes();
const sizesOnShelf = sizes.map(sizeOnShelf);
const parts = computed(() =>
  shelf.value === 'sizes' ? sizesOnShelf : listed.value.map(onShelf).filter((part): part is ShelfPart => part !== null),
);
/** A part by what stands on it, so that its keys are told apart. */
const nameOf = ({ name, facts }: ShelfPart): string => [name, ...facts.slice(0, 2)].join(', ');

async function save(content: CatalogueContent): Promise<void> {
  const known = editing.value?.item;
  const saved = known
    ? await api.changeInCatalogue(known.id, known.revision, content)
    : await api.addToCatalogue([content]);
  if (!settled<unknown>(saved)) return;
  editing.value = null;
  await load();
}

/** What was taken off last, until it is put back or put away. */
const removed = shallowRef<{ readonly name: string; readonly id: string } | null>(null);
async function remove(part: ShelfPart): Promise<void> {
  const item = items.value.find(({ id }) => id === part.id);
  if (!item || !settled(await api.removeFromCatalogue(part.id))) return;
  removed.value = { name: nameOf(part), id: part.id };
  await load();
}
async function putBack(): Promise<void> {
  if (!removed.value || !settled(await api.bringBack('catalogue', removed.value.id))) return;
  removed.value = null;
  await load();
}

const edit = (id: string): void => {
  editing.value = { item: items.value.find((item) => item.id === id) ?? null };
};
const copySize = (size: string): void => {
  const { measuringRimIn } = sizes.find((one) => one.size === size)!;
  editing.value = { item: null, texts: { size, measuringRimIn: String(measuringRimIn) } };
};

async function readFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (!file) return;
  if (file.size > 5e6) {
    const found = `${(file.size / 1e6).toFixed(0)} MB`;
    problems.value = [{ code: 'tooLarge', path: file.name, expected: 'a table of at most 5 MB', found }];
    return;
  }
  const read = readCsv(own.value, new Uint8Array(await file.arrayBuffer()));
  problems.value = read.problems;
  table.value = read.problems.length > 0 ? null : read;
}

async function takeTable(): Promise<void> {
  const good = table.value?.lines.flatMap(({ item }) => (item ? [item] : [])) ?? [];
  if (good.length === 0 || !settled(await api.addToCatalogue(good))) return;
  table.value = null;
  await load();
}

function writeFile(): void {
  const rows = listed.value.map(({ data }) => data);
  saveText(`${own.value}s.csv`, 'text/csv', writeCsv(own.value, rows));
}
</script>

<template>
  <PageHead title="Tires and wheels">
    <ViewTabs
      :model-value="shelf"
      :views="SHELVES"
      label="What is listed"
      @update:model-value="(kind) => router.push({ name: 'catalogue', params: { kind } })"
    />
  </PageHead>
  <main class="page stack">
    <div v-if="problems.length" class="verdict-rubs" role="alert" data-testid="catalogue-problems">
      <div v-for="p in problems.slice(0, 6)" :key="p.path + p.code">{{ problemText(p) }}</div>
    </div>
    <div class="row">
      <v-text-field v-model="search" label="Search" clearable hide-details autocomplete="off" class="grow" />
      <template v-if="shelf !== 'sizes'">
        <v-btn variant="outlined" height="48" :prepend-icon="mdiFileImportOutline" @click="picker?.click()"
          >From CSV</v-btn
        >
        <input
          ref="picker"
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          hidden
          data-testid="csv-file"
          @change="readFile"
        />
        <v-btn variant="outlined" height="48" :prepend-icon="mdiDownload" :disabled="!listed.length" @click="writeFile"
          >To CSV</v-btn
        >
        <v-btn color="primary" height="48" :prepend-icon="mdiPlus" @click="editing = { item: null }">Add</v-btn>
      </template>
    </div>
    <CsvPreview v-if="table" :table="table" @take="takeTable" @cancel="table = null" />
    <NoticeBox v-if="removed" kind="warning" closable @close="removed = null">
      <span role="status" data-testid="removed">{{ removed.name }} is off the list.</span>
      <v-btn variant="outlined" height="48" class="back" @click="putBack">Put it back</v-btn>
    </NoticeBox>
    <PartRack :parts="parts" :search="search ?? ''" :what="SHELVES[shelf]">
      <template #default="{ part }">
        <v-btn
          v-if="shelf === 'sizes'"
          variant="text"
          height="48"
          :prepend-icon="mdiContentCopy"
          :aria-label="`Take ${part.name} onto the shop's list`"
          @click="copySize(part.id)"
          >Take</v-btn
        >
        <template v-else>
          <v-btn
            variant="text"
            height="48"
            :prepend-icon="mdiPencilOutline"
            :aria-label="`Change ${nameOf(part)}`"
            @click="edit(part.id)"
            >Change</v-btn
          >
          <v-btn
            variant="text"
            size="48"
            :icon="mdiDeleteOutline"
            :aria-label="`Remove ${nameOf(part)}`"
            @click="remove(part)"
          />
        </template>
      </template>
    </PartRack>
    <DialogBox
      :model-value="editing !== null"
      label="A part of the shop’s list"
      :width="820"
      @update:model-value="editing = null"
    >
      <ItemForm
        v-if="editing"
        :kind="own"
        :data="editing.item?.data ?? editing.texts ?? {}"
        :is-new="!editing.item"
        @save="save"
        @cancel="editing = null"
      />
    </DialogBox>
  </main>
</template>

<style scoped>
.back {
  margin-left: 12px;
}
</style>
