<script setup lang="ts">
// The words of one lane: each part's stepper above or under its shape, and the table of the axle beside the drawing.
import { computed } from "vue";
import type { AxleName } from "@/api/client";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import { showPhrase } from "@/units/units";
import AxleTable from "./AxleTable.vue";
import JointStepper from "./JointStepper.vue";
import { hasTandem, hasValve } from "@/documents/fitted";
import { valveAt, type Layout } from "./layout";

const props = defineProps<{ axle: AxleName; part: "cylinder" | "rest"; layout: Layout }>();
const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const tandem = computed(() => hasTandem(workbench.bench!.setup));
const lane = computed(() => props.layout[props.axle]);
const at = (x: number, y: number) => ({ left: `${x}px`, top: `${y}px` });
const below = computed(() => lane.value.middle + 36);
/** What is wrong with the pistons is said where they are. */
const pistons = computed(() =>
  hydraulics.answer?.remarks.find(
    (one) => one.level === "watch" && one.path === `setup.${props.axle}.caliper.pistons`,
  ),
);
/** Under the valve's own words, where there is no room beside them. */
const crowded = computed(
  () =>
    props.axle === "rear" &&
    hasValve(workbench.bench!.setup) &&
    valveAt(props.layout) - props.layout.x.cylinder < 170,
);
</script>

<template>
  <div class="lane" :class="axle">
    <template v-if="!tandem && part === 'cylinder'">
      <div :style="at(layout.x.cylinder, lane.top)">
        <JointStepper :joint-key="`${axle}.master_cylinder`" />
      </div>
      <div :style="at(layout.x.cylinder, below + (crowded ? 16 : 0))">
        <NumberTag quiet label="push" :headline="`${axle}.has.cylinder_force`" dimension="force" />
      </div>
    </template>
    <template v-if="part === 'rest'">
      <div
        v-if="axle === 'rear' && hasValve(workbench.bench!.setup)"
        :style="at(valveAt(layout) - 46, lane.middle + 17)"
      >
        <JointStepper joint-key="valve" />
      </div>
      <div class="over" :style="at(layout.x.line - 12, lane.middle - 2)">
        <NumberTag stacked :headline="`${axle}.has.pressure`" dimension="pressure" />
      </div>
      <div :style="at(layout.x.caliper, lane.top)">
        <JointStepper :joint-key="`${axle}.caliper`" />
      </div>
      <div :style="at(layout.x.wheel, lane.top)">
        <JointStepper :joint-key="`${axle}.disc`" />
      </div>
      <div :style="at(layout.x.caliper, below)">
        <JointStepper :joint-key="`${axle}.pad`" />
      </div>
      <p
        v-if="pistons"
        class="label watch pistons"
        role="note"
        :style="{ ...at(layout.x.caliper + 76, below), width: `${layout.x.wheel - layout.x.caliper - 50}px` }"
      >
        {{ showPhrase(pistons.text) }}
      </p>
      <div class="load" :style="at(layout.x.wheel + 8, lane.ground + 4)">
        <NumberTag quiet label="load" whose="axle" :headline="`${axle}.load`" dimension="force" />
        <NumberTag quiet label="at limit" :headline="`${axle}.limit_load`" dimension="force" />
      </div>
      <div :style="{ ...at(layout.x.words, lane.top), width: `${layout.width - layout.x.words}px` }">
        <AxleTable :axle="axle" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.lane > * {
  position: absolute;
}
.over {
  transform: translateY(-100%);
}
.load {
  display: flex;
  gap: 0.5rem;
  line-height: 1.1;
}
.pistons {
  line-height: 1.15;
}
</style>
