<script setup lang="ts">
// One axle's lane: cylinder, line, caliper with its pistons on the pad, disc and tyre.
import { computed } from "vue";
import type { AxleName } from "@/api/client";
import { useWorkbench } from "@/workbench/workbench";
import { hasTandem } from "@/documents/fitted";
import { cylinderLength, ringSector, type Layout } from "./layout";

const props = defineProps<{ axle: AxleName; layout: Layout }>();
const workbench = useWorkbench();

const lane = computed(() => props.layout[props.axle]);
const brake = computed(() => workbench.bench!.setup[props.axle]);
const ghost = computed(() => workbench.ghost?.bench.setup[props.axle] ?? null);
const tyre = computed(
  () => workbench.bench!.car[`${props.axle}_tyre`].loaded_radius * props.layout.wheelScale,
);
const answer = computed(() => workbench.current![props.axle]);

const tandem = computed(() => hasTandem(workbench.bench!.setup));
const cylinder = (bore: number) => ({
  x: props.layout.x.cylinder,
  y: lane.value.middle - (bore * props.layout.partScale) / 2,
  height: bore * props.layout.partScale,
});
const pistonsOf = (pistons: readonly number[]) => {
  const scale = props.layout.partScale;
  const gap = 0.004 * scale;
  const total = pistons.reduce((sum, size) => sum + size * scale, 0) + gap * (pistons.length - 1);
  let x = padBox.value.x + padBox.value.width / 2 - total / 2;
  return pistons.map((size) => {
    const r = (size * scale) / 2;
    const circle = { cx: x + r, cy: lane.value.middle, r };
    x += 2 * r + gap;
    return circle;
  });
};
const padBox = computed(() => ({
  x: props.layout.x.caliper,
  y: lane.value.middle - (brake.value.pad.height * props.layout.partScale) / 2,
  width: brake.value.pad.length * props.layout.partScale,
  height: brake.value.pad.height * props.layout.partScale,
}));
const wheelX = computed(() => props.layout.x.words - tyre.value - 18);
const disc = computed(() => {
  const scale = props.layout.wheelScale;
  const outer = (brake.value.disc.outer_diameter / 2) * scale;
  const band = outer - brake.value.pad.inset * scale;
  const inner = band - brake.value.pad.height * scale;
  const half = answer.value.has.pad_angle / 2;
  return {
    outer,
    hole: outer - brake.value.disc.ring_height * scale,
    pad: ringSector(wheelX.value, lane.value.hub, inner, band, Math.PI - half, Math.PI + half),
  };
});
const changed = computed(() => ghost.value !== null && ghost.value !== brake.value);

// Load and brake force as arrows, to one scale for both axles: the heavier axle's load is as long as a tyre's radius.
const arrows = computed(() => {
  const current = workbench.current!;
  const most = Math.max(current.front.limit_load, current.rear.load, current.front.load);
  const scale = (0.8 * tyre.value) / most;
  return { load: answer.value.limit_load * scale, force: answer.value.held_force * scale };
});
</script>

<template>
  <g :class="axle">
    <path class="line" :d="`M${padBox.x + padBox.width} ${lane.middle}H${wheelX - disc.outer}`" />
    <template v-if="!tandem">
      <path class="line" :d="`M${layout.x.cylinder + cylinderLength} ${lane.middle}H${layout.x.caliper}`" />
      <rect
        v-if="changed && ghost"
        class="ghost"
        v-bind="cylinder(ghost.master_cylinder.bore)"
        :width="cylinderLength"
      />
      <rect class="body" v-bind="cylinder(brake.master_cylinder.bore)" :width="cylinderLength" />
      <rect class="wash" v-bind="cylinder(brake.master_cylinder.bore)" :width="cylinderLength * 0.42" />
      <path class="rod" :d="`M${layout.x.cylinder} ${lane.middle}h${cylinderLength * 0.42}`" />
    </template>

    <rect class="padding" v-bind="padBox" rx="5" />
    <template v-if="changed && ghost">
      <circle
        v-for="(circle, index) in pistonsOf(ghost.caliper.pistons)"
        :key="`was${index}`"
        class="ghost"
        v-bind="circle"
      />
    </template>
    <circle
      v-for="(circle, index) in pistonsOf(brake.caliper.pistons)"
      :key="index"
      class="body"
      v-bind="circle"
    />

    <path
      class="tyre"
      :d="`M${wheelX - tyre * 0.985} ${lane.hub + tyre * 0.17}A${tyre} ${tyre} 0 0 0 ${wheelX + tyre * 0.985} ${lane.hub + tyre * 0.17}`"
    />
    <path class="ground" :d="`M${wheelX - tyre - 8} ${lane.ground}h${2 * tyre + 16}`" />
    <circle
      v-if="changed && ghost"
      class="ghost"
      :cx="wheelX"
      :cy="lane.hub"
      :r="(ghost.disc.outer_diameter / 2) * layout.wheelScale"
    />
    <circle class="disc" :cx="wheelX" :cy="lane.hub" :r="disc.outer" />
    <circle class="hole" :cx="wheelX" :cy="lane.hub" :r="Math.max(2, disc.hole)" />
    <path class="pad" :d="disc.pad" />
    <path
      class="arrow"
      :d="`M${wheelX} ${lane.ground}v${-arrows.load}m-4 7l4 -7l4 7M${wheelX} ${lane.ground}h${arrows.force}m-7 -4l7 4l-7 4`"
    />
  </g>
</template>

<style scoped>
g {
  --own: var(--front);
  --own-wash: var(--front-wash);
  fill: none;
  stroke: var(--own);
  stroke-width: 1.6;
}
g.rear {
  --own: var(--rear);
  --own-wash: var(--rear-wash);
}
.rear .line,
.rear .tyre {
  stroke-dasharray: 6 3;
}
.body {
  fill: var(--own-wash);
}
rect.body {
  fill: var(--paper);
}
.wash {
  fill: var(--own-wash);
}
.rod {
  stroke-width: 3;
}
.padding {
  fill: var(--steel);
  stroke: var(--soft);
  stroke-width: 1;
}
.disc {
  fill: var(--steel);
}
.hole {
  fill: var(--paper);
  stroke-width: 1;
}
.pad {
  fill: var(--own);
  stroke: none;
}
.tyre {
  stroke: var(--soft);
}
.ground {
  stroke: var(--soft);
  stroke-width: 1;
}
.arrow {
  stroke-width: 2.2;
}
.ghost {
  stroke: var(--soft);
  stroke-dasharray: 2 3;
  stroke-width: 1.2;
}
</style>
