<script setup lang="ts">
import type { OrderDocument } from '@/sheets/order-document';

/** A work order as it is read and printed. */
defineProps<{ order: OrderDocument }>();
</script>

<template>
  <article class="panel order-paper" aria-label="Work order" data-testid="work-order">
    <h2>{{ order.title }}</h2>
    <dl class="heads">
      <div v-for="[name, value] in order.facts" :key="name">
        <dt>{{ name }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <template v-if="order.gaps.length">
      <h3>Gaps before and after</h3>
      <div class="scroll">
        <table class="figures">
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col">Wanted</th>
              <th scope="col">Before</th>
              <th scope="col">After</th>
              <th scope="col">Verdict</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="g in order.gaps" :key="g.thing">
              <th scope="row">{{ g.thing }}</th>
              <td>{{ g.wanted }}</td>
              <td>{{ g.before }}</td>
              <td>{{ g.after }}</td>
              <td>{{ g.verdict }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <h3>Work, in this order</h3>
    <p v-if="!order.steps.length">Nothing has to be done.</p>
    <ol class="steps">
      <li v-for="(s, i) in order.steps" :key="i">
        <span class="what">{{ s.what }}</span>
        <span class="figures">{{ s.time }}</span>
        <span class="figures money">{{ s.money }}</span>
        <span class="square" aria-hidden="true"></span>
        <ul v-if="s.cautions.length">
          <li v-for="c in s.cautions" :key="c" class="caution">{{ c }}</li>
        </ul>
      </li>
    </ol>
    <h3>Parts and material</h3>
    <div class="scroll">
      <table class="figures">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Where</th>
            <th scope="col" class="money">Quantity</th>
            <th scope="col" class="money">Each</th>
            <th scope="col" class="money">Sum</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in order.parts" :key="p.name + p.where">
            <th scope="row">{{ p.name }}</th>
            <td>{{ p.where }}</td>
            <td class="money">{{ p.quantity }}</td>
            <td class="money">{{ p.unit }}</td>
            <td class="money">{{ p.sum }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <h3>Cost</h3>
    <table class="figures sums" data-testid="order-sums">
      <tbody>
        <tr v-for="[name, amount] in order.sums" :key="name">
          <th scope="row">{{ name }}</th>
          <td class="money">{{ amount }}</td>
        </tr>
      </tbody>
    </table>
    <template v-if="order.notes.length">
      <h3>To know</h3>
      <ul class="bullets">
        <li v-for="n in order.notes" :key="n">{{ n }}</li>
      </ul>
    </template>
    <template v-for="s in order.statements" :key="s">
      <h3>Owner’s consent</h3>
      <p>{{ s }}</p>
    </template>
    <div v-for="s in order.signatures" :key="s" class="signature">
      <span>{{ s }}: name and signature</span>
      <span>Date</span>
    </div>
    <p class="small">{{ order.closing }}</p>
  </article>
</template>

<style scoped>
.order-paper {
  padding: 16px 20px;
  display: grid;
  gap: 8px;
  min-width: 0;
}
h2 {
  font-size: 24px;
}
h3 {
  font-size: 17px;
  margin-top: 8px;
  break-after: avoid;
}
.heads {
  display: grid;
  gap: 2px;
}
.heads div {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
}
.heads dt {
  color: var(--muted);
}
th,
td {
  vertical-align: top;
}
th[scope='row'] {
  font-weight: 500;
}
.money {
  text-align: right;
  white-space: nowrap;
}
.sums {
  max-width: 420px;
}
.sums tr:last-child > * {
  font-weight: 700;
  border-top: 2px solid var(--ink);
}
.steps {
  padding-left: 24px;
}
.steps > li {
  border-top: 1px solid var(--rule);
  padding: 5px 0;
  break-inside: avoid;
}
.what {
  font-weight: 500;
  display: inline-block;
  width: calc(100% - 210px);
  vertical-align: top;
}
.steps .figures {
  display: inline-block;
  width: 82px;
  vertical-align: top;
}
.square {
  display: inline-block;
  width: 18px;
  height: 18px;
  border: 1.5px solid var(--ink);
  margin-left: 14px;
  vertical-align: top;
}
.signature {
  display: grid;
  grid-template-columns: 1.5fr 1fr;
  gap: 20px;
  padding-top: 36px;
  font-size: 14px;
  break-inside: avoid;
}
.signature span {
  border-top: 1px solid var(--ink);
}
@media print {
  .order-paper {
    border: 0;
    padding: 0;
    font-size: 13px;
    display: block;
  }
}
</style>
