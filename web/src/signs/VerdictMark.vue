<script setup lang="ts">
// A shape for each level, so that meaning is never in colour alone.
defineProps<{ level: "good" | "open" | "watch" | "bad" }>();
const says = { good: "good", open: "no laps yet", watch: "watch", bad: "wrong" };
</script>

<template>
  <svg :class="level" viewBox="0 0 20 20" role="img" :aria-label="says[level]">
    <path v-if="level === 'good'" d="M3.5 10.5l4.5 5 8.5-11" />
    <path v-else-if="level === 'open'" d="M4.5 10h11" />
    <path v-else-if="level === 'watch'" d="M10 3.5l7.5 13h-15zM10 8.5v3.6M10 14.2v.4" />
    <path v-else d="M10 2.5l7.5 7.5-7.5 7.5L2.5 10zM7.4 7.4l5.2 5.2M12.6 7.4l-5.2 5.2" />
  </svg>
</template>

<style scoped>
svg {
  fill: none;
  stroke: currentColor;
  stroke-linejoin: round;
  stroke-width: 2.1;
  width: 1.25rem;
  flex: none;
}
</style>
