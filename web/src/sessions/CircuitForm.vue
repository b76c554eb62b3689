<script setup lang="ts">
// The circuit of the current session: its corners and straights, or its braking zones, each row a piece of road.
import { computed, ref } from "vue";
import { Refused } from "@/api/client";
import { fieldAt } from "@/documents/schema";
import DocumentField from "@/fields/DocumentField.vue";
import { show } from "@/units/units";
import { useCircuits } from "@/workbench/circuits";
import { useHeat, useSimulation } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import TraceStrip from "./TraceStrip.vue";

const workbench = useWorkbench();
const heat = useHeat();
const circuits = useCircuits();
const simulation = useSimulation();
const path = computed(() => `${heat.path}.circuit`);
const circuit = computed(() => heat.session?.circuit ?? null);
const byZones = computed(() => circuit.value?.laid_out_by === "zones");
const list = computed(() => (byZones.value ? "zones" : "sections"));
const rows = computed<readonly unknown[]>(() => circuit.value?.[list.value] ?? []);
const COLUMNS = computed(() =>
  byZones.value
    ? ["name", "run", "from_speed", "to_speed", "distance", "run_time"]
    : ["name", "length", "radius"],
);
const word = ref("");
/** As the session is simulated on it. */
const lap = computed(() => {
  const simulated = simulation.answer?.heat;
  return simulated && simulated.session === heat.session?.name ? simulated.strip.distances.at(-1) : undefined;
});

type Rows = readonly unknown[];
const rework = (make: (now: Rows) => Rows) => workbench.remake(`${path.value}.${list.value}`, make);
const add = () => rework((now) => [...now, now.at(-1)]);
const remove = (at: number) => rework((now) => now.filter((_, place) => place !== at));

/** On the list, for other sessions and other cars; over the one of the same name where there is one. */
async function keep(): Promise<void> {
  if (!circuit.value) return;
  try {
    word.value = (await circuits.keep(circuit.value))
      ? `“${circuit.value.name}” on the list is as it is here now.`
      : `“${circuit.value.name}” is on the list now.`;
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    word.value = error.problem.detail;
  }
}
</script>

<template>
  <form v-if="circuit" aria-label="Race circuit" @submit.prevent>
    <div class="head">
      <DocumentField :path="`${path}.name`" />
      <DocumentField :path="`${path}.one_way`" />
      <button class="plain-button" type="button" @click="keep">Keep on the list of race circuits</button>
    </div>
    <p class="label" role="status">
      {{
        word ||
        `${lap === undefined ? "" : `${circuit.one_way ? "From start to finish" : "A lap"} ${show(lap, "distance")}. `}This is the session's own copy: what is changed here changes no other session.${byZones ? "" : " Left empty, a radius is a straight."}`
      }}
    </p>
    <TraceStrip v-if="circuit.trace_distance?.length" :circuit="circuit" />
    <table>
      <thead>
        <tr class="label">
          <th scope="col">#</th>
          <th v-for="column in COLUMNS" :key="column" scope="col">
            {{ fieldAt(`${path}.${list}.0.${column}`).title }}
          </th>
          <th scope="col"><span class="away">remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(_, at) in rows" :key="at">
          <th scope="row" class="label">{{ at + 1 }}</th>
          <td v-for="column in COLUMNS" :key="column">
            <DocumentField bare :path="`${path}.${list}.${at}.${column}`" :context="`row ${at + 1}`" />
          </td>
          <td>
            <button
              class="plain-button"
              type="button"
              :disabled="rows.length === 1"
              :aria-label="`Remove row ${at + 1}`"
              @click="remove(at)"
            >
              ×
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button class="plain-button" type="button" @click="add">One more row</button>
  </form>
</template>

<style scoped>
.head {
  align-items: center;
  display: grid;
  gap: 0 1.4rem;
  grid-template-columns: minmax(0, 1.8fr) auto auto;
}
.head :deep(.field) {
  grid-template-columns: auto minmax(0, 1fr);
}
@media (max-width: 760px) {
  .head {
    grid-template-columns: minmax(0, 1fr);
  }
}
table {
  border-collapse: collapse;
  margin-bottom: 0.3rem;
}
th {
  font-weight: 400;
  padding-right: 0.5rem;
  text-align: left;
}
td {
  padding-right: 0.5rem;
}
td .plain-button {
  min-height: 1.7rem;
  padding: 0 0.5rem;
}
</style>
