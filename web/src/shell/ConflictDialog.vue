<script setup lang="ts">
import Dialog from "primevue/dialog";
import { computed } from "vue";
import { useRouter } from "vue-router";
import { useLibrary } from "@/workbench/library";
import { resolveConflict } from "@/workbench/conflict";

const library = useLibrary();
const router = useRouter();
const what = computed(() => (library.conflict?.kind === "car" ? "This car" : "This setup"));
const deleted = computed(() => library.conflict?.deleted ?? false);

async function choose(choice: "theirs" | "mine" | "new"): Promise<void> {
  const setupId = await resolveConflict(choice);
  if (setupId) await router.replace({ name: router.currentRoute.value.name ?? "chain", params: { setupId } });
  else await router.replace({ name: "garage" });
}
</script>

<template>
  <Dialog
    :visible="library.conflict !== null"
    modal
    :closable="false"
    :header="deleted ? 'Deleted in another tab' : 'Changed in another tab'"
  >
    <p>
      {{ what }} was {{ deleted ? "deleted for good" : "saved" }} elsewhere while you worked on it here.
      Nothing of yours is lost; choose what to keep.
    </p>
    <div>
      <button class="plain-button" type="button" @click="choose('new')">Keep mine as a new one</button>
      <button v-if="!deleted" class="plain-button" type="button" @click="choose('mine')">
        Put mine on top
      </button>
      <button class="plain-button" type="button" @click="choose('theirs')">
        {{ deleted ? "Let it go" : "Take the other" }}
      </button>
    </div>
  </Dialog>
</template>

<style scoped>
p {
  max-width: 30rem;
}
div {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 1rem;
}
</style>
