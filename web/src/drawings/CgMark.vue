<script setup lang="ts">
// The mark of a centre of gravity, with words beside it where they are given.
defineProps<{ x: number; y: number }>();
</script>

<template>
  <g class="cg" :style="{ transform: `translate(${x}px, ${y}px)` }">
    <circle r="8" />
    <path d="M0 0v-8a8 8 0 0 1 8 8zM0 0v8a8 8 0 0 1 -8 -8z" />
    <slot />
  </g>
</template>

<style scoped>
circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
path {
  fill: var(--ink);
}
@media (prefers-reduced-motion: no-preference) {
  .cg {
    transition: transform 0.25s;
  }
}
</style>
