<script setup lang="ts">
// Each axle's tyres, the loaded radius from their size; the grip from the log; what each track leaves of it.
import { computed } from "vue";
import { loadsOf } from "@/documents/loads";
import DocumentField from "@/fields/DocumentField.vue";
import { showPhrase } from "@/units/units";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import PanelGroup from "./PanelGroup.vue";
import TakeOver from "@/working/TakeOver.vue";

const ENDS = ["front", "rear"] as const;
const TYRE = ["friction", "load_sensitivity", "reference_load", "loaded_radius", "size", "deflection"];
const LOG = ["deceleration", "speed", "track"].map((name) => `measured.logged.${name}`);
const TRACKS = ["damp", "wet", "gravel"].map((name) => `track_grip.${name}`);
const workbench = useWorkbench();
const measurements = useMeasurements();
const logged = computed(() => measurements.answer?.logged);
const loads = computed(() => loadsOf(workbench.bench?.car));
</script>

<template>
  <form aria-label="Tyres" @submit.prevent>
    <PanelGroup
      v-for="end in ENDS"
      :key="end"
      :title="`${end} tyres`"
      :axle="end"
      :fields="TYRE.map((name) => `${end}_tyre.${name}`)"
      :labels="{ friction: `Tyre grip, ${end}`, loaded_radius: `Loaded radius, ${end}` }"
    >
      <template v-if="measurements.answer?.[`${end}_tyre`].loaded_radius">
        <NumberTag
          label="free radius"
          :headline="`measurements/${end}_tyre.free_radius`"
          dimension="length"
        />
        <NumberTag label="loaded" :headline="`measurements/${end}_tyre.loaded_radius`" dimension="length" />
        <TakeOver :takes="measurements.answer[`${end}_tyre`].takes" what="the radius" />
      </template>
    </PanelGroup>
    <PanelGroup title="Grip from the log" :fields="LOG">
      <DocumentField path="car.measured.logged.load" :among="loads" />
      <template v-if="logged?.front_friction">
        <NumberTag label="front" headline="measurements/logged.front_friction" dimension="friction" />
        <NumberTag label="rear" headline="measurements/logged.rear_friction" dimension="friction" />
        <p v-if="logged.advice" class="watch word">{{ showPhrase(logged.advice) }}</p>
        <p class="label">
          The tyres give at least this: the best stop on the log is never quite at both limits.
        </p>
        <TakeOver :takes="logged.takes" what="the grip" />
      </template>
    </PanelGroup>
    <PanelGroup title="What each track leaves of the dry grip" :fields="TRACKS" />
  </form>
</template>

<style scoped>
.word {
  font-size: 0.88rem;
}
</style>
