<script setup lang="ts">
// The data that heat needs of discs, pads, calipers, cooling and fluid: sizes and kinds, assumed where not given.
import { computed, ref } from "vue";
import type { AxleName } from "@/api/client";
import DocumentField from "@/fields/DocumentField.vue";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const AXLES: AxleName[] = ["front", "rear"];
const GROUPS = {
  disc: "Discs",
  pad: "Pads",
  caliper: "Calipers",
  cooling: "Air",
  fluid: "Fluid",
} as const;
type Group = keyof typeof GROUPS;
const group = ref<Group>("disc");
const vented = (axle: AxleName) => workbench.bench!.setup[axle].disc.vane_gap > 0;
const drilled = (axle: AxleName) => workbench.bench!.setup[axle].disc.holes > 0;
const fields = (axle: AxleName): string[] =>
  ({
    disc: [
      ...["outer_diameter", "thickness", "ring_height", "vane_gap"],
      ...(vented(axle) ? ["vanes", "vane_thickness", "vane_shape"] : []),
      ...["material", "bell", "weighed_mass", "holes"],
      ...(drilled(axle) ? ["hole_diameter"] : []),
      "slots",
    ],
    pad: [
      ...["compound", "material", "friction", "thickness", "worn", "face_area"],
      ...["window_low", "window_high", "conductivity", "wear_rate"],
    ],
    caliper: ["piston_material", "insulated", "body", "body_mass", "mounting"],
    cooling: ["duct.fitted", "shielding", "warmer_by", "outlet", "factor"],
    fluid: [],
  })[group.value].map((name) => `setup.${axle}.${group.value}.${name}`);
const FLUID = ["kind", "dry_point", "wet_point", "water", "filled", "opened"].map(
  (name) => `setup.fluid.${name}`,
);
const titles = computed(() => Object.entries(GROUPS) as [Group, string][]);
</script>

<template>
  <form class="parts" aria-label="Parts" @submit.prevent>
    <nav aria-label="Parts that take the heat">
      <button
        v-for="[key, title] in titles"
        :key="key"
        type="button"
        class="plain-button"
        :aria-pressed="group === key"
        @click="group = key"
      >
        {{ title }}
      </button>
    </nav>
    <div v-if="group === 'fluid'" class="column">
      <DocumentField v-for="path in FLUID" :key="path" :path="path" />
    </div>
    <template v-else>
      <div v-for="axle in AXLES" :key="axle" class="column">
        <h3 :class="axle">{{ axle }}</h3>
        <DocumentField v-for="path in fields(axle)" :key="path" :path="path" :context="axle" />
      </div>
    </template>
  </form>
</template>

<style scoped>
.parts {
  display: grid;
  gap: 0 1.6rem;
  grid-template-columns: 6.5rem minmax(0, 1fr) minmax(0, 1fr);
}
nav {
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
}
h3 {
  font-size: 0.95rem;
  font-weight: 600;
}
h3::first-letter {
  text-transform: uppercase;
}
</style>
