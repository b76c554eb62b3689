<script setup lang="ts">
// One car: its name and actions, then its setups, each with its summary and its last change.
import { ref } from "vue";
import { useRouter } from "vue-router";
import { useGarage, type ListedCar, type ListedSetup } from "@/workbench/garage";
import { useLibrary } from "@/workbench/library";
import MarkHeads from "./MarkHeads.vue";
import RenameLine from "./RenameLine.vue";
import SetupSummary from "./SetupSummary.vue";
import { useActions } from "./actions";

const NO_CAR = "Setups whose car is missing";
const props = defineProps<{ car: ListedCar }>();
const garage = useGarage();
const library = useLibrary();
const router = useRouter();
/** What is being renamed: the car's own id, or that of a setup. */
const renaming = ref("");
const { fault, run } = useActions();

const setups = () => props.car.setups.filter((one) => !one.archived);
const isBaseline = (setup: ListedSetup) => library.desk.baselines[props.car.id]?.setup_id === setup.id;

async function rename(kind: "car" | "setup", id: string, name: string): Promise<void> {
  await run(() => garage.rename(kind, id, name));
  if (!fault.value) renaming.value = "";
}

function compare(setup: ListedSetup): Promise<void> {
  const { id: setup_id, version } = setup;
  return run(() => library.mark(props.car.id, isBaseline(setup) ? null : { setup_id, version }));
}

function open(setup: ListedSetup): void {
  if (setup.readable) void router.push({ name: "chain", params: { setupId: setup.id } });
  else library.unreadable = { kind: "setup", id: setup.id, name: setup.name };
}

function stopRenaming(): void {
  renaming.value = fault.value = "";
}
</script>

<template>
  <section :aria-label="car.missing ? NO_CAR : car.name || 'Car without a name'">
    <header>
      <RenameLine
        v-if="renaming === car.id"
        :name="car.name"
        label="Name of the car"
        :fault="fault"
        @named="(name) => rename('car', car.id, name)"
        @closed="stopRenaming"
      />
      <h2 v-else-if="car.missing">
        <small>{{ NO_CAR }}</small>
      </h2>
      <h2 v-else>{{ car.name || "no name" }} <small v-if="!car.readable">cannot be opened here</small></h2>
      <MarkHeads v-if="setups().length" />
      <span v-if="renaming !== car.id && !car.missing" class="verbs">
        <button class="quiet" type="button" :disabled="!car.readable" @click="renaming = car.id">
          Rename<span class="away"> the car {{ car.name }}</span>
        </button>
        <button class="quiet" type="button" :disabled="!car.readable" @click="run(() => garage.copyCar(car))">
          Copy<span class="away"> the car {{ car.name }}</span>
        </button>
        <button class="quiet" type="button" @click="run(() => garage.archive('car', car.id, true))">
          Archive<span class="away"> the car {{ car.name }}</span>
        </button>
      </span>
    </header>
    <ul>
      <li v-for="setup in setups()" :key="setup.id" :aria-label="setup.name">
        <RenameLine
          v-if="renaming === setup.id"
          :name="setup.name"
          label="Name of the setup"
          :fault="fault"
          @named="(name) => rename('setup', setup.id, name)"
          @closed="stopRenaming"
        />
        <button
          v-else
          class="open"
          type="button"
          :aria-label="`${setup.name || 'no name'}, open`"
          @click="open(setup)"
        >
          {{ setup.name || "no name" }}
        </button>
        <SetupSummary :car="car" :setup="setup" />
        <span class="verbs">
          <button
            class="quiet"
            type="button"
            :aria-pressed="isBaseline(setup)"
            title="Its numbers stand beside those of every other setup of this car"
            @click="compare(setup)"
          >
            {{ isBaseline(setup) ? "Compared with" : "Compare" }}<span class="away"> {{ setup.name }}</span>
          </button>
          <button class="quiet" type="button" :disabled="!setup.readable" @click="renaming = setup.id">
            Rename<span class="away"> {{ setup.name }}</span>
          </button>
          <button
            class="quiet"
            type="button"
            :disabled="!setup.readable"
            @click="run(() => garage.copySetup(car, setup.id))"
          >
            Copy<span class="away"> {{ setup.name }}</span>
          </button>
          <button class="quiet" type="button" @click="run(() => garage.archive('setup', setup.id, true))">
            Archive<span class="away"> {{ setup.name }}</span>
          </button>
        </span>
      </li>
    </ul>
    <p v-if="!setups().length" class="label">No setup of it is on the list.</p>
    <p v-if="fault && !renaming" class="bad" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--ink);
  padding-top: 0.35rem;
}
header,
li {
  align-items: center;
  column-gap: 1rem;
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr) auto;
}
header {
  align-items: end;
}
.verbs {
  grid-column-end: -1;
}
h2 {
  font-size: 1.15rem;
  font-weight: 600;
  margin-right: 0.4rem;
  overflow-wrap: anywhere;
}
small {
  color: var(--bad);
  font-size: 0.85rem;
  font-weight: 400;
}
ul {
  list-style: none;
}
li {
  border-top: 1px solid var(--rule);
  min-height: 2.3rem;
  padding: 0.2rem 0;
}
li:first-child {
  border-top-color: transparent;
}
.open {
  font-weight: 500;
  min-height: 1.9rem;
  overflow-wrap: anywhere;
  text-decoration: underline;
  text-decoration-color: var(--rule);
  text-underline-offset: 3px;
}
.open:hover {
  text-decoration-color: var(--ink);
}
.verbs {
  display: flex;
  gap: 0.2rem;
}
.quiet {
  border-radius: 999px;
  color: var(--soft);
  font-family: var(--narrow);
  font-size: 0.88rem;
  min-height: 1.8rem;
  padding: 0 0.45rem;
}
.quiet:hover:not(:disabled) {
  background: var(--tint);
  color: var(--ink);
}
.quiet:disabled {
  opacity: 0.45;
}
.quiet[aria-pressed="true"] {
  color: var(--ink);
  font-weight: 600;
}
@media (pointer: coarse) {
  .quiet,
  .open {
    min-height: 2.6rem;
    padding-inline: 0.6rem;
  }
}
@media (max-width: 1150px) {
  header :deep(.heads) {
    display: none;
  }
  header,
  li {
    grid-template-columns: 10rem minmax(0, 1fr) auto;
  }
}
@media (max-width: 860px) {
  header,
  li {
    grid-template-columns: 1fr;
  }
  li {
    padding: 0.4rem 0;
  }
  .verbs {
    flex-wrap: wrap;
    grid-column-end: auto;
  }
}
</style>
