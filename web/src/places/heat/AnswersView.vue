<script setup lang="ts">
// The session in a preparer's words, front and rear side by side.
import { computed } from "vue";
import type { AxleName, Schemas } from "@/api/client";
import { DASH, show, showNumber } from "@/units/units";
import { useSimulation } from "@/workbench/heat";
import NumberTag from "@/working/NumberTag.vue";
import { useSheet } from "@/working/sheet";

const simulation = useSimulation();
const sheet = useSheet();
const heat = computed(() => simulation.answer?.heat ?? null);
const AXLES: AxleName[] = ["front", "rear"];
type Of = Schemas["AxleHeat"];
type Placed = Schemas["PlacedTemperature"];
const placed = (one: Placed) =>
  one.value === null ? DASH : `${show(one.value, "temperature")} · ${one.place}`;
const percent = (value: number) => showNumber(value, "share");
/** Sessions, hours of driving and events, by the model. */
const lasts = (sessions: number | null): string => {
  if (sessions === null || !heat.value) return DASH;
  const least = sessions > 0 && sessions < 0.1;
  const events = sessions / heat.value.times_an_event;
  const shown = least ? `under ${show(0.1, "sessions")}` : show(Math.min(sessions, 999), "sessions");
  return `${shown} · ${show(sessions * heat.value.driven, "running time")} · ${showNumber(events, "grip")} events`;
};
const ROWS: [string, (of: Of) => string][] = [
  ["Disc surface, hottest", (of) => placed(of.surface_peak)],
  ["Disc surface, coldest of the second half", (of) => placed(of.surface_low)],
  ["Whole disc, hottest", (of) => placed(of.bulk_peak)],
  ["Whole disc, coldest of the second half", (of) => placed(of.bulk_low)],
  [
    "Braking below, in, above the window, %",
    (of) => `${percent(of.below)} · ${percent(of.within)} · ${percent(of.above)}`,
  ],
  ["First too hot for the pads", (of) => (of.fades_in ? `lap ${of.fades_in}` : "not in this session")],
  ["First corner of lap 1", (of) => placed(of.first_corner)],
  [
    "First corner from the grid, after 3 min",
    (of) => `${placed(of.from_grid)}, ${percent(of.grid_bite)} % of its best bite`,
  ],
  ["After three laps behind the safety car", (of) => placed(of.after_safety_car)],
  ["Fluid at the pistons, running", (of) => placed(of.wet_running)],
  ["Fluid at the pistons, parked", (of) => placed(of.wet_parked)],
  ["Fluid as a whole, running", (of) => placed(of.fluid_running)],
  ["Fluid as a whole, parked", (of) => placed(of.fluid_parked)],
  ["Inboard over outboard cheek", (of) => show(of.apart, "temperature difference", true)],
  ["Power on each face of pad, at most", (of) => show(of.power_per_area, "power per area")],
  ["Off each face of the disc", (of) => show(of.disc_worn, "gap")],
  ["Pads last, as they are", (of) => lasts(of.pad_sets)],
  ["Discs last, by wear", (of) => lasts(of.disc_sets)],
  [
    "Where the heat goes, %",
    (of) =>
      Object.entries(of.paths)
        .map(([name, share]) => `${name} ${Math.round(100 * share)}`)
        .join(", "),
  ],
];
const FORMULAS: [string, string, string][] = [
  ["Ring heats by in the hardest stop", "stop_rise", "temperature difference"],
  ["Energy on each face of pad, hardest stop", "energy_per_area", "energy per area"],
  ["Crack ratio, surface over inside", "crack", "friction"],
  ["Lining off each pad, session", "pad_worn", "gap"],
];
const cool = computed(() => {
  const needed = heat.value?.cool_down_needed;
  if (needed === null || needed === undefined) return "three do not help: the fluid boils after parking";
  return needed === 0 ? "none, for the fluid" : `${needed}, or the fluid boils after parking`;
});
</script>

<template>
  <div v-if="heat" class="words">
    <table>
      <thead>
        <tr class="label">
          <th scope="col"></th>
          <th scope="col" class="front">front</th>
          <th scope="col" class="rear">rear</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[name, cell] in ROWS" :key="name">
          <th scope="row" class="label">{{ name }}</th>
          <td v-for="axle in AXLES" :key="axle">{{ cell(heat[axle]) }}</td>
        </tr>
        <tr v-for="[name, key, dimension] in FORMULAS" :key="key">
          <th scope="row" class="label">{{ name }}</th>
          <td v-for="axle in AXLES" :key="axle">
            <NumberTag :headline="`heat/${axle}.${key}`" :dimension="dimension" />
          </td>
        </tr>
      </tbody>
    </table>
    <dl>
      <dt class="label">Fast lap</dt>
      <dd>
        {{ show(heat.lap_time, "time") }}, using {{ show(heat.grip_used, "share") }} of the grip to brake
      </dd>
      <dt class="label">Foot, hardest push</dt>
      <dd>
        {{ show(heat.push, "force") }} at {{ heat.push_place }}; {{ show(heat.first_push, "force") }} in the
        first fast lap
      </dd>
      <dt class="label">Leg ends</dt>
      <dd>
        {{
          heat.leg_ends ? `${heat.leg_ends}: ${show(heat.metres, "distance")} longer` : "not in this session"
        }}
      </dd>
      <dt class="label">Cool-down laps needed</dt>
      <dd>{{ cool }}</dd>
      <dt class="label">Brakes beside engine, at most</dt>
      <dd>{{ show(heat.brake_power, "power") }} beside {{ show(heat.engine_power, "power") }}</dd>
      <dt class="label">Front share of the brake force</dt>
      <dd>
        {{ show(heat.front_share_least, "share") }} to {{ show(heat.front_share_most, "share") }} as the pads
        warm
      </dd>
      <dt class="label">Fluid boils now at</dt>
      <dd>
        <NumberTag headline="heat/fluid.boils" dimension="temperature" />
        <span class="label">{{ show(heat.fluid.water, "share") }} water, {{ heat.fluid.known_by }}</span>
      </dd>
    </dl>
    <p>
      <button class="plain-button" type="button" @click="sheet.explain('heat')">
        One stop from top speed, nothing cooling
      </button>
    </p>
    <p class="label">
      A heavier disc moves the single stop, the first laps and the park much, the steady lap little; against
      cracks the face of the ring counts. Power and speed move everything: what goes in is what comes out.
    </p>
  </div>
</template>

<style scoped>
.words {
  display: grid;
  gap: 0.3rem 1.2rem;
  grid-template-columns: minmax(0, 1.9fr) minmax(0, 1fr);
}
table {
  border-collapse: collapse;
  font-size: 0.86rem;
}
th {
  font-weight: 400;
  padding-right: 0.6rem;
  text-align: left;
}
td {
  padding-right: 0.6rem;
}
tbody tr {
  border-top: 1px solid var(--rule);
}
dl {
  font-size: 0.88rem;
}
dd {
  margin-bottom: 0.35rem;
}
.words > p {
  grid-column: 1 / -1;
}
</style>
