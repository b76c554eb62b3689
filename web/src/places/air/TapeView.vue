<script setup lang="ts">
// What to tape on each circuit, for the truck: set for a session, or printed.
import { computed } from "vue";
import { useRoute } from "vue-router";
import type { TapeRow } from "@/api/client";
import { show } from "@/units/units";
import DocumentField from "@/fields/DocumentField.vue";
import { useAir, useDuctWorth } from "@/workbench/air";
import { useHeat } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import TapeTable from "./TapeTable.vue";

const air = useAir();
const heat = useHeat();
const worth = useDuctWorth();
worth.keepFresh();
const workbench = useWorkbench();
const route = useRoute();
const rows = computed(() => (worth.answer?.axle === air.axle ? worth.answer.tape : []));
const advised = (row: TapeRow): number => row.tapes[row.advised]?.share ?? 0;
</script>

<template>
  <p v-if="!air.duct?.fitted" class="label">There is no duct to tape at the {{ air.axle }}.</p>
  <p v-else-if="worth.trouble && !worth.asking" class="bad" role="status">{{ worth.trouble }}</p>
  <p v-else-if="!rows.length" class="label" role="status">Driving every session with tape…</p>
  <div v-else class="view" :class="{ stale: worth.stale }">
    <TapeTable v-slot="{ row }" :rows="rows">
      <button
        v-if="Math.abs(row.now - advised(row)) > 0.01"
        class="plain-button"
        type="button"
        :aria-label="`set ${row.session}: ${show(advised(row), 'share')} taped`"
        @click="workbench.editAll('car.sessions', row.patch)"
      >
        {{ row.now ? `is ${show(row.now, "share")}: ` : "" }}set
        {{ advised(row) ? show(advised(row), "share") : "open" }}
      </button>
    </TapeTable>
    <DocumentField
      v-if="heat.session"
      class="now"
      :path="`${heat.path}.${air.axle}_tape`"
      :label="`Taped now, ${heat.session.name}`"
    />
    <p class="label">
      A quarter taped does almost nothing. Taped shut behind a good seal the disc gets less air than with no
      duct at all.
      <RouterLink
        class="plain-button"
        :to="{ name: 'tape', params: { setupId: route.params.setupId }, query: { axle: air.axle } }"
        target="_blank"
        >Print it for the truck</RouterLink
      >
    </p>
  </div>
</template>

<style scoped>
.stale {
  opacity: 0.5;
}
.now {
  max-width: 24rem;
}
p.label {
  padding-top: 0.4rem;
}
.plain-button {
  min-height: 1.5rem;
  padding: 0 0.6rem;
}
</style>
