<script setup lang="ts">
// Units, day and night, keys and words: the same in every place.
import Select from "primevue/select";
import { UNIT_SYSTEMS } from "@/documents/schema";
import { helpShown } from "@/help/helpShown";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
</script>

<template>
  <div class="settings">
    <Select
      v-model="library.desk.units"
      :options="UNIT_SYSTEMS"
      option-value="value"
      option-label="label"
      aria-label="Units"
    />
    <button class="plain-button" type="button" @click="library.desk.dark = !library.desk.dark">
      {{ library.desk.dark ? "Day" : "Night" }}
    </button>
    <button
      class="plain-button"
      type="button"
      aria-label="Keys and words"
      title="Keys and words (?)"
      @click="helpShown = true"
    >
      ?
    </button>
  </div>
</template>

<style scoped>
.settings {
  align-items: center;
  display: flex;
  gap: 0.4rem;
}
</style>
