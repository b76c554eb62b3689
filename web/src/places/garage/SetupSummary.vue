<script setup lang="ts">
// The summary of a setup: a mark for each matter, the worst one in a word; and the last change.
import { computed } from "vue";
import VerdictMark from "@/signs/VerdictMark.vue";
import { changeWords, when } from "@/shell/historyWords";
import { useGarage, type ListedCar, type ListedSetup } from "@/workbench/garage";

const props = defineProps<{ car: ListedCar; setup: ListedSetup }>();
const garage = useGarage();
const summary = computed(() => garage.summary(props.car, props.setup));
const marks = computed(() => (summary.value && "marks" in summary.value ? summary.value.marks : null));
const trouble = computed(() => (summary.value && "trouble" in summary.value ? summary.value.trouble : ""));
const sound = computed(() => ["good", "open"].includes(marks.value?.worst.level ?? ""));
/** A sound verdict on values that are not given is no promise. */
const assumed = computed(() => marks.value?.unconfirmed ?? 0);
/** In which states it is judged, where not in all: by their names, or how many. */
const judged = computed(() => {
  const names = marks.value?.judged_in ?? [];
  if (!names.length) return "";
  return names.length > 2 ? `judged in ${names.length} states only` : `judged in ${names.join("; ")} only`;
});
const last = computed(() => {
  const entry = garage.lastChange(props.car, props.setup);
  const [first, ...rest] = entry?.changes ?? [];
  const changes = first
    ? `${changeWords(first)}${rest.length ? ` and ${rest.length} more` : ""}`
    : "as it began";
  return entry ? `${changes}, ${when(props.setup.saved_at)}` : when(props.setup.saved_at);
});
</script>

<template>
  <div class="summary">
    <span v-if="marks" class="marks">
      <span v-for="mark in marks.marks" :key="mark.key" :title="`${mark.title}: ${mark.word}`">
        <span class="away">{{ mark.title }}: {{ mark.word }}, </span><VerdictMark :level="mark.level" />
      </span>
    </span>
    <span v-if="marks" class="word" :class="sound && assumed ? 'watch' : marks.worst.level">
      {{ sound ? "Sound" : marks.worst.word
      }}<small v-if="!sound" class="label"> · {{ marks.worst.title }}</small
      ><small v-if="judged" class="label" :title="marks.judged_in.join('; ')"> · {{ judged }}</small
      ><small v-if="assumed" class="label"> · on {{ assumed }} values not given yet</small>
    </span>
    <span v-else-if="trouble" class="word watch">To be mended: {{ trouble }}</span>
    <span v-else-if="setup.readable" class="label" role="status">working it out…</span>
    <span v-else class="word bad">Cannot be opened here</span>
    <span class="label last">{{ last }}</span>
  </div>
</template>

<style scoped>
.summary {
  align-items: center;
  column-gap: 0.7rem;
  display: grid;
  grid-template-columns: 13.5rem minmax(0, 1fr) minmax(0, 1fr);
}
.summary:not(:has(.marks)) > :first-child {
  grid-column: 1 / 3;
}
.marks {
  display: grid;
  grid-template-columns: repeat(5, 2.7rem);
}
.word {
  font-weight: 500;
  overflow-wrap: anywhere;
}
.last {
  overflow-wrap: anywhere;
}
@media (max-width: 1150px) {
  .summary {
    grid-template-columns: 9rem minmax(0, 1.4fr) minmax(0, 1fr);
  }
  .marks {
    grid-template-columns: repeat(5, 1.8rem);
  }
}
@media (max-width: 860px) {
  .summary {
    grid-template-columns: 13.5rem minmax(0, 1fr);
  }
  .last {
    grid-column: 1 / -1;
  }
}
</style>
