<script setup lang="ts">
import DocumentField from "@/fields/DocumentField.vue";
import SideView from "./SideView.vue";
import StatesTable from "./StatesTable.vue";

const GROUPS = [
  { title: "On the scales", fields: ["name", "mass", "front_share", "wheelbase", "cg_height"] },
  {
    title: "Tyres",
    fields: [
      "front_tyre.friction",
      "front_tyre.loaded_radius",
      "rear_tyre.friction",
      "rear_tyre.loaded_radius",
    ],
  },
  { title: "Driver", fields: ["driver.foot_force", "driver.foot_force_limit"] },
  { title: "Air", fields: ["front_lift_area", "rear_lift_area"] },
  { title: "Hardest stop", fields: ["top_speed", "stop_to_speed", "rotating_share", "slip_share"] },
];
const label = (field: string): string | undefined => {
  const axle = /^(front|rear)_tyre\.(friction|loaded_radius)$/.exec(field);
  if (!axle) return undefined;
  return axle[2] === "friction" ? `Tyre grip, ${axle[1]}` : `Loaded radius, ${axle[1]}`;
};
</script>

<template>
  <div class="place">
    <div class="picture">
      <SideView />
      <StatesTable />
    </div>
    <form aria-label="The car" @submit.prevent>
      <section v-for="group in GROUPS" :key="group.title" class="group" :aria-label="group.title">
        <h2>{{ group.title }}</h2>
        <DocumentField
          v-for="field in group.fields"
          :key="field"
          :path="`car.${field}`"
          :label="label(field)"
        />
      </section>
    </form>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  gap: 1.6rem;
  grid-template-columns: minmax(0, 1.75fr) minmax(20.5rem, 1fr);
  min-height: 100%;
  padding: 0.5rem 1.1rem;
}
.picture {
  display: grid;
  grid-template-rows: minmax(19rem, 1fr) auto;
  max-height: calc(100vh - 11rem);
  position: sticky;
  top: 0;
}
.group {
  border-top: 1px solid var(--rule);
  margin: 0 0 0.55rem;
  padding-top: 0.2rem;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
</style>
