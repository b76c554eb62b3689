<script setup lang="ts">
// What is fitted between foot and pads: the kinds of parts, their sizes, and a remark where they do not go together well.
import { computed, ref } from "vue";
import type { AxleName } from "@/api/client";
import { fieldsOf } from "@/documents/schema";
import DocumentField from "@/fields/DocumentField.vue";
import { provideHelp } from "@/fields/help";
import { show, showPhrase } from "@/units/units";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import { hasBooster, hasHandbrake, hasTandem, valveFields } from "@/documents/fitted";

provideHelp();

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const setup = computed(() => workbench.bench!.setup);
const GROUPS = computed(() => ({
  pedal: { title: "Pedal", paths: fieldsOf("setup.pedal") },
  circuits: {
    title: "Brake circuits",
    paths: [
      "setup.split",
      ...(hasTandem(setup.value)
        ? [
            ...fieldsOf("setup.tandem"),
            "setup.booster.fitted",
            ...(hasBooster(setup.value) ? ["setup.booster.gain", "setup.booster.run_out"] : []),
          ]
        : fieldsOf("setup.balance_bar")),
      "setup.valve.kind",
      ...valveFields(setup.value),
    ],
  },
  front: { title: "Front line", paths: lineOf("front") },
  rear: { title: "Rear line", paths: lineOf("rear") },
  fluid: { title: "Fluid", paths: fieldsOf("setup.fluid") },
  handbrake: {
    title: "Handbrake",
    paths: hasHandbrake(setup.value) ? fieldsOf("setup.handbrake") : ["setup.handbrake.fitted"],
  },
}));
function lineOf(axle: AxleName): string[] {
  return [
    ...fieldsOf(`setup.${axle}.lines`),
    ...["stroke", "dead_stroke", "rating"]
      .filter(() => !hasTandem(setup.value))
      .map((name) => `setup.${axle}.master_cylinder.${name}`),
    ...["mounting", "hand", "compliance", "pad_gap", "retention", "rating"].map(
      (name) => `setup.${axle}.caliper.${name}`,
    ),
    `setup.${axle}.disc.run_out`,
    ...["worn", "thickness"].map((name) => `setup.${axle}.pad.${name}`),
  ];
}
const group = ref<keyof typeof GROUPS.value>("circuits");
const handbrake = computed(() => hydraulics.answer?.handbrake ?? null);
const pulls = computed(() =>
  handbrake.value?.states.find((one) => one.state === workbench.current?.state.name),
);
</script>

<template>
  <div class="view">
    <nav aria-label="Parts fitted">
      <button
        v-for="(one, key) in GROUPS"
        :key="key"
        type="button"
        :aria-pressed="group === key"
        @click="group = key"
      >
        {{ one.title }}
      </button>
    </nav>
    <form :aria-label="GROUPS[group].title" @submit.prevent>
      <DocumentField v-for="path in GROUPS[group].paths" :key="path" :path="path" />
    </form>
    <section aria-label="Remarks">
      <p v-for="remark in hydraulics.answer?.remarks ?? []" :key="remark.path" :class="remark.level">
        {{ showPhrase(remark.text) }}
      </p>
      <div v-if="handbrake && pulls" data-handbrake-answer>
        <h2>Handbrake</h2>
        <p>
          A pull of {{ show(setup.handbrake?.hand_force, "force") }} makes
          {{ show(handbrake.pressure, "pressure") }} at the rear;
          {{ show(pulls.pull_to_lock, "force") }} locks the rear wheels here. Its cylinder has
          {{ show(handbrake.left, "length") }} of stroke left.
        </p>
      </div>
      <p v-if="!hydraulics.answer?.remarks.length" class="label">
        No problems found in how the parts go together.
      </p>
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  gap: 1rem;
  grid-template-columns: 6.2rem minmax(15rem, 1.25fr) minmax(0, 1fr);
}
nav {
  align-items: start;
  display: flex;
  flex-direction: column;
}
nav button {
  border-left: 3px solid transparent;
  color: var(--soft);
  font-size: 0.92rem;
  min-height: 1.9rem;
  padding: 0.1rem 0.5rem;
  width: 100%;
}
nav [aria-pressed="true"] {
  background: var(--tint);
  border-color: var(--ink);
  color: var(--ink);
}
section {
  display: grid;
  align-content: start;
  font-size: 0.9rem;
  gap: 0.4rem;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
</style>
