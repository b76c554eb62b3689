<script setup lang="ts">
// A message about an action or its failure, until it is closed; and why the heat of sessions is not known yet.
import { compiling } from "@/api/client";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
</script>

<template>
  <p v-if="compiling" role="status">{{ compiling }}</p>
  <p v-if="library.notice" role="status">
    {{ library.notice }}
    <button class="plain-button" type="button" @click="library.notice = ''">Close</button>
  </p>
</template>

<style scoped>
p {
  grid-column: 1 / -1;
  overflow-wrap: anywhere;
}
</style>
