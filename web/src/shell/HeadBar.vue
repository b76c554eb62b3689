<script setup lang="ts">
import Menu from "primevue/menu";
import Select from "primevue/select";
import { computed, ref, useTemplateRef } from "vue";
import { useRouter } from "vue-router";
import AssumedLine from "@/shell/AssumedLine.vue";
import HeadSettings from "@/shell/HeadSettings.vue";
import NameDialog, { type Purpose } from "@/shell/NameDialog.vue";
import NoticeLine from "@/shell/NoticeLine.vue";
import ReadInFile from "@/shell/ReadInFile.vue";
import HistoryDialog from "@/shell/HistoryDialog.vue";
import SaveWord from "@/shell/SaveWord.vue";
import UnreadableDialog from "@/shell/UnreadableDialog.vue";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";

const library = useLibrary();
const workbench = useWorkbench();
const router = useRouter();
const menu = useTemplateRef("menu");
const reader = useTemplateRef("reader");
const naming = ref<Purpose>("");
const history = ref(false);

const states = computed(() => workbench.assessment?.states.map((answer) => answer.state.name) ?? []);

const baseline = computed(() =>
  library.hasBaseline ? `Compared with: ${workbench.baseline?.label ?? ""}` : "Compare with this",
);

/** A word longer than any that is spoken may break anywhere. */
const unbroken = (name = "") => /\S{16}/.test(name);

/** The one that is open stays: going there again would stop a change of place that is still loading. */
const openSetup = (setupId: string | null) =>
  setupId &&
  setupId !== router.currentRoute.value.params.setupId &&
  library.canOpen("setup", library.setups, setupId) &&
  router.push({ name: router.currentRoute.value.name ?? "chain", params: { setupId } });

async function openCar(carId: string): Promise<void> {
  if (carId === library.car?.id || !library.canOpen("car", library.cars, carId)) return;
  const setupId = await library.firstSetupOf(carId);
  if (setupId) openSetup(setupId);
  else library.notice = "None of this car's setups can be opened here.";
}

const listedName = (one: { name: string; readable: boolean }) =>
  one.readable ? one.name : `${one.name || "no name"} (cannot be opened)`;

async function takeHome(): Promise<void> {
  await library.save();
  const link = document.createElement("a");
  link.href = `/api/setups/${library.setup?.id}/file`;
  link.download = "";
  link.click();
}

const items = [
  { label: "Rename this setup…", command: () => (naming.value = "rename") },
  { label: "Keep this revision under a name…", command: () => (naming.value = "keep") },
  { label: "History…", command: () => (history.value = true) },
  { label: "New setup from this one…", command: () => (naming.value = "copy") },
  { label: "New car from this one…", command: () => (naming.value = "car") },
  { separator: true },
  { label: "Export as a file", command: takeHome },
  { label: "Import a file…", command: () => reader.value?.choose() },
  { separator: true },
  { label: "Make a backup of everything", command: () => library.makeBackup() },
];

async function named(name: string, note: string): Promise<void> {
  const how = naming.value;
  naming.value = "";
  if (how === "rename") await workbench.edit("setup.name", name);
  if (how === "keep") await library.save(name, note);
  if (how === "copy") openSetup(await library.copySetup(name));
  if (how === "car") openSetup(await library.copyCar(name));
}
</script>

