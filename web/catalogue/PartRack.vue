<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import PageKeys from '../kit/PageKeys.vue';
import PartDrawing from './PartDrawing.vue';
import { inLine, isMeant, type ShelfPart } from './shelf';

/** A shelf of parts, the smaller first, all drawn at one scale; what may be done with each is in the slot. */
const props = defineProps<{ parts: readonly ShelfPart[]; search: string; what: string }>();

const A_PAGE = 12;
const TALLEST_PX = 150;

const page = ref(1);
watch(
  () => [props.search, props.what],
  () => (page.value = 1),
);
const meant = computed(() => inLine(props.parts.filter((part) => isMeant(part, props.search))));
const pages = computed(() => Math.max(1, Math.ceil(meant.value.length / A_PAGE)));
watch(pages, (count) => (page.value = Math.min(page.value, count)));
const shown = computed(() => meant.value.slice((page.value - 1) * A_PAGE, page.value * A_PAGE));
const pxPerMm = computed(() => TALLEST_PX / Math.max(1, ...props.parts.map(({ shape }) => shape?.heightMm ?? 0)));
</script>

<template>
  <section class="panel" :aria-label="what">
    <p v-if="!parts.length" class="empty">Nothing on the list yet: add one, read a CSV, or take a common size.</p>
    <p v-else-if="!meant.length" class="empty" role="status">Nothing on this shelf says “{{ search }}”.</p>
    <ul class="rack">
      <li v-for="part in shown" :key="part.id" class="part" data-testid="part">
        <div class="stands" :style="{ height: `${TALLEST_PX + 16}px` }">
          <PartDrawing v-if="part.shape" :shape="part.shape" :px-per-mm="pxPerMm" />
          <span v-else class="small muted">cannot be drawn</span>
        </div>
        <h3 class="figures">{{ part.name }}</h3>
        <ul class="small said">
          <li v-for="fact in part.facts" :key="fact">{{ fact }}</li>
        </ul>
        <div class="keys acts"><slot :part="part" /></div>
      </li>
    </ul>
    <PageKeys :page="page" :pages="pages" :what="what" @turn="(to) => (page = to)" />
  </section>
</template>

<style scoped>
.rack {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  overflow: hidden;
}
.part {
  display: grid;
  grid-template-rows: auto auto 1fr auto;
  gap: 4px;
  padding: 0 0 8px;
}
.part > * {
  padding-inline: 14px;
}
/* The board they stand on runs from part to part. */
.stands {
  display: grid;
  align-items: end;
  justify-items: center;
  margin-bottom: 8px;
  border-bottom: 6px solid var(--rule);
}
.part:last-child .stands {
  position: relative;
}
.part:last-child .stands::after {
  content: '';
  position: absolute;
  top: 100%;
  left: 100%;
  width: 100vw;
  border-bottom: 6px solid var(--rule);
}
h3 {
  font-size: 20px;
}
.said {
  color: var(--muted);
}
.acts {
  gap: 4px;
}
.acts :deep(.v-btn:first-child) {
  margin-left: -14px;
}
</style>
