<script setup lang="ts">
/** The way through a list that is too long for one page. */
defineProps<{ page: number; pages: number; what: string }>();
const emit = defineEmits<{ turn: [page: number] }>();
</script>

<template>
  <div v-if="pages > 1" class="row turning">
    <v-btn
      variant="outlined"
      height="48"
      :disabled="page <= 1"
      :aria-label="`${what}: page before`"
      @click="emit('turn', page - 1)"
      >Before</v-btn
    >
    <span class="figures" role="status">Page {{ page }} of {{ pages }}</span>
    <v-btn
      variant="outlined"
      height="48"
      :disabled="page >= pages"
      :aria-label="`${what}: next page`"
      @click="emit('turn', page + 1)"
      >After</v-btn
    >
  </div>
</template>

<style scoped>
.turning {
  padding: 8px 10px;
}
</style>
