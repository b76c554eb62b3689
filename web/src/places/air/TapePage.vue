<script setup lang="ts">
// What to tape, on paper: one page, nothing around it, in black on white.
import { computed, onMounted } from "vue";
import { useRoute } from "vue-router";
import { show } from "@/units/units";
import PaperSheet from "@/shell/PaperSheet.vue";
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
// In a window of its own: the axle shown before, or the one with a duct.
onMounted(() => {
  if (route.query.axle === "rear") air.axle = "rear";
  else if (!air.duct?.fitted && workbench.bench?.setup.rear.cooling.duct.fitted) air.axle = "rear";
});
const rows = computed(() => worth.answer?.tape ?? []);
const day = new Date().toISOString().slice(0, 10);
</script>

<template>
  <PaperSheet
    data-tape
    :title="`${library.car?.car.name}: tape for the day`"
    :words="`${workbench.bench?.setup.name}, ${air.axle} ducts · ${day}`"
    wide="56rem"
  >
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
  </PaperSheet>
</template>
