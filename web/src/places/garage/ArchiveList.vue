<script setup lang="ts">
// The archive: records to bring back, or to delete for good after a question.
import Dialog from "primevue/dialog";
import { computed, ref } from "vue";
import { useGarage } from "@/workbench/garage";
import { useActions } from "./actions";

interface Kept {
  kind: "car" | "setup";
  id: string;
  name: string;
  /** What goes with it, or where it belongs. */
  more: string;
}
const garage = useGarage();
const doomed = ref<Kept | null>(null);
const { fault, run } = useActions();

const counted = (count: number) => `${count} ${count === 1 ? "setup" : "setups"}`;
const kept = computed(() =>
  garage.cars.flatMap((car): Kept[] =>
    car.archived
      ? [{ kind: "car", id: car.id, name: car.name, more: `car with ${counted(car.setups.length)}` }]
      : car.setups
          .filter((setup) => setup.archived)
          .map((setup) => ({ kind: "setup", id: setup.id, name: setup.name, more: `setup of ${car.name}` })),
  ),
);

async function deleteIt(): Promise<void> {
  const one = doomed.value;
  doomed.value = null;
  if (one) await run(() => garage.deleteForGood(one.kind, one.id));
}
</script>

<template>
  <section aria-label="Archive">
    <h2>Archive</h2>
    <ul>
      <li v-for="one in kept" :key="one.id" :aria-label="one.name">
        <span
          >{{ one.name || "no name" }} <span class="label">{{ one.more }}</span></span
        >
        <button
          class="plain-button"
          type="button"
          @click="run(() => garage.archive(one.kind, one.id, false))"
        >
          Bring back<span class="away"> {{ one.name }}</span>
        </button>
        <button class="plain-button" type="button" @click="doomed = one">
          Delete for good…<span class="away"> {{ one.name }}</span>
        </button>
      </li>
    </ul>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <Dialog :visible="doomed !== null" modal header="Delete for good?" @update:visible="doomed = null">
      <template v-if="doomed">
        <p>
          “{{ doomed.name }}” ({{ doomed.more }}) goes with all its earlier revisions. Nothing brings it back
          but a backup.
        </p>
        <div class="choice">
          <button class="plain-button" type="button" @click="doomed = null">Keep it</button>
          <button class="plain-button bad" type="button" @click="deleteIt">Delete it for good</button>
        </div>
      </template>
    </Dialog>
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--ink);
  padding-top: 0.35rem;
}
h2 {
  font-size: 1.05rem;
  font-weight: 600;
}
ul {
  list-style: none;
}
li {
  align-items: center;
  border-top: 1px solid var(--rule);
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
  padding: 0.3rem 0;
}
li > :first-child {
  flex: 1 1 14rem;
}
p {
  max-width: 30rem;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 1rem;
}
</style>
