<script setup lang="ts">
// One change, or two together: its effect, and what it makes worse elsewhere.
import { computed } from "vue";
import type { Mend } from "@/api/client";
import { showPhrase } from "@/units/units";
import { changeOf } from "./mend";

const props = defineProps<{ mend: Mend }>();
const costs = computed(() =>
  props.mend.costs.map(
    (cost) => `${cost.word ? `${cost.word.toLowerCase()}: ` : ""}${showPhrase(cost.text)}`,
  ),
);
</script>

<template>
  <p class="change">{{ changeOf(mend) }}</p>
  <p :class="mend.level">
    <template v-if="mend.level !== 'good'">{{ mend.word }}: </template>{{ showPhrase(mend.effect) }}
  </p>
  <p v-if="costs[0]" class="watch">but {{ costs[0] }}</p>
  <details v-if="costs.length > 1" class="watch">
    <summary>{{ costs.length - 1 }} more that get worse</summary>
    <p v-for="cost in costs.slice(1)" :key="cost">{{ cost }}</p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-size: 0.85rem;
}
</style>
