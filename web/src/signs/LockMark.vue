<script setup lang="ts">
// A shape for the end that locks first, so that meaning is never in colour alone.
defineProps<{ first: "front" | "rear" }>();
</script>

<template>
  <svg viewBox="0 0 12 12" aria-hidden="true" :class="first">
    <path v-if="first === 'rear'" d="M6 1l5 5-5 5-5-5z" />
    <circle v-else cx="6" cy="6" r="4.2" />
  </svg>
</template>

<style scoped>
svg {
  fill: none;
  flex: none;
  stroke: currentColor;
  stroke-width: 2;
  width: 0.75rem;
}
.rear {
  fill: currentColor;
}
</style>
