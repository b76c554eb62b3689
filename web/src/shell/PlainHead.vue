<script setup lang="ts">
// The head where no setup lies on the bench, or none is looked at: units, day and night, a word about what was done.
import Select from "primevue/select";
import { UNIT_SYSTEMS } from "@/documents/schema";
import NoticeLine from "@/shell/NoticeLine.vue";
import UnreadableDialog from "@/shell/UnreadableDialog.vue";
import { useLibrary } from "@/workbench/library";

const emit = defineEmits<{ help: [] }>();
const library = useLibrary();
</script>

<template>
  <header>
    <strong>Plimbo</strong>
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
      @click="emit('help')"
    >
      ?
    </button>
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
  grid-template-columns: 1fr auto auto auto;
  padding: 0.35rem 1.1rem;
}
strong {
  font-size: 1.1rem;
}
</style>
