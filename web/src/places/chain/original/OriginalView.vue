<script setup lang="ts">
// The car's original parts as a reference: what the stock anti-lock system was tuned to, against what is fitted.
import { computed } from "vue";
import type { AxleName } from "@/api/client";
import DocumentField from "@/fields/DocumentField.vue";
import SharedByCar from "@/working/SharedByCar.vue";
import { provideHelp } from "@/fields/help";
import VerdictMark from "@/signs/VerdictMark.vue";
import { show, showSizes } from "@/units/units";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import PracticeNote from "@/working/PracticeNote.vue";

provideHelp();

const ENDS: AxleName[] = ["front", "rear"];
const FIELDS = ["pistons", "disc_diameter", "pad_friction"];
const WORDS = { good: "pass", open: "not known", watch: "watch", bad: "fail" } as const;
const workbench = useWorkbench();
useHydraulics().keepFresh();
const has = computed(() => workbench.bench?.car.original.anti_lock === true);
const kept = computed(() => has.value && workbench.bench?.setup.anti_lock_kept !== false);
const check = computed(() => workbench.assessment?.anti_lock ?? null);
const matches = (axle: AxleName) => check.value?.matches.filter((one) => one.axle === axle) ?? [];
const fit = (axle: AxleName, sizes: readonly number[]) =>
  workbench.edit(`setup.${axle}.caliper.pistons`, [...sizes]);
</script>

<template>
  <div class="view">
    <form aria-label="Original parts" @submit.prevent>
      <DocumentField v-if="has" path="setup.anti_lock_kept" label="This setup keeps the stock anti-lock" />
      <SharedByCar />
      <DocumentField path="car.original.anti_lock" />
      <template v-for="end in ENDS" :key="end">
        <h2 :class="end">{{ end === "front" ? "Front" : "Rear" }}</h2>
        <DocumentField
          v-for="field in FIELDS"
          :key="field"
          :path="`car.original.${end}.${field}`"
          :context="end"
        />
      </template>
    </form>
    <div>
      <section v-if="kept && check" aria-label="Against the original">
        <table>
          <thead>
            <tr class="label">
              <th scope="col"></th>
              <th scope="col">now</th>
              <th scope="col">original</th>
              <th scope="col">off</th>
              <th scope="col"></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in check.rows" :key="`${row.axle} ${row.title}`" :class="row.axle">
              <th scope="row">{{ row.axle ? `${row.axle}, ` : "" }}{{ row.title.toLowerCase() }}</th>
              <td>{{ show(row.now, row.dimension) }}</td>
              <td>{{ show(row.original, row.dimension) }}</td>
              <td>{{ show(row.off, "share", true) }}</td>
              <td :class="row.level">
                <VerdictMark :level="row.level" />
                {{ row.original === null ? "not known" : WORDS[row.level] }}
              </td>
            </tr>
          </tbody>
        </table>
        <div v-for="end in ENDS" :key="end" class="matches">
          <span v-if="matches(end).length" class="label">{{ end }} pistons that match:</span>
          <button
            v-for="match in matches(end)"
            :key="match.sizes.join()"
            class="plain-button"
            type="button"
            @click="fit(end, match.sizes)"
          >
            <span class="away">Fit at the {{ end }}: </span>{{ showSizes(match.sizes, "piston") }}
            <span class="label">{{ show(match.off, "share", true) }}</span>
          </button>
        </div>
        <p class="label">
          Within {{ show(check.pass_band, "share") }} passes, within {{ show(check.watch_band, "share") }} is
          to be watched: Plimbo's own bands.
        </p>
        <PracticeNote topic="anti_lock" />
      </section>
      <p v-else-if="has" class="label">
        This setup does not keep the stock anti-lock system: nothing is held against it here. Other setups of
        the car may.
      </p>
      <p v-else class="label">
        Has the car a stock anti-lock system? Say so, and enter what it left the factory with: pistons, discs
        and pads are then held against it, in each setup that keeps it.
      </p>
    </div>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  gap: 1.2rem;
  grid-template-columns: minmax(15rem, 1fr) minmax(0, 1.5fr);
}
form {
  --mark: 0rem; /* nothing here is assumed */
}
h2 {
  font-size: 0.92rem;
  font-weight: 600;
}
table {
  border-collapse: collapse;
  font-size: 0.9rem;
  width: 100%;
}
th,
td {
  border-top: 1px solid var(--rule);
  padding: 0.12rem 0.6rem 0.12rem 0;
  text-align: left;
}
thead th {
  border: 0;
}
td {
  white-space: nowrap;
}
@media (max-width: 1150px) {
  th,
  td {
    padding-right: 0.35rem;
  }
}
th {
  font-weight: 400;
}
.matches {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.5rem;
  margin-top: 0.3rem;
}
.matches .plain-button {
  min-height: 1.7rem;
  padding: 0 0.5rem;
}
h2.front,
tr.front th {
  color: var(--front);
}
h2.rear,
tr.rear th {
  color: var(--rear);
}
</style>
