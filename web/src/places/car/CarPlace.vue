<script setup lang="ts">
// The car and its tyre capacity: on the left the drawing and the results, on the right what is measured, typed and chosen.
import Tab from "primevue/tab";
import TabList from "primevue/tablist";
import TabPanel from "primevue/tabpanel";
import TabPanels from "primevue/tabpanels";
import Tabs from "primevue/tabs";
import { ref } from "vue";
import ForceBalanceChart from "@/charts/ForceBalanceChart.vue";
import { provideHelp } from "@/fields/help";
import SharedByCar from "@/working/SharedByCar.vue";
import ViewTabs from "@/shell/ViewTabs.vue";
import { useMeasurements } from "@/workbench/question";
import AirPanel from "./panels/AirPanel.vue";
import LoadsPanel from "./panels/LoadsPanel.vue";
import ScalesPanel from "./panels/ScalesPanel.vue";
import StatesPanel from "./panels/StatesPanel.vue";
import TyresPanel from "./panels/TyresPanel.vue";
import OverSpeedChart from "./OverSpeedChart.vue";
import SideView from "@/drawings/SideView.vue";
import StateMatrix from "@/states/StateMatrix.vue";
import StopTable from "./StopTable.vue";
import UncertaintyPanel from "./UncertaintyPanel.vue";
import AdhesionChart from "./AdhesionChart.vue";
import WeighingView from "./WeighingView.vue";

provideHelp();

useMeasurements().keepFresh();
const VIEWS = {
  states: { title: "At a glance", view: StateMatrix, props: { adding: true } },
  force: { title: "Brake force", view: ForceBalanceChart },
  speed: { title: "Over speed", view: OverSpeedChart },
  stop: { title: "A stop", view: StopTable },
  grip: { title: "Grip used", view: AdhesionChart },
  sure: { title: "How sure", view: UncertaintyPanel },
};
const PANELS = {
  scales: { title: "Weight, driver", view: ScalesPanel },
  loads: { title: "Loads", view: LoadsPanel },
  tyres: { title: "Tyres", view: TyresPanel },
  air: { title: "Air", view: AirPanel },
  states: { title: "States", view: StatesPanel },
} as const;
const view = ref("states");
const panel = ref("scales");
const weighing = ref(false);
const raised = ref(false);
</script>

<template>
  <div class="place">
    <div class="picture">
      <div class="drawing-window" data-scrolls="phone">
        <WeighingView v-if="weighing && panel === 'scales'" :raised="raised" />
        <SideView v-else />
      </div>
      <ViewTabs v-model="view" :views="VIEWS" />
    </div>
    <Tabs v-model:value="panel" class="panels" lazy>
      <TabList :pt="{ content: { 'data-scrolls': '' }, tabList: { 'aria-label': 'The car' } }">
        <Tab v-for="(one, key) in PANELS" :key="key" :value="key">{{ one.title }}</Tab>
      </TabList>
      <TabPanels data-scrolls="phone">
        <TabPanel v-for="(one, key) in PANELS" :key="key" :value="key">
          <ScalesPanel v-if="key === 'scales'" v-model:weighing="weighing" v-model:raised="raised" />
          <component :is="one.view" v-else />
        </TabPanel>
      </TabPanels>
      <SharedByCar />
    </Tabs>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(0, 1.7fr) minmax(21.5rem, 1fr);
  height: 100%;
  min-height: 38rem;
  padding: 0.4rem 1.1rem 0.3rem;
}
.picture {
  display: grid;
  grid-template-rows: minmax(16rem, 1fr) minmax(19.5rem, 1.1fr);
  min-height: 0;
}
.panels {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
@media (max-width: 760px) {
  .place,
  .picture {
    display: block;
    height: auto;
    min-height: 0;
    padding-inline: 0.7rem;
  }
}
.panels :deep(.p-tabpanels) {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
</style>
