<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from "vue";
import CautionLine from "@/shell/CautionLine.vue";
import ViewTabs from "@/shell/ViewTabs.vue";
import MendList from "@/working/MendList.vue";
import { showPhrase } from "@/units/units";
import type { Verdict } from "@/api/client";
import { useHeat } from "@/workbench/heat";
import { useVerdicts } from "@/workbench/verdicts";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";
import BalanceView from "./BalanceView.vue";
import ChainDrawing from "./ChainDrawing.vue";
import { hasTandem } from "@/documents/fitted";

const workbench = useWorkbench();
const VIEWS = {
  balance: { title: "Balance", view: BalanceView },
  cylinders: {
    title: "Cylinders",
    view: defineAsyncComponent(() => import("./cylinders/CylindersView.vue")),
  },
  pressures: {
    title: "Pressures",
    view: defineAsyncComponent(() => import("./pressures/PressuresView.vue")),
  },
  travel: { title: "Travel", view: defineAsyncComponent(() => import("./travel/TravelView.vue")) },
  lost: {
    title: "Circuit failed",
    view: defineAsyncComponent(() => import("./failure/CircuitFailureView.vue")),
  },
  card: { title: "Bar card", view: defineAsyncComponent(() => import("./card/CardView.vue")) },
  original: {
    title: "Original parts",
    view: defineAsyncComponent(() => import("./original/OriginalView.vue")),
  },
  fitted: { title: "Part details", view: defineAsyncComponent(() => import("./fitting/FittedView.vue")) },
};
const VIEWS_OF_A_TANDEM = { ...VIEWS, card: { ...VIEWS.card, title: "Valve card" } };
const tandem = computed(() => workbench.bench !== null && hasTandem(workbench.bench.setup));
// The same object from step to step: new tabs measure themselves, and the whole page with them.
const views = computed(() => (tandem.value ? VIEWS_OF_A_TANDEM : VIEWS));
const view = ref("balance");

const RANK = { bad: 2, watch: 1, good: 0, open: 0 };
const heat = useHeat();
const known = useVerdicts();
const verdicts = computed(() => known.now);
/** Here the sizes come first, then the sessions. */
const rank = (one: Verdict): number => RANK[one.level] - (one.key === "heat" ? 2.5 : 0);
const wanting = computed(() => verdicts.value.filter((verdict) => RANK[verdict.level] > 0));
const worst = computed(() =>
  [...(wanting.value.length ? wanting.value : verdicts.value)]
    .sort((one, other) => rank(other) - rank(one))
    .at(0),
);
/** What was pressed, or has a change tried on: it stays until another setup lies on the bench. */
const chosen = ref("");
const library = useLibrary();
watch(
  () => library.setup?.id,
  () => (chosen.value = ""),
);
const shown = computed(() => {
  const picked = verdicts.value.find((one) => one.key === chosen.value);
  // Once what mends it is kept, the next matter comes forward.
  return picked && (RANK[picked.level] > 0 || workbench.trials.length) ? picked : worst.value;
});
// If nothing is wrong there is room for every matter.
const reasons = computed(() => (!wanting.value.length ? verdicts.value : shown.value ? [shown.value] : []));
</script>

<template>
  <div class="place">
    <div class="drawing-window wide" data-scrolls="phone"><ChainDrawing /></div>
    <div class="below">
      <ViewTabs v-model="view" :views="views" />
      <section v-if="shown" class="mending" aria-label="Fixes">
        <div class="list" tabindex="0">
          <h2>
            {{
              !wanting.length
                ? "Sound as it stands"
                : `Fixes for ${shown.title.split(" · ")[0]?.toLowerCase()}`
            }}
          </h2>
          <p v-if="wanting.length > 1 || (wanting.length && shown.level === 'good')" class="matters">
            <button
              v-for="one in wanting"
              :key="one.key"
              class="plain-button"
              type="button"
              :aria-pressed="one.key === shown.key"
              @click="chosen = one.key"
            >
              {{ one.title }}
            </button>
          </p>
          <p v-for="verdict in reasons" :key="verdict.key" class="reason">{{ showPhrase(verdict.reason) }}</p>
          <RouterLink
            v-if="shown.key === 'heat' && heat.session && shown.level !== 'good'"
            :to="{ name: 'heat' }"
            class="plain-button"
            >Fixes for the heat</RouterLink
          >
          <MendList
            v-else
            :key="shown.key"
            :verdict="shown"
            @tried="chosen = shown.key"
            @kept="chosen = ''"
          />
        </div>
        <CautionLine />
      </section>
    </div>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-rows: minmax(20.5rem, 1.1fr) minmax(18.5rem, 1fr);
  height: 100%;
  min-height: 39.5rem;
  padding: 0.5rem 1.1rem 0.4rem;
}
.below {
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(0, 2.55fr) minmax(0, 1fr);
  min-height: 0;
}
.mending {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  padding-top: 0.5rem;
}
.list {
  overflow: auto;
}
.matters {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  margin: 0.2rem 0;
}
.matters .plain-button {
  min-height: 1.7rem;
  overflow-wrap: anywhere;
  padding: 0 0.6rem;
  white-space: normal;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.reason {
  font-size: 0.88rem;
  margin-bottom: 0.3rem;
}
@media (max-width: 760px) {
  .place,
  .below {
    display: block;
    min-height: 0;
  }
  .below > * {
    padding-top: 0.6rem;
  }
}
</style>
