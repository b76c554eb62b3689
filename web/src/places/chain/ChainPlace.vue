<script setup lang="ts">
import { computed } from "vue";
import ForceBalanceChart from "@/charts/ForceBalanceChart.vue";
import MendList from "@/working/MendList.vue";
import { showPhrase } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import BalancePanel from "./BalancePanel.vue";
import ChainDrawing from "./ChainDrawing.vue";

const workbench = useWorkbench();
const RANK = { bad: 2, watch: 1, good: 0 };
const worst = computed(() =>
  [...(workbench.assessment?.verdicts ?? [])].sort((one, other) => RANK[other.level] - RANK[one.level]).at(0),
);
// Where nothing is wrong there is room to say how each matter stands.
const told = computed(
  () => (worst.value?.level === "good" ? workbench.assessment?.verdicts : [worst.value!]) ?? [],
);
</script>

<template>
  <div class="place">
    <ChainDrawing />
    <div class="below">
      <ForceBalanceChart />
      <BalancePanel />
      <section v-if="worst" class="mending" aria-label="What mends it">
        <h2>
          {{ worst.level === "good" ? "Sound as it stands" : `What mends the ${worst.title.toLowerCase()}` }}
        </h2>
        <p v-for="verdict in told" :key="verdict.key" class="reason">{{ showPhrase(verdict.reason) }}</p>
        <MendList :key="worst.key" :verdict="worst" />
        <p class="label caution">
          Estimates, not a design approval. A competent person inspects hydraulics and mountings before the
          car moves; the organiser's rules and road law come first. First stops slow, on private ground.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-rows: minmax(20.5rem, 1.15fr) minmax(17.5rem, 1fr);
  height: 100%;
  min-height: 38.5rem;
  padding: 0.5rem 1.1rem 0.4rem;
}
.below {
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1.2fr) minmax(0, 1fr);
  min-height: 0;
  padding-top: 0.5rem;
}
.mending {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.reason {
  font-size: 0.88rem;
  margin-bottom: 0.3rem;
}
.caution {
  background: var(--paper);
  bottom: 0;
  margin-top: auto;
  padding-top: 0.4rem;
  position: sticky;
}
</style>
