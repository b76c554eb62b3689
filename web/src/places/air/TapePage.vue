<script setup lang="ts">
// What to tape, on paper: one page, nothing around it, in black on white.
import { computed, onMounted } from "vue";
import { useRoute } from "vue-router";
import { show } from "@/units/units";
import { useAir, useDuctWorth } from "@/workbench/air";
import { useHeat } from "@/workbench/heat";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";
import TapeTable from "./TapeTable.vue";

const workbench = useWorkbench();
const route = useRoute();
const library = useLibrary();
const air = useAir();
const heat = useHeat();
const worth = useDuctWorth();
worth.keepFresh();
// In a window of its own: the axle that was looked at, or that which has a duct.
onMounted(() => {
  if (route.query.axle === "rear") air.axle = "rear";
  else if (!air.duct?.fitted && workbench.bench?.setup.rear.cooling?.duct?.fitted) air.axle = "rear";
});
const rows = computed(() => worth.answer?.tape ?? []);
const print = (): void => window.print();
const day = new Date().toISOString().slice(0, 10);
</script>

<template>
  <article class="card" data-tape>
    <header>
      <h1>{{ library.car?.car.name }}: tape for the day</h1>
      <p>{{ workbench.bench?.setup.name }}, {{ air.axle }} ducts · {{ day }}</p>
      <button class="plain-button" type="button" @click="print">Print</button>
    </header>
    <p v-if="!heat.session || !air.duct?.fitted" role="status">
      There is nothing to tape: no duct, or no session.
    </p>
    <p v-else-if="!rows.length" role="status">Driving every session with tape…</p>
    <TapeTable v-else :rows="rows" />
    <p class="small">
      Worked out for the air temperatures that stand here, not calibrated on this car: ±35 K. On a hotter day
      take tape off first. Look at discs and pads after the first laps; the pads' window is
      {{ show(worth.answer?.low ?? null, "temperature") }} to
      {{ show(worth.answer?.high ?? null, "temperature") }}.
    </p>
  </article>
</template>

<style scoped>
.card {
  background: #fff;
  border: 1.5px solid #000;
  color: #000;
  margin: 1.2rem auto;
  max-width: 56rem;
  padding: 1rem 1.2rem;
  --rule: #777;
  --soft: #333;
  --ink: #000;
  --bad: #000;
  --watch: #000;
  --good: #000;
}
header {
  align-items: baseline;
  display: flex;
  gap: 1rem;
}
h1 {
  font-size: 1.4rem;
}
header button {
  color: #000;
  margin-left: auto;
}
.small {
  font-size: 0.8rem;
  margin-top: 0.6rem;
}
@media print {
  .card {
    margin: 0;
    max-width: none;
  }
  header button {
    display: none;
  }
}
</style>
