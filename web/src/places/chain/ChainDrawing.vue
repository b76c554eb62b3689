<script setup lang="ts">
// The chain from foot to road, to scale, with its numbers on it.
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import NumberTag from "@/working/NumberTag.vue";
import { show } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import ActuationDrawing from "./ActuationDrawing.vue";
import AxleLabels from "./AxleLabels.vue";
import AxleLane from "./AxleLane.vue";
import JointStepper from "./JointStepper.vue";
import { layOut } from "./layout";

const sheet = useTemplateRef<HTMLElement>("sheet");
const { width, height } = useElementSize(sheet);
const workbench = useWorkbench();

const layout = computed(() => {
  const bench = workbench.bench;
  return bench && width.value > 0 ? layOut(width.value, height.value, bench.setup, bench.car) : null;
});
const barWords = computed(() => {
  const answer = workbench.assessment;
  if (!answer || Math.abs(answer.bar_turns) < 0.005) return "centred";
  const toward = answer.bar_turns > 0 ? "front" : "rear";
  return `${show(Math.abs(answer.bar_turns), "turns")} to ${toward}, ${show(Math.abs(answer.bar_share), "share")} of half`;
});
const barBottom = computed(() => {
  const bar = workbench.bench?.setup.balance_bar;
  const at = layout.value;
  return bar && at ? at.pedal.rod + (bar.offset + bar.length / 2) * at.partScale : 0;
});
const scaleBar = 0.05;
</script>

<template>
  <section ref="sheet" class="drawing" aria-label="The chain from foot to road">
    <template v-if="layout && workbench.bench && workbench.looked && workbench.assessment">
      <svg :width="layout.width" :height="layout.height" aria-hidden="true">
        <ActuationDrawing :layout="layout" />
        <AxleLane axle="front" :layout="layout" />
        <AxleLane axle="rear" :layout="layout" />
        <g class="scale">
          <path
            :d="`M${layout.x.caliper} ${layout.height - 9}h${scaleBar * layout.partScale}m0 -3v6M${layout.x.caliper} ${layout.height - 12}v6`"
          />
          <text :x="layout.x.caliper + scaleBar * layout.partScale + 5" :y="layout.height - 5">
            50 mm, parts
          </text>
          <path
            :d="`M${layout.x.line - 40} ${layout.height - 9}h${0.1 * layout.wheelScale}m0 -3v6M${layout.x.line - 40} ${layout.height - 12}v6`"
          />
          <text :x="layout.x.line - 35 + 0.1 * layout.wheelScale" :y="layout.height - 5">100 mm, wheels</text>
        </g>
      </svg>
      <div class="words" :style="{ left: `${layout.pedal.x + 22}px`, top: `${layout.pedal.pad - 8}px` }">
        <JointStepper joint-key="pedal" />
        <p class="label">
          foot <b>{{ show(workbench.assessment.foot_force, "force") }}</b>, as chosen
        </p>
      </div>
      <div class="words" :style="{ left: `${layout.pedal.x + 18}px`, top: `${layout.pedal.rod + 5}px` }">
        <NumberTag headline="rod_force" dimension="force" />
      </div>
      <div class="words" :style="{ left: `${layout.x.bar - 58}px`, top: `${barBottom + 12}px` }">
        <JointStepper joint-key="balance_bar" />
        <p class="label">{{ barWords }}</p>
      </div>
      <AxleLabels axle="front" :layout="layout" />
      <AxleLabels axle="rear" :layout="layout" />
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