<template>
  <header>
    <div class="names">
      <Select
        :model-value="library.car?.id"
        :options="library.cars"
        option-value="id"
        :option-label="listedName"
        aria-label="Car"
        class="car"
        :class="{ unbroken: unbroken(workbench.bench?.car.name) }"
        :title="workbench.bench?.car.name"
        @update:model-value="openCar"
      />
      <Select
        :model-value="library.setup?.id"
        :options="library.setups"
        option-value="id"
        :option-label="listedName"
        aria-label="Setup"
        class="setup"
        :class="{ unbroken: unbroken(workbench.bench?.setup.name) }"
        :title="workbench.bench?.setup.name"
        @update:model-value="openSetup"
      >
        <template #value>{{ workbench.bench?.setup.name }}</template>
      </Select>
      <button
        class="plain-button"
        type="button"
        aria-haspopup="menu"
        aria-controls="setup-menu"
        @click="(event) => menu?.toggle(event)"
      >
        File
      </button>
      <Menu id="setup-menu" ref="menu" :model="items" popup />
    </div>
    <SaveWord />
    <div class="turning">
      <button
        class="plain-button"
        type="button"
        title="Undo (Ctrl+Z)"
        :disabled="!workbench.canUndo"
        @click="workbench.undo"
      >
        Undo
      </button>
      <button
        class="plain-button"
        type="button"
        title="Redo (Ctrl+Shift+Z)"
        :disabled="!workbench.canRedo"
        @click="workbench.redo"
      >
        Redo
      </button>
      <button
        class="plain-button"
        type="button"
        :aria-pressed="library.hasBaseline"
        :title="`${baseline}. Every number stands beside that of the setup compared with (B)`"
        @click="library.toggleBaseline"
      >
        <span>{{ baseline }}</span>
      </button>
    </div>
    <HeadSettings />
    <div v-if="states.length" class="looking">
      <div class="states" data-scrolls role="radiogroup" aria-label="State looked at">
        <span class="label">{{ workbench.judgedIn.length ? "Judged in these only" : "Looking at" }}</span>
        <label v-for="name in states" :key="name" :class="{ chosen: workbench.current?.state.name === name }">
          <input
            type="radio"
            class="away"
            name="state"
            :value="name"
            :checked="workbench.current?.state.name === name"
            @change="workbench.stateName = name"
          />{{ name }}
        </label>
      </div>
      <AssumedLine />
    </div>
    <ReadInFile ref="reader" />
    <NoticeLine />
    <NameDialog :purpose="naming" @named="named" @closed="naming = ''" />
    <HistoryDialog v-model="history" />
    <UnreadableDialog />
  </header>
</template>

<style scoped>
header {
  align-items: center;
  border-bottom: 1px solid var(--rule);
  display: grid;
  gap: 0.15rem 1.1rem;
  grid-template-columns: auto minmax(7rem, 1fr) auto auto;
  padding: 0.35rem 1.1rem;
}
.names,
.turning,
.looking,
.states {
  align-items: center;
  display: flex;
  gap: 0.4rem;
}
.looking {
  column-gap: 1rem;
  grid-column: 1 / -1;
  min-width: 0;
}
.states {
  gap: 0.3rem;
  min-width: 0;
  overflow-x: auto;
  padding: 2px;
  scrollbar-width: thin;
}
.states > .label {
  white-space: nowrap;
}
.states label {
  flex: none;
  border: 1px solid var(--rule);
  border-radius: 999px;
  cursor: pointer;
  font-family: var(--narrow);
  padding: 0.12rem 0.7rem;
  color: var(--soft);
}
.states label:has(:focus-visible) {
  outline: 2px solid var(--focus);
}
.states .chosen {
  background: var(--tint);
  border-color: var(--ink);
  color: var(--ink);
}
@media (pointer: coarse) {
  .states label {
    padding: 0.5rem 0.8rem;
  }
}
@media (max-width: 760px) {
  header {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 0.7rem;
  }
  .names,
  .turning,
  .looking {
    flex-wrap: wrap;
  }
}
.car :deep(.p-select-label) {
  font-size: 1.2rem;
  font-weight: 600;
}
.names :deep(.p-select) {
  border-color: transparent;
}
.names :deep(.p-select:hover) {
  border-color: var(--rule);
}
.names :deep(.p-select-label) {
  margin-block: 0.3rem;
  padding-block: 0;
  padding-inline: 0.3rem;
}
/* A long name in two lines at most, whole in its title. */
.names :deep(.p-select-label),
.turning [aria-pressed] > span {
  display: -webkit-box;
  line-height: 1.15;
  overflow: hidden;
  white-space: normal;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
.names .unbroken {
  overflow-wrap: anywhere;
}
.names :deep(.p-select) {
  max-width: min(16rem, 22vw + 5rem);
}
.turning [aria-pressed] {
  max-width: min(12rem, 16vw + 2rem);
}
</style>
