<script setup lang="ts">
// How a setup stands: a mark for each matter, the worst of them in a word; and what changed last.
import { computed } from "vue";
import VerdictMark from "@/signs/VerdictMark.vue";
import { changeWords, when } from "@/shell/historyWords";
import { useGarage, type ListedCar, type ListedSetup } from "@/workbench/garage";

const props = defineProps<{ car: ListedCar; setup: ListedSetup }>();
const garage = useGarage();
const standing = computed(() => garage.standing(props.car, props.setup));
const marks = computed(() => (standing.value && "marks" in standing.value ? standing.value.marks : null));
const trouble = computed(() => (standing.value && "trouble" in standing.value ? standing.value.trouble : ""));
const sound = computed(() => marks.value?.worst.level === "good");
/** What is sound on values that nobody has given is no promise. */
const assumed = computed(() => marks.value?.unconfirmed ?? 0);
const last = computed(() => {
  const entry = garage.lastChange(props.car, props.setup);
  const [first, ...rest] = entry?.changes ?? [];
  const told = first
    ? `${changeWords(first)}${rest.length ? ` and ${rest.length} more` : ""}`
    : "as it began";
  return entry ? `${told}, ${when(props.setup.saved_at)}` : when(props.setup.saved_at);
});
</script>

<template>
  <div class="standing">
    <span v-if="marks" class="marks">
      <span v-for="mark in marks.marks" :key="mark.key" :title="`${mark.title}: ${mark.word}`">
        <span class="away">{{ mark.title }}: {{ mark.word }}, </span><VerdictMark :level="mark.level" />
      </span>
    </span>
    <span v-if="marks" class="word" :class="sound && assumed ? 'watch' : marks.worst.level">
      {{ sound ? "Sound" : marks.worst.word
      }}<small v-if="!sound" class="label"> · {{ marks.worst.title }}</small
      ><small v-if="assumed" class="label"> · on {{ assumed }} values not given yet</small>
    </span>
    <span v-else-if="trouble" class="word watch">To be mended: {{ trouble }}</span>
    <span v-else-if="setup.readable" class="label" role="status">working it out…</span>
    <span v-else class="word bad">Cannot be opened here</span>
    <span class="label last">{{ last }}</span>
  </div>
</template>

<style scoped>
.standing {
  align-items: center;
  column-gap: 0.7rem;
  display: grid;
  grid-template-columns: 13.5rem minmax(0, 1fr) minmax(0, 1fr);
}
.standing:not(:has(.marks)) > :first-child {
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
  .standing {
    grid-template-columns: 9rem minmax(0, 1.4fr) minmax(0, 1fr);
  }
  .marks {
    grid-template-columns: repeat(5, 1.8rem);
  }
}
@media (max-width: 860px) {
  .standing {
    grid-template-columns: 13.5rem minmax(0, 1fr);
  }
  .last {
    grid-column: 1 / -1;
  }
}
</style>
