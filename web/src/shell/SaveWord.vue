<script setup lang="ts">
import { computed } from "vue";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();

const time = computed(() => {
  const saved = library.setup?.saved_at;
  return saved ? new Date(saved).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" }) : "";
});
const word = computed(
  () =>
    ({
      saved: `saved ${time.value}`,
      saving: "saving…",
      unsaved: "not saved yet",
      conflict: "not saved: changed elsewhere",
      failed: `not saved: ${library.failure?.detail ?? ""}`,
    })[library.saveState],
);
</script>

<template>
  <p class="label" role="status">
    revision {{ library.setup?.version }} · <span :class="{ bad: library.failure }">{{ word }}</span>
    <button v-if="library.saveState === 'failed'" class="plain-button" type="button" @click="library.save()">
      Save again
    </button>
  </p>
</template>
