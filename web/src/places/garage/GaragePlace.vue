<script setup lang="ts">
// The start page: all cars with their setups, the summary and last change of each; the archive below.
import { computed, onMounted, onUnmounted, ref, useTemplateRef } from "vue";
import { useRouter } from "vue-router";
import { Refused } from "@/api/client";
import ReadInFile from "@/shell/ReadInFile.vue";
import { useGarage } from "@/workbench/garage";
import ArchiveList from "./ArchiveList.vue";
import GarageCar from "./GarageCar.vue";

const garage = useGarage();
const router = useRouter();
const reader = useTemplateRef("reader");
const trouble = ref("");

onMounted(() => garage.load().catch(explain));
onUnmounted(garage.leave);
const archived = computed(() =>
  garage.cars.some((car) => car.archived || car.setups.some((setup) => setup.archived)),
);

function explain(error: unknown): void {
  trouble.value = error instanceof Refused ? error.problem.detail : "The garage could not be read.";
}
</script>

<template>
  <div class="garage">
    <div class="head">
      <h1>Garage</h1>
      <button class="plain-button" type="button" @click="router.push({ name: 'new' })">New car</button>
      <button class="plain-button" type="button" @click="reader?.choose()">Import a file</button>
      <ReadInFile ref="reader" />
    </div>
    <p v-if="trouble" class="bad" role="alert">
      {{ trouble }}
      <button class="plain-button" type="button" @click="garage.load().catch(explain)">Try again</button>
    </p>
    <div v-if="garage.loaded && !garage.listed.length" class="none">
      <p>
        No car yet. <b>New car</b> asks what you know of yours, step by step, and assumes the rest; or import
        a setup file that you have. To look round first, stop Plimbo and start <kbd>make demo</kbd>: it has
        three invented cars.
      </p>
    </div>
    <p v-else-if="!garage.loaded && !trouble" class="label" role="status">Opening the garage…</p>
    <GarageCar v-for="car in garage.listed" :key="car.id" :car="car" />
    <ArchiveList v-if="archived" />
    <p class="label caution">
      Estimates, not a design approval. A competent person inspects hydraulics and mountings before a car
      moves; the organiser's rules and road law come first.
    </p>
  </div>
</template>

<style scoped>
.garage {
  display: grid;
  gap: 1rem;
  max-width: 84rem;
  padding: 0.8rem 1.1rem 1.2rem;
}
.head {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
}
h1 {
  font-size: 1.3rem;
  font-weight: 600;
  margin-right: 0.6rem;
}
.none {
  border-left: 3px solid var(--ink);
  max-width: 42rem;
  padding: 0.3rem 0.9rem;
}
kbd {
  font-family: var(--narrow);
}
.caution {
  max-width: 46rem;
}
</style>
