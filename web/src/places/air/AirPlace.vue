<script setup lang="ts">
// The duct of an axle: the run in the order of the flow, the loss and the worth of each piece, the smallest duct that
// holds, and the tape.
import { computed, onMounted, onUnmounted, ref } from "vue";
import type { AxleName } from "@/api/client";
import { provideHelp } from "@/fields/help";
import SessionBar from "@/sessions/SessionBar.vue";
import ViewTabs from "@/shell/ViewTabs.vue";
import { show, showPhrase } from "@/units/units";
import { useAir, useDuctFlow } from "@/workbench/air";
import { useSimulation } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import PartsView from "./PartsView.vue";
import PiecesForm from "./PiecesForm.vue";
import RunDrawing from "./RunDrawing.vue";
import SizingPanel from "./SizingPanel.vue";
import TapeView from "./TapeView.vue";
import WorthView from "./WorthView.vue";

provideHelp();

const workbench = useWorkbench();
const simulation = useSimulation();
simulation.keepFresh();
const air = useAir();
const flow = useDuctFlow();
flow.keepFresh();
onMounted(() => workbench.driveWith(simulation.answerTo));
onUnmounted(() => workbench.driveWith(null));
const AXLES: AxleName[] = ["front", "rear"];
const VIEWS = {
  worth: { title: "What each piece is worth", view: WorthView },
  tape: { title: "Tape for the day", view: TapeView },
  pieces: { title: "Pieces", view: PiecesForm },
  parts: { title: "Parts and checks", view: PartsView },
};
const view = ref("worth");
const fit = () => workbench.editAll(`${air.path}.fitted`, flow.answer!.fitting);
const answer = computed(() => flow.answer);
</script>

<template>
  <div class="place">
    <SessionBar looking />
    <div class="left" :class="air.axle">
      <div class="run">
        <header>
          <h2>The run, nose to disc</h2>
          <span class="axles" role="radiogroup" aria-label="Axle looked at">
            <label v-for="axle in AXLES" :key="axle" :class="[axle, { chosen: air.axle === axle }]">
              <input v-model="air.axle" type="radio" class="away" name="axle" :value="axle" />{{ axle }}
            </label>
          </span>
          <span class="label">each wheel, at {{ show(air.speed, "speed") }}</span>
          <template v-if="answer?.fitted">
            <NumberTag headline="air/duct" dimension="air flow" label="duct" />
            <NumberTag headline="air/vanes" dimension="air flow" label="vanes" />
            <span class="label"
              >drag of both {{ show(answer.drag, "drag")
              }}<template v-if="answer.slower !== null"
                >, {{ show(answer.slower, "small speed") }} slower</template
              ></span
            >
            <span v-if="answer.taped" class="watch">{{ show(answer.taped, "share") }} taped</span>
          </template>
        </header>
        <p v-if="flow.trouble" class="bad" role="alert">{{ flow.trouble }}</p>
        <template v-else-if="answer">
          <div v-if="answer.fitted" class="drawing-window" data-scrolls="phone">
            <RunDrawing :flow="answer" :ghost="flow.ghost" />
          </div>
          <div v-else class="none">
            <p>
              No duct at the {{ air.axle }}.
              <template v-if="answer.vanes !== null"
                >The vanes draw {{ show(answer.vanes, "air flow") }} out of the wheel well by
                themselves.</template
              >
              <template v-else>A solid disc: only its faces are cooled.</template>
            </p>
            <button class="plain-button" type="button" @click="fit">Fit a duct</button>
          </div>
          <p v-for="one in answer.remarks" :key="one.text" class="watch remark">{{ showPhrase(one) }}</p>
        </template>
      </div>
      <ViewTabs v-model="view" class="views" :views="VIEWS" />
    </div>
    <div class="right">
      <SizingPanel />
      <p class="label caution">
        Not calibrated on this car: ±35 K. Pads and fluid first, air last: too cold is a fault as well. Keep
        hoses clear of the tyre at full lock and full bump; a competent person looks at it before the car
        moves.
      </p>
    </div>
  </div>
</template>

<style scoped src="@/theme/sideBySide.css"></style>
<style scoped>
.left {
  color: var(--ink);
  display: grid;
  grid-template-rows: minmax(19rem, 1.25fr) minmax(14rem, 1fr);
  min-height: 0;
}
.run {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.run > :deep(figure) {
  flex: 1;
}
header {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
  min-height: 2rem;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.axles {
  display: flex;
  gap: 0.3rem;
}
.axles label {
  border: 1px solid var(--rule);
  border-radius: 999px;
  cursor: pointer;
  font-family: var(--narrow);
  padding: 0.1rem 0.7rem;
}
.axles label:has(:focus-visible) {
  outline: 2px solid var(--focus);
}
.axles .chosen {
  background: var(--tint);
  border-color: currentColor;
  font-weight: 600;
}
.none {
  align-content: center;
  display: grid;
  flex: 1;
  gap: 0.6rem;
  justify-items: center;
}
.remark {
  font-size: 0.88rem;
}
</style>
