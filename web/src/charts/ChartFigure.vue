<script setup lang="ts">
// A chart with its title, its key, its text alternative, and the ways to save it.
import { computed } from "vue";
import VChart from "vue-echarts";
import { useWorkbench } from "@/workbench/workbench";
import "./echarts";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";
import { saveCsv, savePng, saveSvg } from "./save";

const props = defineProps<{
  title: string;
  option: ChartOption;
  ink: Ink;
  words: string;
  rows: () => (string | number)[][];
  /** Its lines have ids and are updated in place: faster while something is dragged. */
  moving?: boolean;
}>();
const workbench = useWorkbench();
const name = computed(() => `${props.title} ${workbench.bench?.car.name} ${workbench.bench?.setup.name}`);
</script>

<template>
  <figure>
    <figcaption>
      <h2>{{ title }}</h2>
      <span class="key label"><slot /></span>
      <span class="save">
        <button type="button" class="label" @click="saveSvg(name, option)">SVG</button>
        <button type="button" class="label" @click="savePng(name, option, ink.paper)">PNG</button>
        <button type="button" class="label" @click="saveCsv(name, rows())">CSV</button>
      </span>
    </figcaption>
    <VChart
      class="chart"
      :option="option"
      :update-options="{ notMerge: !moving, replaceMerge: moving ? ['series'] : [] }"
      autoresize
      role="img"
      :aria-label="words || title"
    />
  </figure>
</template>

<style scoped>
figure {
  display: flex;
  flex-direction: column;
  height: 100%;
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
.key :deep(i) {
  border-top: 2px solid var(--ink);
  display: inline-block;
  margin: 0 0.15rem 0 0.4rem;
  vertical-align: middle;
  width: 1.1rem;
}
.key :deep(i.front) {
  border-color: var(--front);
}
.key :deep(i.rear) {
  border-top: 2px dashed var(--rear);
}
.key :deep(i.faint) {
  border-top: 1px solid var(--soft);
}
.key :deep(i.rule) {
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
/* With a height of its own, the drawing has one too where the figure is as high as what is in it. */
.chart {
  flex: 1 0 auto;
  height: 12rem;
}
</style>
