<script setup lang="ts">
// Mass, balance and height of the centre of gravity: typed, or weighed step by step.
import DocumentField from "@/fields/DocumentField.vue";
import WeighingGuide from "./WeighingGuide.vue";

const weighing = defineModel<boolean>("weighing", { required: true });
const raised = defineModel<boolean>("raised", { required: true });
const FIELDS = ["name", "mass", "front_share", "wheelbase", "cg_height"];
</script>

<template>
  <WeighingGuide v-if="weighing" v-model:raised="raised" @closed="weighing = false" />
  <form v-else aria-label="Scales" @submit.prevent>
    <DocumentField v-for="field in FIELDS" :key="field" :path="`car.${field}`" />
    <p class="weigh">
      <button class="plain-button" type="button" @click="weighing = true">Weigh it, step by step</button>
      <span class="label">Mass, balance, left and right, cross; then the height, with the rear raised.</span>
    </p>
  </form>
</template>

<style scoped>
.weigh {
  align-items: center;
  display: flex;
  gap: 0.7rem;
  margin: 0.7rem 0;
}
</style>
