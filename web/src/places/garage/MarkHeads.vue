<script setup lang="ts">
// The headings over the marks of the setups.
const HEADS = ["order", "leg", "travel", "heat", "anti-lock"];
</script>

<template>
  <p class="label heads" aria-hidden="true">
    <span v-for="head in HEADS" :key="head">{{ head }}</span>
  </p>
</template>

<style scoped>
.heads {
  display: grid;
  font-size: 0.74rem;
  white-space: nowrap;
  grid-template-columns: repeat(5, 2.7rem);
}
</style>
