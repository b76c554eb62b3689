<script setup lang="ts">
// The chain from foot to road, to scale, with its numbers on it.
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import NumberTag from "@/working/NumberTag.vue";
import { show, unitOf } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import ActuationDrawing from "./ActuationDrawing.vue";
import AxleLabels from "./AxleLabels.vue";
import AxleLane from "./AxleLane.vue";
import JointStepper from "./JointStepper.vue";
import { hasBooster, hasTandem } from "@/documents/fitted";
import { layOut } from "./layout";

/** One step of the bar is one turn of its adjuster. */
const BAR_STEPS = { smaller: "1 turn to rear", bigger: "1 turn to front" };
const ENDS = ["front", "rear"] as const;
const sheet = useTemplateRef<HTMLElement>("sheet");
const { width, height } = useElementSize(sheet);
const workbench = useWorkbench();

const layout = computed(() => {
  const { bench, assessment } = workbench;
  if (!bench || !assessment || width.value <= 0) return null;
  return layOut(width.value, height.value, bench.setup, bench.car, assessment.pedal_ratio);
});
const barWords = computed(() => {
  const answer = workbench.assessment;
  if (!answer || Math.abs(answer.bar_turns) < 0.005) return "centred";
  const toward = answer.bar_turns > 0 ? "front" : "rear";
  return `${show(Math.abs(answer.bar_turns), "turns")} to ${toward}`;
});
const barPlace = computed(() => {
  const answer = workbench.assessment;
  const offset = workbench.bench?.setup.balance_bar.offset;
  if (!answer || !offset) return "";
  return `${show(Math.abs(offset), "length")} off centre, ${show(Math.abs(answer.bar_share), "share")} of the way to its end`;
});
const barBottom = computed(() => {
  const bar = workbench.bench?.setup.balance_bar;
  const at = layout.value;
  return bar && at ? at.pedal.rod + (bar.offset + bar.length / 2) * at.partScale : 0;
});
const scales = computed(() => {
  const at = layout.value;
  if (!at) return [];
  const { symbol, factor } = unitOf("length");
  const bar = (size: number, of: string, scale: number, up: number) => ({
    words: `${size} ${symbol}, ${of}`,
    length: size * factor * scale,
    y: at.height - up,
  });
  const [wheels, parts] = symbol === "in" ? [4, 2] : [100, 50];
  return [bar(wheels, "wheels", at.wheelScale, 23), bar(parts, "parts", at.partScale, 8)];
});
</script>

<template>
  <section ref="sheet" class="drawing" aria-label="The chain from foot to road">
    <template v-if="layout && workbench.bench && workbench.current && workbench.assessment">
      <svg :width="layout.width" :height="layout.height" aria-hidden="true">
        <ActuationDrawing :layout="layout" />
        <AxleLane axle="front" :layout="layout" />
        <AxleLane axle="rear" :layout="layout" />
        <g class="scale">
          <template v-for="one in scales" :key="one.words">
            <path :d="`M30 ${one.y}h${one.length}m0 -3v6M30 ${one.y - 3}v6`" />
            <text :x="35 + one.length" :y="one.y + 4">{{ one.words }}</text>
          </template>
        </g>
      </svg>
      <div
        class="words"
        :style="{
          left: `${layout.pedal.x + 22}px`,
          top: `${layout.pedal.hung ? 0 : layout.pedal.pad - 8}px`,
        }"
      >
        <JointStepper joint-key="pedal" />
        <p class="label">
          foot <b>{{ show(workbench.assessment.foot_force, "force") }}</b>, as chosen
        </p>
        <NumberTag quiet label="ratio it needs" headline="needed_ratio" dimension="ratio" />
      </div>
      <div class="words" :style="{ left: `${layout.pedal.x + 18}px`, top: `${layout.pedal.rod + 5}px` }">
        <NumberTag headline="rod_force" dimension="force" />
      </div>
      <template v-if="hasTandem(workbench.bench.setup)">
        <div
          v-if="hasBooster(workbench.bench.setup)"
          class="words"
          :style="{ left: `${layout.x.bar}px`, top: `${layout.pedal.rod + 44}px` }"
        >
          <JointStepper joint-key="booster" />
          <NumberTag quiet label="gives" headline="push" dimension="force" />
        </div>
        <div class="words" :style="{ left: `${layout.x.cylinder}px`, top: `${layout.pedal.rod - 74}px` }">
          <JointStepper joint-key="tandem" />
        </div>
      </template>
      <div v-else class="words" :style="{ left: `${layout.x.bar - 58}px`, top: `${barBottom + 12}px` }">
        <JointStepper joint-key="balance_bar" :spoken="barWords" :steps="BAR_STEPS" />
        <p class="label">{{ barPlace }}</p>
      </div>
      <!-- Both cylinders first in the tab order. -->
      <template v-for="part in ['cylinder', 'rest'] as const" :key="part">
        <AxleLabels v-for="axle in ENDS" :key="axle" :axle="axle" :part="part" :layout="layout" />
      </template>
    </template>
  </section>
</template>

<style scoped>
.drawing {
  min-height: 20.5rem;
  position: relative;
}
svg {
  display: block;
  inset: 0;
  position: absolute;
}
.words {
  position: absolute;
}
.scale path {
  fill: none;
  stroke: var(--soft);
}
.scale text {
  fill: var(--soft);
  font-family: var(--narrow);
  font-size: 11px;
}
</style>
