<script setup lang="ts">
// The rear valve: its curve, its knee to be dragged, stepped or typed, and the knee that this state asks for.
import { computed } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import { provideHelp } from "@/fields/help";
import { show } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";
import { useWorkbench } from "@/workbench/workbench";
import { hasValve, valveFields } from "@/documents/fitted";
import ValveCurve from "./ValveCurve.vue";

provideHelp();

const workbench = useWorkbench();
const setup = computed(() => workbench.bench!.setup);
const fitted = computed(() => hasValve(setup.value));
const positions = computed(() => setup.value.valve.positions);
const stands = computed(() => workbench.assessment?.joints.find((joint) => joint.key === "valve")?.sizes[0]);
</script>

<template>
  <section aria-label="Rear valve">
    <DocumentField path="setup.valve.kind" />
    <template v-if="fitted">
      <ValveCurve />
      <div v-if="setup.valve?.kind === 'lever'" class="lever">
        <span class="label">Lever stands in</span>
        <p class="positions" role="group" aria-label="Lever stands in">
          <button
            v-for="(position, index) in positions"
            :key="position"
            class="plain-button"
            type="button"
            :aria-pressed="stands === position"
            :title="show(position, 'pressure')"
            @click="workbench.edit('setup.valve.knee', position)"
          >
            {{ index + 1 }}
          </button>
        </p>
      </div>
      <DocumentField v-for="path in valveFields(setup)" :key="path" :path="path" />
    </template>
    <p v-else class="label">No valve in the rear line: both calipers see their cylinder's pressure.</p>
    <p class="asked">
      <NumberTag
        :label="`knee needed, ${workbench.current?.state.name ?? ''}`"
        headline="hydraulics/knee_wanted"
        dimension="pressure"
      />
      <NumberTag label="rear at its limit, foot" headline="rear.lock_foot_force" dimension="force" />
    </p>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: 0.15rem;
  min-height: 0;
  overflow: auto;
}
.lever {
  align-items: center;
  display: flex;
  justify-content: space-between;
}
.positions {
  display: flex;
  gap: 0.3rem;
}
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
.positions .plain-button {
  min-height: 1.8rem;
  min-width: 1.8rem;
  padding: 0 0.4rem;
}
</style>
