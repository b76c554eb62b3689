<script setup lang="ts">
// The state of saving, and changes tried on that no place shows.
import { computed } from "vue";
import { useLeftTried } from "@/working/tryOn";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";

const library = useLibrary();
const workbench = useWorkbench();
const tried = useLeftTried();

const time = computed(() => {
  const saved = [library.setup?.saved_at, library.car?.saved_at].filter(Boolean).sort().at(-1);
  return saved ? new Date(saved).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" }) : "";
});
const word = computed(
  () =>
    ({
      saved: `saved ${time.value}`,
      saving: "saving…",
      unsaved: "not saved yet",
      tried: "on trial: saved once you keep it",
      conflict: `not saved: ${library.conflict?.deleted ? "deleted" : "changed"} elsewhere`,
      failed: `not saved: ${library.failure?.detail ?? ""}`,
    })[library.saveState],
);
</script>

<template>
  <p class="label" role="status">
    car revision {{ library.car?.version }} · setup revision {{ library.setup?.version }} ·
    <span :class="{ bad: library.failure }">{{ word }}</span>
    <button v-if="library.saveState === 'failed'" class="plain-button" type="button" @click="library.save()">
      Save again
    </button>
    <template v-if="tried">
      <button class="plain-button" type="button" @click="workbench.keep">keep {{ tried.title }}</button>
      <button class="plain-button" type="button" @click="workbench.undo">undo it</button>
    </template>
  </p>
</template>
