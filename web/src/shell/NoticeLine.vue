<script setup lang="ts">
// A message about an action or its failure, until it is closed; and why the heat of sessions is not known yet.
import { compiling } from "@/api/client";
import { showPhrase } from "@/units/units";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";

const library = useLibrary();
const workbench = useWorkbench();
</script>

<template>
  <p v-if="compiling" role="status">{{ compiling }}</p>
  <p v-if="library.notice" role="status">
    {{ library.notice }}
    <button class="plain-button" type="button" @click="library.notice = ''">Close</button>
  </p>
  <p v-if="workbench.followed" role="status">
    {{ showPhrase(workbench.followed) }}
    <button class="plain-button" type="button" @click="workbench.followed = null">Close</button>
  </p>
</template>

<style scoped>
p {
  grid-column: 1 / -1;
  overflow-wrap: anywhere;
}
</style>
