<script setup lang="ts">
/** A table of figures: a named row, cells in the columns' order; null is nothing to say, shown as a dash. */
export interface FiguresRow {
  readonly name: string;
  readonly cells: readonly (string | null)[];
}

defineProps<{
  caption: string;
  /** Shown above the rows' names. */
  corner?: string;
  columns: readonly string[];
  rows: readonly FiguresRow[];
}>();
</script>

<template>
  <div class="scroll">
    <table class="figures lined">
      <caption class="visually-hidden">
        {{
          caption
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ corner ?? '' }}</th>
          <th v-for="column in columns" :key="column" scope="col">{{ column }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td v-for="(cell, i) in row.cells" :key="i">{{ cell ?? '—' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
