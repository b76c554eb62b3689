<script setup lang="ts">
// The words and numbers of one lane, each group under or beside the shape that it belongs to.
import { computed } from "vue";
import type { AxleName } from "@/api/client";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import JointStepper from "./JointStepper.vue";
import { hasTandem, hasValve } from "@/documents/fitted";
import { valveAt, type Layout } from "./layout";

const props = defineProps<{ axle: AxleName; part: "cylinder" | "rest"; layout: Layout }>();
const workbench = useWorkbench();
const tandem = computed(() => hasTandem(workbench.bench!.setup));
const lane = computed(() => props.layout[props.axle]);
const at = (x: number, y: number) => ({ left: `${x}px`, top: `${y}px` });
const below = computed(() => lane.value.middle + 37);
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
        <NumberTag quiet label="needs" :headline="`${axle}.needs.bore`" dimension="bore" />
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
      <div :style="at(layout.x.line - 12, lane.middle + 4)">
        <NumberTag quiet stacked label="needs" :headline="`${axle}.needs.pressure`" dimension="pressure" />
      </div>
      <div :style="at(layout.x.caliper, lane.top)">
        <JointStepper :joint-key="`${axle}.caliper`" :toward-left="layout.width < 1000" />
      </div>
      <div :style="at(layout.x.caliper, below)">
        <NumberTag label="clamp" whose="caliper" :headline="`${axle}.has.clamp`" dimension="force" />
        <NumberTag quiet label="needs" :headline="`${axle}.needs.clamp`" dimension="force" />
      </div>
      <div
        class="wheel"
        :style="{ ...at(layout.x.words, lane.top), width: `${layout.width - layout.x.words}px` }"
      >
        <div class="pair">
          <JointStepper :joint-key="`${axle}.disc`" flat :toward-left="layout.width < 1000" />
          <JointStepper :joint-key="`${axle}.pad`" toward-left flat />
        </div>
        <div class="row">
          <NumberTag
            quiet
            label="effective radius"
            :headline="`${axle}.has.effective_radius`"
            dimension="length"
          />
          <span class="label when">at the design effort</span>
        </div>
        <div class="row">
          <NumberTag label="torque" whose="wheel" :headline="`${axle}.has.torque`" dimension="torque" />
          <NumberTag quiet label="needs" :headline="`${axle}.needs.torque`" dimension="torque" />
        </div>
        <div class="row">
          <NumberTag
            class="own"
            label="force"
            whose="axle"
            :headline="`${axle}.has.brake_force`"
            dimension="force"
          />
          <NumberTag quiet label="needs" :headline="`${axle}.needs.brake_force`" dimension="force" />
        </div>
        <div class="row">
          <NumberTag quiet label="load" whose="axle" :headline="`${axle}.load`" dimension="force" />
          <NumberTag quiet label="at limit" :headline="`${axle}.limit_load`" dimension="force" />
        </div>
        <div class="row">
          <NumberTag
            quiet
            label="locks at"
            :headline="`${axle}.lock_deceleration`"
            dimension="deceleration"
          />
          <NumberTag quiet label="pedal force" :headline="`${axle}.lock_foot_force`" dimension="force" />
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.lane > div {
  position: absolute;
}
.over {
  transform: translateY(-100%);
}
.front .own :deep(b) {
  color: var(--front);
  font-weight: 600;
}
.rear .own :deep(b) {
  color: var(--rear);
  font-weight: 600;
}
@media (max-width: 1150px) {
  .when {
    display: none;
  }
}
.pair,
.row {
  column-gap: 0.6rem;
  display: grid;
  grid-template-columns: 1.15fr 1fr;
}
</style>
