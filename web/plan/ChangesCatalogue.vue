<script setup lang="ts">
import { computed } from 'vue';
import { STANDARDS, type StandardId } from '@/core/4-clearance/case/standard';
import { MATERIALS, type Material } from '@/core/3-survey/shape/material';
import { MODIFICATION_RULES, MODIFICATIONS, modificationsOf, permits } from '@/core/6-decisions/plan/modification';
import { formatMm } from '@/core/1-base/units/length';
import { CONSUMABLE_WORDS, inDegrees, MODIFICATION_WORDS, PRECAUTION_WORDS, timeWords } from '@/sheets/plan-words';
import { PERMANENCE_WORDS } from '../finder/finder-words';
import { MATERIAL_NAMES, STANDARD_NAMES } from '../words';

/** Every change a plan may consist of, in the order it is done: on what, how much at most, how long, and what to mind. */
const props = defineProps<{ standard: StandardId }>();

const plain = (material: Material) => modificationsOf({ id: '', mount: 'body', material });

const rows = computed(() =>
  MODIFICATIONS.map((kind) => {
    const rule = MODIFICATION_RULES[kind];
    const materials = MATERIALS.filter((material) => plain(material).includes(kind));
    return {
      kind,
      on:
        rule.on === 'setup'
          ? kind === 'bodyLift'
            ? 'whole body'
            : 'an axle'
          : materials.length
            ? materials.map((material) => MATERIAL_NAMES[material]).join(', ')
            : ON_WORDS[kind],
      most: rule.most === null ? 'takes it away' : `${formatMm(rule.most)} ${inDegrees(kind) ? '°' : 'mm'}`,
      hand: timeWords(rule.minutes.hand),
      power: timeWords(rule.minutes.power),
      permanence: PERMANENCE_WORDS[rule.permanence],
      used: [...(rule.part ? ['its part'] : []), ...rule.consumables.map((one) => CONSUMABLE_WORDS[one])].join(', '),
      cautions: rule.cautions.map((one) => PRECAUTION_WORDS[one]),
      afterCare: rule.afterCare.map((one) => PRECAUTION_WORDS[one]),
      permitted: permits(STANDARDS[props.standard], kind),
    };
  }),
);
const ON_WORDS: Readonly<Record<string, string>> = {
  unbolt: 'what comes off',
  swapPart: 'parts others of whose kind stand further off',
  crashBracket: 'a maker’s crash bracket, with consent',
  grindTab: 'a bracket’s tab that carries nothing',
};
const never = computed(() =>
  MATERIALS.filter((material) => plain(material).length === 0)
    .map((material) => MATERIAL_NAMES[material].toLowerCase())
    .join(', '),
);
</script>

<template>
  <section class="panel box scroll" aria-label="Changes">
    <p class="small">
      Never cut or changed for gap: {{ never }}, what stands inside the wheel, restraint and crash structure. Most
      amounts and times are working values of this project; the shop’s own times and prices are entered beside the plan.
    </p>
    <div class="scroll" tabindex="0" role="group" aria-label="Table of changes">
      <table class="figures">
        <thead>
          <tr>
            <th scope="col">Change</th>
            <th scope="col">On</th>
            <th scope="col">Most</th>
            <th scope="col">By hand</th>
            <th scope="col">Air, electric</th>
            <th scope="col">Takes</th>
            <th scope="col">Mind, and after it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.kind">
            <th scope="row">
              {{ MODIFICATION_WORDS[r.kind] }}
              <span class="muted sub">{{ r.permanence }}</span>
              <span v-if="!r.permitted" class="verdict-close sub">not by “{{ STANDARD_NAMES[standard] }}”</span>
            </th>
            <td>{{ r.on }}</td>
            <td class="unbroken">{{ r.most }}</td>
            <td class="unbroken">{{ r.hand }}</td>
            <td class="unbroken">{{ r.power }}</td>
            <td>{{ r.used }}</td>
            <td>
              <span v-for="c in r.cautions" :key="c" class="sub">{{ c }}</span>
              <span v-for="c in r.afterCare" :key="c" class="sub">After: {{ c }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
table {
  min-width: 900px;
}
th[scope='row'] {
  font-weight: 600;
  min-width: 150px;
}
.unbroken {
  white-space: nowrap;
}
.sub {
  display: block;
  font-weight: 400;
  font-size: 14px;
  line-height: 18px;
}
</style>
