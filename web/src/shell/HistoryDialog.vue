<script setup lang="ts">
// Earlier revisions of the setup and its car: what changed each time, and the way back.
import Dialog from "primevue/dialog";
import { computed, ref, watch } from "vue";
import { Refused } from "@/api/client";
import { recordsOf, type BenchRecord, type HistoryEntry } from "@/api/records";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";
import { changeWords, when } from "./historyWords";

const KINDS: readonly BenchRecord[] = ["setup", "car"];
const MOST = 8;
const visible = defineModel<boolean>({ required: true });
const library = useLibrary();
const workbench = useWorkbench();
const kind = ref<BenchRecord>("setup");
const entries = ref<HistoryEntry[]>([]);
const trouble = ref("");
const whole = ref<number[]>([]);
const newest = computed(() => (kind.value === "car" ? library.car : library.setup)?.version);
const title = computed(() => (kind.value === "car" ? library.car?.car.name : workbench.bench?.setup.name));

watch([visible, kind], async ([open]) => {
  if (!open || !library.setup || !library.car) return;
  whole.value = [];
  trouble.value = "";
  try {
    await library.save();
    const record = kind.value === "car" ? library.car : library.setup;
    entries.value = await recordsOf(kind.value).history(record.id);
  } catch (error) {
    explain(error);
  }
});

function explain(error: unknown): void {
  trouble.value = error instanceof Refused ? error.problem.detail : "The history could not be read.";
}

/** An earlier revision is restored as a new edit: nothing saved is changed, and undo works. */
async function bringBack(number: number): Promise<void> {
  if (!library.setup || !library.car) return;
  try {
    const record = kind.value === "car" ? library.car : library.setup;
    const found = await recordsOf(kind.value).revision(record.id, number);
    if (await workbench.edit(kind.value, found)) visible.value = false;
    else trouble.value = workbench.refusal?.detail ?? "";
  } catch (error) {
    explain(error);
  }
}

const revisionsOf = ({ first, number }: HistoryEntry) =>
  first === number ? `revision ${number}` : `revisions ${first} to ${number}`;
const changesOf = (entry: HistoryEntry) =>
  whole.value.includes(entry.number) ? entry.changes : entry.changes.slice(0, MOST);
</script>

<template>
  <Dialog v-model:visible="visible" modal header="History" class="history">
    <div class="kinds" role="group" aria-label="Of what">
      <button
        v-for="one in KINDS"
        :key="one"
        class="plain-button"
        type="button"
        :aria-pressed="kind === one"
        @click="kind = one"
      >
        {{ one === "car" ? "The car, for all its setups" : "This setup" }}
      </button>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <ol :aria-label="`History of ${title}`">
      <li v-for="entry in entries" :key="entry.number">
        <div>
          <strong>{{ entry.name || (entry.number === 1 ? "Begun" : "Saved while working") }}</strong>
          <span class="label"> · {{ revisionsOf(entry) }} · {{ when(entry.saved_at) }}</span>
          <p v-if="entry.note">{{ entry.note }}</p>
          <ul>
            <li v-for="(change, place) in changesOf(entry)" :key="place">{{ changeWords(change) }}</li>
          </ul>
          <button
            v-if="entry.changes.length > changesOf(entry).length"
            class="plain-button"
            type="button"
            @click="whole.push(entry.number)"
          >
            And {{ entry.changes.length - MOST }} more
          </button>
          <p v-if="!entry.readable" class="bad">This Plimbo cannot read it.</p>
          <p v-else-if="entry.number > 1 && !entry.changes.length" class="label">No value changed.</p>
        </div>
        <button
          class="plain-button"
          type="button"
          :disabled="entry.number === newest || !entry.readable"
          @click="bringBack(entry.number)"
        >
          {{ entry.number === newest ? "As it is now" : "Bring back" }}
        </button>
      </li>
    </ol>
  </Dialog>
</template>

<style scoped>
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-bottom: 0.5rem;
}
ol {
  list-style: none;
  max-height: 60vh;
  max-width: 40rem;
  overflow: auto;
  width: min(40rem, 80vw);
}
ol > li {
  align-items: start;
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 0.8rem;
  grid-template-columns: minmax(0, 1fr) auto;
  padding: 0.4rem 0;
}
ul {
  list-style: none;
}
ul li {
  font-size: 0.9rem;
  overflow-wrap: anywhere;
}
</style>
