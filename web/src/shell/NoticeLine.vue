<script setup lang="ts">
// A word about something that was done, or could not be, until it is closed.
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
</script>

<template>
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
