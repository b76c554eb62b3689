<script setup lang="ts">
// Both axles' tyres side by side; the loaded radius from the size, the grip from the log, what each track leaves.
import { computed } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import { showPhrase } from "@/units/units";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import TakeOver from "./TakeOver.vue";

const ENDS = ["front", "rear"] as const;
const FIELDS = ["friction", "load_sensitivity", "reference_load", "loaded_radius", "size", "deflection"];
const workbench = useWorkbench();
const measurements = useMeasurements();
const loads = computed(() => [
  "As weighed",
  ...(workbench.bench?.car.loading?.states ?? []).map((load) => load.name),
]);
</script>

<template>
  <form aria-label="Tyres" @submit.prevent>
    <section v-for="end in ENDS" :key="end" :aria-label="`${end} tyres`">
      <h2 :class="end">{{ end }} tyres</h2>
      <DocumentField
        v-for="field in FIELDS"
        :key="field"
        :path="`car.${end}_tyre.${field}`"
        :label="
          field === 'friction'
            ? `Tyre grip, ${end}`
            : field === 'loaded_radius'
              ? `Loaded radius, ${end}`
              : undefined
        "
      />
      <div v-if="measurements.answer?.[`${end}_tyre`].loaded_radius" class="found">
        <NumberTag label="free radius" :headline="`measure/${end}_tyre.free_radius`" dimension="length" />
        <NumberTag label="loaded" :headline="`measure/${end}_tyre.loaded_radius`" dimension="length" />
        <TakeOver :takes="measurements.answer[`${end}_tyre`].takes" what="the radius" />
      </div>
    </section>
    <section aria-label="Grip from the log">
      <h2>Grip from the log</h2>
      <DocumentField path="car.measured.logged.deceleration" />
      <DocumentField path="car.measured.logged.speed" />
      <DocumentField path="car.measured.logged.track" />
      <DocumentField path="car.measured.logged.load" :among="loads" />
      <template v-if="measurements.answer?.logged.front_friction">
        <div class="found">
          <NumberTag label="front" headline="measure/logged.front_friction" dimension="friction" />
          <NumberTag label="rear" headline="measure/logged.rear_friction" dimension="friction" />
        </div>
        <p v-if="measurements.answer.logged.advice" class="watch word">
          {{ showPhrase(measurements.answer.logged.advice) }}
        </p>
        <p class="label">
          The tyres give at least this: the best stop on the log is never quite at both limits.
        </p>
        <TakeOver :takes="measurements.answer.logged.takes" what="the grip" />
      </template>
    </section>
    <section aria-label="What each track leaves of the dry grip">
      <h2>What each track leaves of the dry grip</h2>
      <DocumentField
        v-for="track in ['damp', 'wet', 'gravel']"
        :key="track"
        :path="`car.track_grip.${track}`"
      />
    </section>
  </form>
</template>

<style scoped>
section + section {
  border-top: 1px solid var(--rule);
  margin-top: 0.5rem;
  padding-top: 0.3rem;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
h2::first-letter {
  text-transform: uppercase;
}
.found {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
.found > .take {
  flex-basis: 100%;
}
.word {
  font-size: 0.88rem;
}
</style>
