<script setup lang="ts">
import { computed } from "vue";
import VChart from "vue-echarts";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";
import "./echarts";
import { forceBalanceOption, forceBalanceRows, forceBalanceWords } from "./forceBalance";
import { currentInk } from "./ink";
import { saveCsv, savePng, saveSvg } from "./save";

const workbench = useWorkbench();
const library = useLibrary();
const ink = computed(() => {
  void library.desk.dark; // the colours stand in the style sheet: read them again when day turns to night
  return currentInk();
});
const option = computed(() => {
  const { assessment, looked, ghostLooked } = workbench;
  return assessment && looked ? forceBalanceOption(assessment, looked, ghostLooked, ink.value) : {};
});
const words = computed(() => (workbench.looked ? forceBalanceWords(workbench.looked) : ""));
const name = computed(() => `force balance ${workbench.bench?.car.name} ${workbench.bench?.setup.name}`);
</script>

<template>
  <figure>
    <figcaption>
      <h2>Brake force, front over rear</h2>
      <span class="key label"
        ><i class="ideal" /> ideal <i class="front" /> front locks <i class="rear" /> rear locks
        <i class="g" /> equal g</span
      >
      <span class="save">
        <button type="button" class="label" @click="saveSvg(name, option)">SVG</button>
        <button type="button" class="label" @click="savePng(name, option, ink.paper)">PNG</button>
        <button
          type="button"
          class="label"
          @click="workbench.assessment && saveCsv(name, forceBalanceRows(workbench.assessment))"
        >
          CSV
        </button>
      </span>
    </figcaption>
    <VChart
      class="chart"
      :option="option"
      :update-options="{ notMerge: true }"
      autoresize
      role="img"
      :aria-label="words"
    />
  </figure>
</template>

<style scoped>
figure {
  display: flex;
  flex-direction: column;
  margin: 0;
  min-height: 0;
}
figcaption {
  align-items: baseline;
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.key i {
  border-top: 2px solid var(--ink);
  display: inline-block;
  margin: 0 0.15rem 0 0.4rem;
  vertical-align: middle;
  width: 1.1rem;
}
.key i.front {
  border-color: var(--front);
}
.key i.rear {
  border-top: 2px dashed var(--rear);
}
.key i.g {
  border-top: 1px solid var(--rule);
}
.save {
  display: flex;
  gap: 0.5rem;
  margin-left: auto;
}
.save button {
  min-height: 1.6rem;
  min-width: 1.6rem;
  text-decoration: underline;
  text-underline-offset: 2px;
}
.chart {
  flex: 1;
  min-height: 12rem;
}
</style>
