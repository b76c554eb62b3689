<script lang="ts">
/** The subject of the name; none while the dialog is closed. */
export type Purpose = "" | "rename" | "copy" | "keep" | "car";
</script>

<script setup lang="ts">
import Dialog from "primevue/dialog";
import InputText from "primevue/inputtext";
import { computed, ref, watch } from "vue";
import { useWorkbench } from "@/workbench/workbench";

const props = defineProps<{ purpose: Purpose }>();
const emit = defineEmits<{ named: [name: string, note: string]; closed: [] }>();
const workbench = useWorkbench();
const name = ref("");
const note = ref("");
const titles: Record<Purpose, string> = {
  "": "",
  rename: "Rename this setup",
  copy: "New setup from this one",
  keep: "Keep this revision",
  car: "New car from this one",
};
const fault = computed(() => (name.value.trim() ? "" : "Give it a name."));

watch(
  () => props.purpose,
  (purpose) => {
    if (purpose) name.value = purpose === "rename" ? (workbench.bench?.setup.name ?? "") : "";
    note.value = "";
  },
);

function done(): void {
  if (!fault.value) emit("named", name.value.trim(), note.value.trim());
}
</script>

<template>
  <Dialog :visible="purpose !== ''" modal :header="titles[purpose]" @update:visible="emit('closed')">
    <form @submit.prevent="done">
      <label class="label" for="setup-name">Name</label>
      <InputText id="setup-name" v-model="name" maxlength="80" autofocus autocomplete="off" />
      <template v-if="purpose === 'keep'">
        <label class="label" for="setup-note">Note</label>
        <InputText id="setup-note" v-model="note" maxlength="2000" autocomplete="off" />
      </template>
      <p class="label" role="status">{{ fault }}</p>
      <button class="plain-button" type="submit" :disabled="Boolean(fault)">Done</button>
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
  min-width: 22rem;
}
form :deep(input) {
  width: 100%;
}
</style>
