<script setup lang="ts">
import ForceBalanceChart from "@/charts/ForceBalanceChart.vue";
import BalancePanel from "./BalancePanel.vue";
</script>

<template>
  <div class="view">
    <ForceBalanceChart />
    <BalancePanel />
  </div>
</template>

<style scoped>
.view {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
</style>
