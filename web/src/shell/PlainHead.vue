<script setup lang="ts">
// The head when no setup is on the bench, or none is shown.
import HeadSettings from "@/shell/HeadSettings.vue";
import NoticeLine from "@/shell/NoticeLine.vue";
import UnreadableDialog from "@/shell/UnreadableDialog.vue";
</script>

<template>
  <header>
    <strong>Plimbo</strong>
    <HeadSettings />
    <NoticeLine />
    <UnreadableDialog />
  </header>
</template>

<style scoped>
header {
  align-items: center;
  border-bottom: 1px solid var(--rule);
  display: grid;
  gap: 0.15rem 0.6rem;
  grid-template-columns: 1fr auto;
  padding: 0.35rem 1.1rem;
}
strong {
  font-size: 1.1rem;
}
</style>
