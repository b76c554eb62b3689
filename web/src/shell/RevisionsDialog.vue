<script setup lang="ts">
import Dialog from "primevue/dialog";
import { ref, watch } from "vue";
import { api, ask, type Schemas } from "@/api/client";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";

const visible = defineModel<boolean>({ required: true });
const library = useLibrary();
const workbench = useWorkbench();
const rows = ref<Schemas["ListedRevision"][]>([]);

watch(visible, async (open) => {
  if (!open || !library.setup) return;
  await library.save();
  const path = { setup_id: library.setup.id };
  rows.value = await ask(api.GET("/api/setups/{setup_id}/revisions", { params: { path } }));
});

/** An earlier revision comes back as a new edit: nothing that was saved is changed, and undo takes it back. */
async function bringBack(number: number): Promise<void> {
  if (!library.setup) return;
  const path = { setup_id: library.setup.id, number };
  const found = await ask(api.GET("/api/setups/{setup_id}/revisions/{number}", { params: { path } }));
  await workbench.edit("setup", found.setup);
  visible.value = false;
}

const when = (moment: string): string =>
  new Date(moment).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Earlier revisions">
    <ol>
      <li v-for="row in rows" :key="row.number">
        <span class="label">{{ row.number }}</span>
        <span
          ><strong>{{ row.name || "autosaved" }}</strong>
          <span class="label">{{ when(row.saved_at) }}</span><br v-if="row.note" />{{ row.note }}</span
        >
        <button
          class="plain-button"
          type="button"
          :disabled="row.number === library.setup?.version"
          @click="bringBack(row.number)"
        >
          Bring back
        </button>
      </li>
    </ol>
  </Dialog>
</template>

<style scoped>
ol {
  list-style: none;
  max-height: 60vh;
  min-width: 26rem;
  overflow: auto;
}
li {
  align-items: center;
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 0.8rem;
  grid-template-columns: 2rem 1fr auto;
  padding: 0.4rem 0;
}
</style>
