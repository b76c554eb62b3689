<script setup lang="ts">
// The effect of each piece of the duct on the current session: each changed alone and simulated.
import { computed } from "vue";
import { show } from "@/units/units";
import { useAir, useDuctWorth } from "@/workbench/air";
import { useHeat } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import TriedLine from "@/working/TriedLine.vue";
import { useTryOn } from "@/working/tryOn";

const air = useAir();
const heat = useHeat();
const worth = useDuctWorth();
worth.keepFresh();
const workbench = useWorkbench();
const fresh = computed(
  () => !worth.stale && worth.answer?.session === heat.session?.name && worth.answer?.axle === air.axle,
);
const most = computed(() => Math.max(1, ...(worth.answer?.worths ?? []).map((one) => Math.abs(one.peak))));
const { tried, tryOn, putBack, keep } = useTryOn();
const putOn = (title: string, patch: Record<string, unknown>) =>
  tryOn(title, () => workbench.editAll("setup", patch));
</script>

<template>
  <p v-if="!heat.session" class="label">Its worth is told on a session: add one on Heat first.</p>
  <p v-else-if="worth.trouble && !worth.asking" class="bad" role="status">{{ worth.trouble }}</p>
  <p v-else-if="!worth.answer" class="label" role="status">Driving each change…</p>
  <div v-else class="view" :class="{ stale: !fresh }">
    <p class="label" role="status">
      {{ fresh ? "" : "Driving each change… " }}Peak of the {{ worth.answer.axle }} discs, now
      {{ show(worth.answer.peak, "temperature") }}; air through the vanes at 40 m/s.
    </p>
    <TriedLine :tried="tried" @keep="keep" @put-back="putBack" />
    <ul>
      <li v-for="one in worth.answer.worths" :key="one.title">
        <span>{{ one.title }}</span>
        <span class="air">{{ one.flow === null ? "" : show(one.flow, "air flow", true) }}</span>
        <span class="bar" aria-hidden="true"
          ><i
            :class="{ warmer: one.peak > 0 }"
            :style="{ width: `${(70 * Math.abs(one.peak)) / most}%` }"
          /><b>{{ show(one.peak, "temperature difference", true) }}</b></span
        >
        <span class="away">{{ show(one.peak, "temperature difference", true) }}</span>
        <span class="label cost">{{ one.cost }}</span>
        <button
          class="plain-button"
          type="button"
          :aria-label="`try: ${one.title}`"
          @click="putOn(one.title, one.patch)"
        >
          try
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.view {
  font-size: 0.88rem;
}
.stale ul {
  opacity: 0.5;
}
ul {
  list-style: none;
}
li {
  align-items: center;
  border-bottom: 1px solid var(--rule);
  display: grid;
  gap: 0.6rem;
  grid-template-columns: minmax(9rem, 1.3fr) 4.6rem minmax(7rem, 1.2fr) minmax(6rem, 1fr) auto;
  min-height: 1.85rem;
}
.air {
  color: var(--soft);
  font-family: var(--narrow);
  text-align: right;
}
.bar {
  align-items: center;
  display: flex;
  gap: 0.4rem;
}
.bar i {
  background: var(--front);
  height: 0.7rem;
}
.rear .bar i {
  background: var(--rear);
}
.bar i.warmer {
  background: none;
  border: 1px solid var(--bad);
}
.bar b {
  font-weight: 600;
}
.cost {
  overflow: hidden;
  text-overflow: ellipsis;
}
.plain-button {
  min-height: 1.5rem;
  padding: 0 0.6rem;
}
</style>
