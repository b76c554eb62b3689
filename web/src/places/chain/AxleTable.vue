<script setup lang="ts">
// What one axle has, what it needs and what it was, at the design effort: one row for each link of its chain.
import { computed } from "vue";
import type { AxleName, Setup } from "@/api/client";
import { hasTandem } from "@/documents/fitted";
import { WORDS } from "@/help/words";
import { showNumber, unitOf } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import { numbersOf } from "@/working/numbers";

const props = defineProps<{ axle: AxleName }>();
const workbench = useWorkbench();

/** `has` and `needs` are names of numbers of the axle. */
const LINKS = [
  { label: "pressure", dimension: "pressure", has: "has.pressure", needs: "needs.pressure" },
  { label: "clamp", whose: "caliper", dimension: "force", has: "has.clamp", needs: "needs.clamp" },
  { label: "effective radius", dimension: "length", has: "has.effective_radius" },
  { label: "torque", whose: "wheel", dimension: "torque", has: "has.torque", needs: "needs.torque" },
  { label: "force", whose: "axle", dimension: "force", has: "has.brake_force", needs: "needs.brake_force" },
  { label: "locks at", dimension: "deceleration", has: "lock_deceleration" },
  { label: "pedal force", dimension: "force", has: "lock_foot_force" },
];
const bore = computed(() => {
  const of = (setup: Setup) =>
    hasTandem(setup) ? setup.tandem.bore : setup[props.axle].master_cylinder.bore;
  const now = of(workbench.bench!.setup);
  const before = workbench.ghost ? of(workbench.ghost.bench.setup) : now;
  return { now: showNumber(now, "bore"), was: before === now ? "" : showNumber(before, "bore") };
});
/** What a number was, with the difference, where it shows. */
function was(name: string, dimension: string): { value: string; by: string } | null {
  const { now, before } = numbersOf(`${props.axle}.${name}`);
  if (now === null || before === null) return null;
  const value = showNumber(before, dimension);
  return value === showNumber(now, dimension)
    ? null
    : { value, by: showNumber(now - before, dimension, true) };
}
const rows = computed(() =>
  LINKS.map((link) => ({
    ...link,
    unit: unitOf(link.dimension).symbol,
    before: was(link.has, link.dimension),
  })),
);
</script>

<template>
  <table :class="axle" :data-axle-table="axle">
    <thead>
      <tr>
        <th scope="col" :title="WORDS['design effort']">at the design effort</th>
        <th scope="col">has</th>
        <th scope="col">needs</th>
        <th scope="col">was</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <th scope="row">
          bore <i>{{ unitOf("bore").symbol }}</i>
        </th>
        <td>
          <b>{{ bore.now }}</b>
        </td>
        <td><NumberTag bare quiet :headline="`${axle}.needs.bore`" dimension="bore" /></td>
        <td class="ghost">{{ bore.was }}</td>
      </tr>
      <tr v-for="row in rows" :key="row.label">
        <th scope="row" :title="WORDS[row.label]">
          {{ row.label }}<span v-if="row.whose" class="whose">, {{ row.whose }}</span> <i>{{ row.unit }}</i>
        </th>
        <td>
          <NumberTag bare :label="row.label" :headline="`${axle}.${row.has}`" :dimension="row.dimension" />
        </td>
        <td>
          <NumberTag
            v-if="row.needs"
            bare
            quiet
            :headline="`${axle}.${row.needs}`"
            :dimension="row.dimension"
          />
        </td>
        <td class="ghost">
          <template v-if="row.before"
            ><span class="was">{{ row.before.value }}</span
            >{{ " " }}<span class="by">{{ row.before.by }}</span></template
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  font-size: 0.86rem;
  line-height: 1.16;
  width: 100%;
}
th,
td {
  font-weight: 400;
  padding: 0;
  text-align: right;
  white-space: nowrap;
}
th {
  color: var(--soft);
  font-family: var(--narrow);
}
th:first-child {
  text-align: left;
}
th:nth-child(2),
th:nth-child(3) {
  width: 3.1rem;
}
thead th {
  border-bottom: 1px solid var(--rule);
}
i {
  font-style: normal;
  opacity: 0.85;
}
td :deep(.tag) {
  display: inline;
  font-size: inherit;
}
td b,
td :deep(.tag:not(.quiet) b) {
  color: var(--front);
  font-weight: 600;
}
.rear td b,
.rear td :deep(.tag:not(.quiet) b) {
  color: var(--rear);
}
td :deep(.quiet b) {
  color: var(--soft);
  font-weight: 400;
}
.ghost {
  color: var(--soft);
  font-family: var(--narrow);
  font-style: italic;
}
@media (max-width: 1150px) {
  .whose,
  .by {
    display: none;
  }
}
</style>
