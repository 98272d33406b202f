<script setup lang="ts">
import { mdiCarWrench, mdiPhoneOutline, mdiPlus } from '@mdi/js';

/** The board before its first job: what the program does in five steps, an example to look round in, and the ways to begin. */
const emit = defineEmits<{ start: []; example: [] }>();

const STEPS = [
  { title: 'Say what is on it', says: 'Tire, wheel, heights at the four corners, how far the wheel moves.' },
  { title: 'Measure round the tire', says: 'Some twenty gaps from today’s tire to what stands near it.' },
  { title: 'Try the new one', says: 'It is moved through all steer and travel, past every place you measured.' },
  { title: 'Plan the least change', says: 'Unbolt, trim, fold, space, stop or lift: what it takes, what it costs.' },
  { title: 'Fit it, and look again', says: 'The sheet for the bay, the trial fit, the hand-over, what is due.' },
] as const;
</script>

<template>
  <section class="welcome stack" aria-labelledby="welcome-title" data-testid="welcome">
    <h2 id="welcome-title" class="figures">Will it clear, and if not, what is the least that makes it?</h2>
    <ol class="steps">
      <li v-for="({ title, says }, i) in STEPS" :key="title" class="panel">
        <svg viewBox="0 0 120 76" aria-hidden="true">
          <path d="M8 70H112" class="ground" />
          <template v-if="i === 0">
            <circle cx="60" cy="44" r="26" class="tire" />
            <circle cx="60" cy="44" r="12" class="rim" />
            <path d="M20 20A44 44 0 0 1 100 20" class="lip" />
            <path d="M60 44V4M55 4h10" class="tape" />
          </template>
          <template v-else-if="i === 1">
            <circle cx="56" cy="46" r="24" class="tire" />
            <circle cx="56" cy="46" r="11" class="rim" />
            <path d="M16 24A44 44 0 0 1 96 24V52" class="lip" />
            <path d="M56 22V6M73 29L82 15M80 46H96" class="tape" />
          </template>
          <template v-else-if="i === 2">
            <circle cx="60" cy="44" r="21" class="ghost" />
            <ellipse cx="60" cy="40" rx="17" ry="29" class="tire" transform="rotate(16 60 40)" />
            <path d="M20 20A44 44 0 0 1 100 20" class="lip" />
            <path d="M34 62A32 32 0 0 0 84 64M84 64l-3-6M84 64l-7 1" class="tape" />
          </template>
          <template v-else-if="i === 3">
            <path d="M16 60V24H92Q104 24 104 40" class="lip" />
            <path d="M92 24Q104 24 104 40" class="cut" />
            <path d="M70 12L98 44" class="tape" stroke-dasharray="5 4" />
          </template>
          <template v-else>
            <circle cx="60" cy="44" r="26" class="tire" />
            <circle cx="60" cy="44" r="12" class="rim" />
            <path d="M50 44l7 8 15-17" class="tick" />
          </template>
        </svg>
        <strong>{{ i + 1 }}. {{ title }}</strong>
        <span>{{ says }}</span>
      </li>
    </ol>
    <div class="row">
      <v-btn color="primary" size="large" :prepend-icon="mdiPlus" @click="emit('start')">Begin a job</v-btn>
      <v-btn variant="outlined" size="large" :prepend-icon="mdiCarWrench" @click="emit('example')"
        >Look round in an example</v-btn
      >
      <v-btn variant="outlined" size="large" :prepend-icon="mdiPhoneOutline" :to="{ name: 'quick' }"
        >Somebody is on the phone</v-btn
      >
    </div>
    <p class="small muted">
      The key with the question mark, or the key <strong>?</strong>, says how to measure and what words mean.
    </p>
  </section>
</template>

<style scoped>
.welcome {
  gap: 18px;
}
h2 {
  font-size: 26px;
  font-weight: 600;
}
.steps {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
  gap: 14px;
}
.steps > li {
  display: grid;
  gap: 4px;
  align-content: start;
  padding: 14px;
  font-size: 15px;
  line-height: 20px;
}
.steps strong {
  font-size: 17px;
}
svg {
  height: 96px;
  justify-self: center;
}
path,
circle,
ellipse {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.tire {
  fill: var(--ink);
}
.rim {
  fill: var(--paper);
}
.ghost {
  stroke: var(--ghost);
  stroke-dasharray: 5 5;
}
.ground,
.lip {
  stroke: var(--ghost);
  stroke-width: 4;
}
.tape,
.cut {
  stroke: var(--accent);
  stroke-width: 4;
}
.tick {
  stroke: var(--accent);
  stroke-width: 5;
}
</style>
