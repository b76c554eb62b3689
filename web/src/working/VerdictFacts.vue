<script setup lang="ts">
// The numbers behind a verdict, each with its working.
import { usePedal } from "@/workbench/question";
import NumberTag from "./NumberTag.vue";

const props = defineProps<{ verdict: string }>();
if (props.verdict === "travel") usePedal().look();

/** Label, headline and dimension. */
const FACTS: Record<string, [label: string, headline: string, dimension: string][]> = {
  lock_order: [
    ["first lock at", "first_deceleration", "deceleration"],
    ["tyres allow", "limit_deceleration", "deceleration"],
    ["share of the grip used", "efficiency", "share"],
    ["front share, as chosen", "force_share", "share"],
    ["front share at first lock", "first_share", "share"],
    ["ideal share", "ideal_share", "share"],
    ["hardest stop", "stop.distance", "distance"],
    ["longer than ideal by", "stop.lost", "distance"],
  ],
  leg: [
    ["foot at first lock", "first_foot_force", "force"],
    ["foot when the front locks", "front.lock_foot_force", "force"],
    ["foot when the rear locks", "rear.lock_foot_force", "force"],
    ["push on the bar, as chosen", "rod_force", "force"],
  ],
  travel: [
    ["pedal at first lock", "pedal/lock.pedal", "length"],
    ["pedal at light braking", "pedal/light.pedal", "length"],
    ["with pads that are due", "pedal/lock.worn", "length"],
    ["front stroke used", "pedal/lock.front.stroke", "length"],
    ["rear stroke used", "pedal/lock.rear.stroke", "length"],
    ["tilt of the bar", "pedal/lock.tilt", "angle"],
    ["stiffness", "pedal/stiffness", "stiffness"],
  ],
  anti_lock: [
    ["front piston area, one side", "front.has.piston_area", "area"],
    ["rear piston area, one side", "rear.has.piston_area", "area"],
    ["front share by brake force", "force_share", "share"],
  ],
  heat: [
    ["front disc heats by", "front.disc.temperature_rise", "temperature difference"],
    ["rear disc heats by", "rear.disc.temperature_rise", "temperature difference"],
    ["into each front disc", "front.disc.energy", "energy"],
    ["into each rear disc", "rear.disc.energy", "energy"],
    ["front pad pressure, as chosen", "front.has.pad_pressure", "pressure"],
    ["rear pad pressure, as chosen", "rear.has.pad_pressure", "pressure"],
  ],
};
</script>

<template>
  <div class="facts">
    <NumberTag
      v-for="[label, headline, dimension] in FACTS[verdict]"
      :key="headline"
      :label="label"
      :headline="headline"
      :dimension="dimension"
    />
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  gap: 0.5rem;
}
</style>
