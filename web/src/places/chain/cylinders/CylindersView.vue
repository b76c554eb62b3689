<script setup lang="ts">
// All pairs of stock cylinders at a glance: the bar setting, push and travel of each; the pairs nearest to a target are ringed.
import { computed, nextTick, ref, useTemplateRef, watch } from "vue";
import type { CylinderPair } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import TriedLine from "@/working/TriedLine.vue";
import { useTryOn } from "@/working/tryOn";
import PairCell from "./PairCell.vue";
import { useCylinders } from "./question";

const workbench = useWorkbench();
const cylinders = useCylinders();
cylinders.keepFresh();
const table = computed(() => cylinders.answer);
const typed = ref(cylinders.target);
/** Whether pairs are shown with the bar where the deciding state wants it, or in its middle. */
const asWanted = ref(false);
/** A push is asked of a pair as it is run, a share of one with the bar in its middle: so they are shown, too. */
watch(
  () => table.value?.aim,
  (aim) => {
    if (aim) asWanted.value = !aim.startsWith("front share");
  },
);
const at = ref({ row: 0, column: 0 });
const rows = computed(() =>
  (table.value?.rows ?? []).map((row, place) => {
    const width = table.value?.columns.length ?? 0;
    return { row, pairs: table.value?.pairs.slice(place * width, (place + 1) * width) ?? [] };
  }),
);
const looked = computed(() => rows.value[at.value.row]?.pairs[at.value.column] ?? null);
const ringed = computed(() =>
  [...(table.value?.pairs ?? [])]
    .filter((one) => one.nearest)
    .sort((one, other) => (one.nearest ?? 0) - (other.nearest ?? 0)),
);
const rowTitle = (row: number | null): string => {
  if (!table.value?.tandem) return show(row, "bore");
  return row === null ? "no valve" : show(row, "pressure");
};
const nameOf = (pair: CylinderPair): string =>
  table.value?.tandem
    ? `tandem ${show(pair.column, "bore")}, ${pair.row === null ? "no valve" : `knee ${show(pair.row, "pressure")}`}`
    : `front ${show(pair.column, "bore")}, rear ${show(pair.row, "bore")}`;
const shortly = (pair: CylinderPair): string =>
  table.value?.tandem
    ? `${show(pair.column, "bore")}, ${rowTitle(pair.row)}`
    : `${showNumber(pair.column, "bore")} F, ${showNumber(pair.row, "bore")} R`;
const shown = (pair: CylinderPair) => (asWanted.value && pair.as_wanted ? pair.as_wanted : pair.centred);

const grid = useTemplateRef<HTMLTableElement>("grid");
const { tried, tryOn, putBack, keep } = useTryOn();

function putOn(pair: CylinderPair): void {
  const path = table.value?.tandem ? "setup.tandem.bore" : "setup.front.master_cylinder.bore";
  const bar = table.value?.tandem ? "" : asWanted.value ? ", bar set for each state" : ", bar centred";
  void tryOn(`${nameOf(pair)}${bar}`, () => workbench.fit(path, { patch: shown(pair).patch, sizes: [] }));
}

/** The arrows go from cell to cell, so that the table is one stop of the Tab key. */
async function go(event: KeyboardEvent): Promise<void> {
  const steps: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  };
  const step = steps[event.key];
  if (!step) return;
  event.preventDefault();
  const last = { row: rows.value.length - 1, column: (table.value?.columns.length ?? 1) - 1 };
  at.value = {
    row: Math.min(last.row, Math.max(0, at.value.row + step[0])),
    column: Math.min(last.column, Math.max(0, at.value.column + step[1])),
  };
  await nextTick();
  grid.value?.querySelector<HTMLElement>("button[tabindex='0']")?.focus();
}

async function look(pair: CylinderPair): Promise<void> {
  const place = table.value?.pairs.indexOf(pair) ?? 0;
  const width = table.value?.columns.length ?? 1;
  at.value = { row: Math.floor(place / width), column: place % width };
  await nextTick();
  grid.value?.querySelector<HTMLElement>("button[tabindex='0']")?.focus();
}
</script>

