<script setup lang="ts">
import {
  mdiContentCopy,
  mdiDeleteOutline,
  mdiDownload,
  mdiFileImportOutline,
  mdiPencilOutline,
  mdiPlus,
} from '@mdi/js';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { CATALOGUE_KINDS, type CatalogueContent, type CatalogueItem, type CatalogueKind } from '@/contracts/catalogue';
import { commonSizes, type CommonSize } from '@/core/2-vehicle/tire/common-sizes';
import type { Problem } from '@/core/1-base/problem';
import { problemText } from '../problem-words';
import { api, type ApiResult } from '../api';
import { saveText } from '../kit/save-text';
import PageHead from '../kit/PageHead.vue';
import PageKeys from '../kit/PageKeys.vue';
import ViewTabs from '../kit/ViewTabs.vue';
import { formatMoney } from '@/core/1-base/units/money';
import { CATALOGUE_FIELDS } from './catalogue-fields';
import { readCsv, writeCsv, type CsvTable } from './csv';
import CsvPreview from './CsvPreview.vue';
import ItemForm from './ItemForm.vue';

/** The shop's tires, wheels and spacers, and every common size to start from. */
const props = defineProps<{ kind?: string }>();
const router = useRouter();

const shelf = computed<CatalogueKind | 'sizes'>(() =>
  props.kind === 'sizes' ? 'sizes' : (CATALOGUE_KINDS.find((kind) => kind === props.kind) ?? 'tire'),
);
const own = computed<CatalogueKind>(() => (shelf.value === 'sizes' ? 'tire' : shelf.value));
const SHELVES = { tire: 'Tires', wheel: 'Wheels', spacer: 'Spacers', sizes: 'Common sizes' } as const;

const items = shallowRef<readonly CatalogueItem[]>([]);
const search = ref('');
/** A search, or another shelf, begins at its first page. */
const page = ref(1);
watch([search, () => props.kind], () => (page.value = 1));
const problems = shallowRef<readonly Problem[]>([]);
const editing = shallowRef<{ item: CatalogueItem | null; texts?: Record<string, string> } | null>(null);
const table = shallowRef<CsvTable | null>(null);
const picker = ref<HTMLInputElement>();

async function load(): Promise<void> {
  const listed = await api.listCatalogue();
  if (settled(listed)) items.value = listed.value.items;
}
onMounted(load);

function settled<T>(result: ApiResult<T>): result is { ok: true; value: T } {
  problems.value = result.ok
    ? []
    : result.failure.kind === 'refused'
      ? result.failure.problems
      : [{ code: 'internal', path: '', expected: 'an answer from the server', found: 'none; is it running?' }];
  return result.ok;
}

const rows = computed(() =>
  items.value
    .filter(({ kind }) => kind === own.value)
    .map(({ id, data }) => {
      const { priceMinor } = data;
      return { id, ...data, ...(typeof priceMinor === 'number' ? { priceMinor: formatMoney(priceMinor) } : {}) };
    }),
);
const headers = computed(() => [
  ...CATALOGUE_FIELDS[own.value].map(({ key, title }) => ({ key, title })),
  { key: 'actions', title: '', sortable: false },
]);
/** A line by what stands in its first columns, so that its keys are told apart. */
const nameOf = (item: Readonly<Record<string, unknown>>): string =>
  CATALOGUE_FIELDS[own.value]
    .slice(0, 3)
    .flatMap(({ key }) => (item[key] === undefined ? [] : [String(item[key])]))
    .join(' ');
const SIZE_HEADERS = [
  { key: 'size', title: 'Size' },
  { key: 'rimDiameterIn', title: 'Rim, in' },
  { key: 'diameterMm', title: 'Design diameter, mm' },
  { key: 'widthMm', title: 'Width, mm' },
  { key: 'measuringRimIn', title: 'on rim, in' },
  { key: 'revolutionsPerKm', title: 'Revolutions per km' },
  { key: 'actions', title: '', sortable: false },
] as const;
const sizes = shallowRef<readonly CommonSize[]>(
  commonSizes().map((size) => ({
    ...size,
    diameterMm: Math.round(size.diameterMm * 10) / 10,
    widthMm: Math.round(size.widthMm * 10) / 10,
    revolutionsPerKm: Math.round(size.revolutionsPerKm),
  })),
);

async function save(content: CatalogueContent): Promise<void> {
  const id = editing.value?.item?.id;
  const saved = id ? await api.changeInCatalogue(id, content) : await api.addToCatalogue([content]);
  if (!settled<unknown>(saved)) return;
  editing.value = null;
  await load();
}

async function remove(id: string): Promise<void> {
  if (settled(await api.removeFromCatalogue(id))) await load();
}

const edit = (id: string): void => {
  editing.value = { item: items.value.find((item) => item.id === id) ?? null };
};
const copySize = ({ size, measuringRimIn }: CommonSize): void => {
  editing.value = {
    item: null,
    texts: { size, measuringRimIn: String(measuringRimIn) },
  };
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
  const listed = items.value.filter(({ kind }) => kind === own.value).map(({ data }) => data);
  saveText(`${own.value}s.csv`, 'text/csv', writeCsv(own.value, listed));
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
        <v-btn variant="outlined" height="48" :prepend-icon="mdiDownload" :disabled="!rows.length" @click="writeFile"
          >To CSV</v-btn
        >
        <v-btn color="primary" height="48" :prepend-icon="mdiPlus" @click="editing = { item: null }">Add</v-btn>
      </template>
    </div>
    <CsvPreview v-if="table" :table="table" @take="takeTable" @cancel="table = null" />
    <section class="panel">
      <v-data-table
        v-if="shelf === 'sizes'"
        :headers="SIZE_HEADERS"
        :items="sizes"
        v-model:page="page"
        :search="search"
        item-value="size"
        density="comfortable"
        :items-per-page="10"
      >
        <template #[`item.actions`]="{ item }">
          <v-btn
            variant="text"
            size="48"
            :icon="mdiContentCopy"
            :aria-label="`Put ${item.size} on the shop's list`"
            @click="copySize(item)"
          />
        </template>
        <template #bottom="{ pageCount }">
          <PageKeys :page="page" :pages="pageCount" what="Sizes" @turn="(to) => (page = to)" />
        </template>
      </v-data-table>
      <v-data-table
        v-else
        :headers="headers"
        v-model:page="page"
        :items="rows"
        :search="search"
        density="comfortable"
        :items-per-page="10"
        no-data-text="Nothing on the list yet: add one, read a CSV, or take a common size."
      >
        <template #[`item.actions`]="{ item }">
          <span class="apart">
            <v-btn
              variant="text"
              size="48"
              :icon="mdiPencilOutline"
              :aria-label="`Change ${nameOf(item)}`"
              @click="edit(item.id)"
            />
            <v-btn
              variant="text"
              size="48"
              :icon="mdiDeleteOutline"
              :aria-label="`Remove ${nameOf(item)}`"
              @click="remove(item.id)"
            />
          </span>
        </template>
        <template #bottom="{ pageCount }">
          <PageKeys :page="page" :pages="pageCount" what="The list" @turn="(to) => (page = to)" />
        </template>
      </v-data-table>
    </section>
    <v-dialog :model-value="editing !== null" max-width="820" @update:model-value="editing = null">
      <ItemForm
        v-if="editing"
        :kind="own"
        :data="editing.item?.data ?? editing.texts ?? {}"
        :is-new="!editing.item"
        @save="save"
        @cancel="editing = null"
      />
    </v-dialog>
  </main>
</template>

<style scoped></style>
