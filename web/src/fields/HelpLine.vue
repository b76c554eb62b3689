<script setup lang="ts">
import { useHelp } from "./help";

const help = useHelp();
</script>

<template>
  <p class="label" aria-hidden="true">
    <template v-if="help"
      ><b>{{ help.title }}.</b> {{ help.text }}</template
    >
    <template v-else>Each field says here what it is and how to measure it.</template>
  </p>
</template>

<style scoped>
p {
  border-top: 1px solid var(--rule);
  flex: none;
  min-height: 2.9rem;
  padding: 0.25rem 0;
}
</style>