<template>
  <div class="view">
    <form @submit.prevent="cylinders.target = typed">
      <label class="label" for="target">Looking for</label>
      <input
        id="target"
        v-model="typed"
        :aria-invalid="!!cylinders.trouble"
        aria-describedby="target-said"
        placeholder="60 % by pressure · 250 N at lock · 45 mm"
        @change="cylinders.target = typed"
      />
      <span id="target-said" role="status" :class="cylinders.trouble ? 'bad' : 'label'">
        <template v-if="cylinders.trouble">{{ cylinders.trouble }}</template>
        <template v-else-if="ringed.length">
          nearest:
          <button
            v-for="pair in ringed"
            :key="`${pair.column} ${pair.row}`"
            type="button"
            class="plain-button"
            @click="look(pair)"
          >
            {{ pair.nearest }}. {{ shortly(pair) }}<span class="away">, {{ nameOf(pair) }}</span>
          </button>
        </template>
        <template v-else
          >A share is shown with the bar centred; effort or travel with the bar set for each state.</template
        >
      </span>
      <label v-if="table && !table.tandem" class="label bar">
        <input v-model="asWanted" type="checkbox" /> bar set for each state
      </label>
    </form>
    <TriedLine :tried="tried" @keep="keep" @put-back="putBack" />
    <table v-if="table" ref="grid" :class="{ stale: cylinders.stale }" @keydown="go">
      <caption class="away">
        {{
          table.tandem ? "Bores of the tandem cylinder by knees of the valve" : "Front bores by rear bores"
        }}
      </caption>
      <thead>
        <tr>
          <th class="label" scope="col">
            {{ table.tandem ? "knee ↓ bore →" : "rear ↓ front →" }}
            <span class="units">{{ unitOf("force").symbol }} · {{ unitOf("length").symbol }}</span>
          </th>
          <th v-for="column in table.columns" :key="column" class="label" scope="col">
            {{ show(column, "bore") }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, row) in rows" :key="row">
          <th class="label" scope="row">{{ rowTitle(line.row) }}</th>
          <td v-for="(pair, column) in line.pairs" :key="column">
            <PairCell
              :pair="pair"
              :shown="shown(pair)"
              :name="nameOf(pair)"
              :tabbed="at.row === row && at.column === column"
              @focus="at = { row, column }"
              @chosen="putOn(pair)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="looked" class="looked" role="status">
      <b>{{ nameOf(looked) }}</b>
      <template v-if="looked.turns !== null">
        wants the bar {{ show(looked.turns, "turns", true) }} off its middle (it may stand
        {{ show(table?.band, "turns") }} either way); bar centred
        {{ show(looked.pressure_share, "share") }} by pressure, {{ show(looked.force_share, "share") }} by
        force.
      </template>
      {{
        asWanted && looked.as_wanted ? "Bar set for each state" : table?.tandem ? "As set" : "Bar centred"
      }}: {{ shown(looked).first }} locks first, {{ show(shown(looked).foot_force, "force") }} at the hardest
      first lock, pedal {{ show(shown(looked).travel, "length") }} with pads due.
      {{ shown(looked).wrong.length ? `${shown(looked).wrong.join(", ")}.` : "All verdicts good." }}
    </p>
    <p class="label key">
      Turns off the middle that the deciding state wants; with the bar so, no doubt counted: ● can be used, ◐
      to be watched, ○ not to be used. F or R: which end locks first; push at the hardest first lock · pedal,
      pads due, as shown. Enter, or a touch, tries a pair on.
    </p>
  </div>
</template>

<style scoped>
.view {
  display: flex;
  flex-direction: column;
  gap: 0.25rem;
  min-height: 0;
}
form {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.6rem;
}
form input[type="text"],
#target {
  min-height: 1.7rem;
  width: 12.5rem;
}
form .plain-button {
  min-height: 1.7rem;
  padding: 0 0.5rem;
}
.bar {
  margin-left: auto;
  white-space: nowrap;
}
table {
  border-collapse: separate;
  border-spacing: 2px 1px;
  table-layout: fixed;
  width: 100%;
}
th {
  font-weight: 400;
  white-space: nowrap;
}
thead th:first-child,
tbody th {
  text-align: left;
  width: 5.4rem;
}
td {
  padding: 0;
}
.units {
  display: none;
}
@media (max-width: 1290px) {
  .units {
    display: block;
  }
}
@media (max-width: 760px) {
  table {
    min-width: 50rem;
  }
}
.stale {
  opacity: 0.5;
}
.looked {
  font-size: 0.86rem;
}
</style>
