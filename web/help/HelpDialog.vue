<script setup lang="ts">
import DialogBox from '../kit/DialogBox.vue';
import TapeGuides from './TapeGuides.vue';
import { HOW_TO_MEASURE, SHORTCUTS, WORDS_USED } from './words-used';

/** Keys, how to measure, words used; whether `?` alone opens it. */
const open = defineModel<boolean>({ required: true });
const bySign = defineModel<boolean>('bySign', { required: true });
</script>

<template>
  <DialogBox v-model="open" label="Help" :width="1000">
    <div class="panel dialog" data-testid="help">
      <h2 class="panel-title">Help</h2>
      <div class="two">
        <section>
          <h3>How to measure</h3>
          <ul class="bullets">
            <li v-for="line in HOW_TO_MEASURE" :key="line">{{ line }}</li>
          </ul>
          <TapeGuides />
          <h3>Keys</h3>
          <dl class="pairs">
            <div v-for="{ keys, does } in SHORTCUTS" :key="keys">
              <dt class="figures">{{ keys }}</dt>
              <dd>{{ does }}</dd>
            </div>
          </dl>
          <v-checkbox v-model="bySign" label="? alone opens this help" />
        </section>
        <section>
          <h3>Words used</h3>
          <dl class="pairs">
            <div v-for="{ say, means } in WORDS_USED" :key="say">
              <dt>{{ say }}</dt>
              <dd>{{ means }}</dd>
            </div>
          </dl>
        </section>
      </div>
      <p class="small muted">
        Low Gap measures and reckons; what may be fitted is decided by the vehicle’s and the part’s makers, by local
        rules and by who does the work. Nobody works under a vehicle that stands on a jack alone.
      </p>
      <div class="keys ends"><v-btn variant="outlined" height="48" @click="open = false">Close</v-btn></div>
    </div>
  </DialogBox>
</template>

<style scoped>
.pairs > div {
  display: grid;
  grid-template-columns: minmax(110px, 0.7fr) minmax(0, 1fr);
  gap: 10px;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
  font-size: 15px;
  line-height: 20px;
}
dt {
  font-weight: 600;
}
h3 {
  margin-block: 6px 4px;
}
</style>
