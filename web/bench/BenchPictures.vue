<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { ObstacleCache } from '@/core/3-survey/prepared/obstacle-cache';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { problemText } from '../problem-words';
import CornerPictures from './CornerPictures.vue';

/** The pictures of one corner after another, or why it cannot be drawn. */
const props = defineProps<{
  file: LowgapFile;
  cornerKey: CornerKey;
  corner: CornerDescription;
  verdicts: readonly ObstacleVerdict[];
  picked: ObstacleVerdict | null;
}>();
defineEmits<{ pick: [id: string] }>();

/** Surveyed places worked out once for all that is drawn of them. */
const cache = new ObstacleCache();
const prepared = computed(() => attempt(() => prepareDescribed(asCase(props.file), props.cornerKey, cache.survey)));
</script>

<template>
  <CornerPictures
    v-if="prepared.ok"
    :key="cornerKey"
    v-bind="props"
    :prepared="prepared.value"
    @pick="$emit('pick', $event)"
  />
  <section v-else class="panel verdict-rubs empty" data-testid="cannot-draw">
    This setup cannot be drawn. {{ problemText(prepared.problems[0]!) }}
  </section>
</template>
