<script setup lang="ts" generic="Row extends FiguresRow">
/** What stands in one cell; `beside` is small print after it, `across` how many columns it takes. */
export interface Figure {
  readonly text: string;
  readonly beside?: string;
  /** What it becomes, in bold after it. */
  readonly after?: string;
  readonly strong?: boolean;
  readonly tone?: 'clear' | 'close' | 'rubs' | 'muted';
  readonly across?: number;
}

/** A named row, its cells in the columns' order; null is nothing to say, shown as a dash. */
export interface FiguresRow {
  readonly name: string;
  readonly cells: readonly (string | Figure | null)[];
}

/** A table of figures as every room shows one. What can be done to a row goes into the slot `keys`. */
defineProps<{
  caption: string;
  /** The caption is read aloud only, unless it is to be seen. */
  seen?: boolean;
  /** Above the rows' names. */
  corner?: string;
  columns: readonly string[];
  rows: readonly Row[];
}>();
defineSlots<{ keys?(slot: { row: Row; index: number }): unknown }>();

const figureOf = (cell: string | Figure | null): Figure =>
  cell === null ? { text: '—' } : typeof cell === 'string' ? { text: cell } : cell;
const toneOf = ({ tone }: Figure): string | undefined => tone && (tone === 'muted' ? tone : `verdict-${tone}`);
</script>

<template>
  <div class="scroll" tabindex="0" role="group" :aria-label="caption">
    <table class="figures">
      <!-- eslint-disable-next-line vue/html-closing-bracket-newline -- a caption without stray blanks -->
      <caption :class="{ 'visually-hidden': !seen }">
        {{
          caption
        }}
      </caption>
      <thead v-if="columns.length">
        <tr>
          <th scope="col">{{ corner ?? '' }}</th>
          <th v-for="column in columns" :key="column" scope="col">{{ column }}</th>
          <th v-if="$slots['keys']" scope="col"><span class="visually-hidden">Keys</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, index) in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td v-for="(cell, i) in row.cells.map(figureOf)" :key="i" :class="toneOf(cell)" :colspan="cell.across">
            <strong v-if="cell.strong">{{ cell.text }}</strong>
            <template v-else>{{ cell.text }}</template>
            <strong v-if="cell.after">&nbsp;{{ cell.after }}</strong>
            <span v-if="cell.beside" class="muted">&nbsp;{{ cell.beside }}</span>
          </td>
          <td v-if="$slots['keys']"><slot name="keys" :row="row" :index="index" /></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
