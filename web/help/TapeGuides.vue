<script setup lang="ts">
import { computed } from 'vue';
import { TAPE_GUIDES, type TapeGuide } from './tape-guides';

/** Where the tape goes, drawn. */
const props = defineProps<{ only?: readonly TapeGuide['id'][] }>();
const guides = computed(() => TAPE_GUIDES.filter(({ id }) => !props.only || props.only.includes(id)));
</script>

<template>
  <ul class="guides" aria-label="Where the tape goes">
    <li v-for="g in guides" :key="g.id">
      <svg viewBox="0 0 160 110" aria-hidden="true">
        <path v-for="d in g.solid" :key="d" :d="d" class="solid" />
        <path v-for="d in g.parts" :key="d" :d="d" class="part" />
        <path v-if="g.edge" :d="g.edge" class="straight" />
        <g v-for="(t, i) in g.tape" :key="i" class="tape">
          <path :d="`M${t[0]} ${t[1]}L${t[2]} ${t[3]}`" />
          <circle :cx="t[0]" :cy="t[1]" r="3" />
          <circle :cx="t[2]" :cy="t[3]" r="3" />
        </g>
        <text v-for="[x, y, text] in g.notes ?? []" :key="text" :x="x" :y="y">{{ text }}</text>
      </svg>
      <p>
        <strong>{{ g.title }}</strong> {{ g.says }}
      </p>
    </li>
  </ul>
</template>

<style scoped>
.guides {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 12px;
  list-style: none;
  padding: 0;
}
.guides li {
  display: grid;
  grid-template-columns: 128px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
svg {
  width: 128px;
}
p {
  font-size: 14px;
  line-height: 18px;
}
p strong {
  display: block;
}
.solid {
  fill: var(--rubber);
  opacity: 0.28;
}
.part {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
}
.straight {
  stroke: var(--muted);
  stroke-width: 4;
  fill: none;
}
.tape path {
  stroke: var(--accent);
  stroke-width: 3;
}
.tape circle {
  fill: var(--accent);
}
text {
  font-size: 11px;
  fill: var(--muted);
}
</style>
