<script setup lang="ts">
import { computed } from 'vue';
import type { ALLOWED_CHANGES, Intake, LOOKS, USES } from '@/contracts/job-record';
import { STANDARD_IDS, type StandardId } from '@/core/4-clearance/case/standard';
import { LIMITS } from '@/core/1-base/limits';
import HeightsRound from '../baseline/HeightsRound.vue';
import ChipGroup from '../kit/ChipGroup.vue';
import QuantityField from '../kit/QuantityField.vue';
import UnitsToggle from '../kit/UnitsToggle.vue';
import { useUnits } from '../stores/units';
import type { LengthUnit } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import { STANDARD_NAMES } from '../words';
import VehicleAsked from './VehicleAsked.vue';
import PhotoWall from './PhotoWall.vue';

/** What the customer has, wants and allows, before anything is measured. */
const job = useJobStore();
const intake = computed<Intake>(() => job.document?.intake ?? {});

function set<K extends keyof Intake>(field: K, value: Intake[K] | null): void {
  job.change((file) => {
    const { [field]: _old, ...rest } = file.intake ?? {};
    const empty = value === null || value === undefined || value === '' || (Array.isArray(value) && value.length === 0);
    file.intake = empty ? rest : { ...rest, [field]: value };
  });
}

function toggle<T extends string>(all: readonly T[] | undefined, one: T): T[] {
  return all?.includes(one) ? all.filter((each) => each !== one) : [...(all ?? []), one];
}

function setPoke(value: number | undefined, typed: string | undefined): void {
  job.change((file) => {
    const { lookPokeMm: _old, typed: texts, ...rest } = file.intake ?? {};
    const { lookPokeMm: _text, ...kept } = texts ?? {};
    file.intake = {
      ...rest,
      ...(value === undefined ? {} : { lookPokeMm: value }),
      typed: typed === undefined ? kept : { ...kept, lookPokeMm: typed },
    };
  });
}

const setVehicle = (label: string): void => {
  if (label.trim() !== '') job.change((file) => (file.vehicle.label = label));
};
const units = useUnits();
function setUnits(unit: LengthUnit): void {
  units.chosen = unit;
  job.changeSetup((file) => (file.units = unit));
}
const setStandard = (standard: StandardId): void => job.change((file) => (file.standard = standard));

const USE_WORDS: Readonly<Record<(typeof USES)[number], string>> = {
  daily: 'Daily',
  towing: 'Towing',
  work: 'Work',
  trail: 'Trail',
  snow: 'Snow, chains',
  show: 'Show',
};
const LOOK_WORDS: Readonly<Record<(typeof LOOKS)[number], string>> = {
  tucked: 'Tucked under the fender',
  flush: 'Flush with it',
  poke: 'Poking out',
};
const CHANGE_WORDS: Readonly<Record<(typeof ALLOWED_CHANGES)[number], string>> = {
  unbolt: 'Unbolt what comes off',
  reroute: 'Reroute hoses and liner',
  trimPlastic: 'Trim plastic',
  foldLip: 'Fold or roll a lip',
  cutSheetMetal: 'Cut sheet metal',
  bumpStop: 'Longer bump stop',
  steeringStop: 'Steering stop',
  lift: 'Lift or lower',
  bodyMount: 'Chop a body mount (welder)',
};
const STANDARDS = STANDARD_IDS.map((value) => ({ value, title: STANDARD_NAMES[value] }));
const NOTES = [
  { field: 'wishes', label: 'What is wanted, in the customer’s words' },
  { field: 'localRules', label: 'Local rules: coverage, poke, spacers, height, lamps' },
  { field: 'rust', label: 'Rust and seized fasteners' },
  { field: 'damage', label: 'Damage already there' },
] as const;
</script>

<template>
  <div class="intake columns">
    <section class="panel group leaf" aria-labelledby="who-title">
      <h2 id="who-title" class="panel-title">Job and vehicle</h2>
      <v-text-field
        label="Job"
        maxlength="120"
        :model-value="job.title"
        @update:model-value="(title: string) => title.trim() && job.rename(title, job.customer)"
      />
      <v-text-field
        label="Customer"
        maxlength="120"
        :model-value="job.customer"
        @update:model-value="(customer: string) => job.rename(job.title, customer)"
      />
      <v-text-field
        label="Vehicle: year, make, model, body, drive"
        maxlength="120"
        :model-value="job.document?.vehicle.label"
        @update:model-value="setVehicle"
      />
      <UnitsToggle :units="units.unit" @choose="setUnits" />
    </section>

    <VehicleAsked />

    <section class="panel group leaf" aria-labelledby="look-title">
      <h2 id="look-title" class="panel-title">Use, and the look wanted</h2>
      <ChipGroup
        label="Use"
        :words="USE_WORDS"
        :chosen="intake.uses ?? []"
        @press="(use) => set('uses', toggle(intake.uses, use))"
      />
      <ChipGroup
        label="Look"
        :words="LOOK_WORDS"
        :chosen="intake.look ? [intake.look] : []"
        @press="(look) => set('look', intake.look === look ? null : look)"
      />
      <QuantityField
        optional
        label="Sidewall beyond the fender edge, - inside it"
        :value="intake.lookPokeMm"
        :typed="intake.typed?.['lookPokeMm']"
        :range="LIMITS.pokeMm"
        @change="setPoke"
      />
      <v-select
        label="Rubbing tolerated"
        :items="STANDARDS"
        :model-value="job.document?.standard"
        @update:model-value="setStandard"
      />
      <v-text-field
        label="Budget"
        placeholder="1200, tires only; or: tell me"
        maxlength="60"
        :model-value="intake.budget ?? ''"
        @update:model-value="(text: string) => set('budget', text)"
      />
    </section>

    <section class="panel group leaf" aria-labelledby="allowed-title">
      <h2 id="allowed-title" class="panel-title">What may be changed</h2>
      <ChipGroup
        label="What may be changed"
        :words="CHANGE_WORDS"
        :chosen="intake.allowed ?? []"
        @press="(one) => set('allowed', toggle(intake.allowed, one))"
      />
      <p class="muted">
        Control arms, knuckles, frame rails and crash structure are never cut for gap. A body mount is welded by a
        qualified person. Coverage, poke and spacer rules differ by place: note what applies here.
      </p>
    </section>

    <section class="panel group leaf" aria-labelledby="notes-title">
      <h2 id="notes-title" class="panel-title">Notes before work</h2>
      <v-textarea
        v-for="note in NOTES"
        :key="note.field"
        :label="note.label"
        rows="2"
        auto-grow
        maxlength="2000"
        :model-value="intake[note.field] ?? ''"
        @update:model-value="(text: string) => set(note.field, text)"
      />
    </section>
    <PhotoWall />
  </div>
  <!-- Read on the same walk round the vehicle. -->
  <HeightsRound v-if="job.document" />
</template>
