<script setup lang="ts">
import { canClear } from '@/core/3-survey/known/known';
import { marginWords } from '@/core/4-clearance/case/standard';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { mdiCheckDecagramOutline } from '@mdi/js';
import { computed, ref, shallowRef, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import { STANDARD_IDS } from '@/core/4-clearance/case/standard';
import { CLAIM_POSTURES, type ClaimCheck, type ClaimedTire, type ClaimFinding } from '@/core/6-decisions/finder/claim';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import type { FinderClient } from '../workers/finder-client';
import { postureWords, STANDARD_NAMES } from '../words';
import { CLAIM_POSTURE_WORDS } from './finder-words';
import { unknownWords } from '../advice';
import FiguresTable, { type FiguresRow } from '../kit/FiguresTable.vue';

/** What somebody said fits, looked at posture by posture and school by school on this vehicle. */
const props = defineProps<{ client: FinderClient }>();
const job = useJobStore();

const text = ref('');
const check = shallowRef<ClaimCheck | null>(null);
const problem = ref('');
const working = ref(false);

const claims = computed(() => job.document?.finder?.claims ?? []);

async function look(): Promise<void> {
  const file = job.document;
  if (!file) return;
  working.value = true;
  const found = await props.client.claim(file, text.value);
  working.value = false;
  if (!found) return;
  problem.value = found.ok ? '' : found.problems.map(fieldText).join(' ');
  check.value = found.ok ? found.value : null;
  if (!found.ok) return;
  const said = text.value.trim();
  if (claims.value[0] === said) return;
  job.changeSetup((file) => {
    const others = (file.finder?.claims ?? []).filter((claim) => claim !== said);
    file.finder = { ...file.finder, claims: [said, ...others].slice(0, 10) };
  });
}

watch(text, () => (problem.value = ''));

const findingOf = (tire: ClaimedTire, posture: string, standard: string): ClaimFinding =>
  tire.findings.find((one) => one.posture === posture && one.standard === standard)!;

function words({ holds, marginMm, obstacle, corner }: ClaimFinding): string {
  if (marginMm === null) return 'nothing surveyed';
  const where = `${obstacle}${corner ? `, ${cornerName(corner)}` : ''}`;
  return holds ? `holds, ${marginWords(marginMm)}` : `${marginWords(marginMm)} at ${where}`;
}

/** Enough was measured to say that a claim holds. */
const isSaid = computed(() => canClear(job.corners, check.value?.notKnown ?? [], job.begun));
function verdict(tire: ClaimedTire): string {
  const all = tire.findings.filter((one) => one.standard === 'neverRub');
  const fails = all.filter(({ holds }) => !holds);
  const notKnown = check.value!.notKnown.map((key) => cornerName(key));
  if (fails.length === 0 && !isSaid.value) {
    return `Not known: ${unknownWords(job.evaluation?.known ?? [])} Nothing can be said of a claim before.`;
  }
  if (fails.length === 0 && notKnown.length) {
    return `Where this vehicle is known it holds over all steer and travel the stops allow; nothing is said of ${notKnown.join(', ')}.`;
  }
  if (fails.length === 0) return 'The claim holds on this vehicle over all steer and travel the stops allow.';
  if (fails.length === all.length) return 'The claim does not hold on this vehicle, not even rolling straight.';
  const first = fails[0]!;
  return `It holds until: ${CLAIM_POSTURE_WORDS[first.posture].toLowerCase()}, ${postureWords(first.steerDeg, first.travelMm, -check.value!.liftMm)}.`;
}

const figuresOf = (tire: ClaimedTire): FiguresRow[] =>
  CLAIM_POSTURES.map((posture) => ({
    name: CLAIM_POSTURE_WORDS[posture],
    cells: STANDARD_IDS.map((standard) => {
      const finding = findingOf(tire, posture, standard);
      return {
        text: words(finding),
        tone: !finding.holds ? 'rubs' : isSaid.value && finding.marginMm !== null ? 'clear' : 'muted',
      };
    }),
  }));
</script>

<template>
  <div class="box">
    <form class="row tops" @submit.prevent="look">
      <v-text-field
        v-model="text"
        label="A claim"
        placeholder="35s at 2 in"
        autocomplete="off"
        :error-messages="problem ? [problem] : []"
        hide-details="auto"
      />
      <v-btn type="submit" color="primary" height="48" :prepend-icon="mdiCheckDecagramOutline" :loading="working"
        >Check it</v-btn
      >
    </form>
    <p v-if="claims.length" class="small">
      Checked before:
      <v-btn v-for="c in claims" :key="c" size="small" height="48" variant="text" @click="((text = c), look())">{{
        c
      }}</v-btn>
    </p>
    <p v-if="!check" class="muted">
      Type what somebody says fits: “33x12.5 no lift”, “285/70R17 at 40 mm, offset -12”. It is moved through all steer
      and travel of this vehicle, on the wheel of its setup.
    </p>
    <template v-else>
      <p class="small">
        Taken as: {{ signedMm(check.liftMm) }} mm of lift on the spring, wheel offset
        {{ signedMm(check.offsetMm) }} mm{{
          check.claim.size ? '' : `, ${check.tires.length} size${check.tires.length === 1 ? '' : 's'} sold so`
        }}.
      </p>
      <section v-for="tire in check.tires" :key="tire.size">
        <h3 class="figures">
          {{ tire.size }}, {{ formatMm(tire.diameterMm, 0) }} x {{ formatMm(tire.widthMm, 0) }} mm
        </h3>
        <p data-testid="claim-says">{{ verdict(tire) }}</p>
        <div class="scroll">
          <FiguresTable
            :caption="`${tire.size} by steer, travel and standard`"
            corner="Steer and travel"
            :columns="STANDARD_IDS.map((s) => STANDARD_NAMES[s])"
            :rows="figuresOf(tire)"
          />
        </div>
      </section>
    </template>
  </div>
</template>
