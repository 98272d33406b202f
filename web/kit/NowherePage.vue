<script setup lang="ts"></script>

<template>
  <v-main class="nowhere">
    <h1>There is nothing at this address</h1>
    <p>The job may have been removed, or the address has a slip in it.</p>
    <v-btn color="primary" :to="{ name: 'bay' }">To the bay board</v-btn>
  </v-main>
</template>

<style scoped>
.nowhere {
  padding: 48px;
}
</style>
