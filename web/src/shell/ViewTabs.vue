<script setup lang="ts">
// Several views behind tabs; only the open one is drawn.
import Tab from "primevue/tab";
import TabList from "primevue/tablist";
import TabPanel from "primevue/tabpanel";
import TabPanels from "primevue/tabpanels";
import Tabs from "primevue/tabs";
import type { Component } from "vue";

interface View {
  title: string;
  view: Component;
  props?: Record<string, unknown>;
}
withDefaults(defineProps<{ views: Record<string, View>; label?: string }>(), { label: "What follows" });
const view = defineModel<string>({ required: true });
</script>

<template>
  <Tabs v-model:value="view" class="views" lazy>
    <TabList :pt="{ content: { 'data-scrolls': '' }, tabList: { 'aria-label': label } }">
      <Tab v-for="(one, key) in views" :key="key" :value="key">{{ one.title }}</Tab>
    </TabList>
    <TabPanels data-scrolls="phone">
      <TabPanel v-for="(one, key) in views" :key="key" :value="key">
        <component :is="one.view" v-bind="one.props ?? {}" />
      </TabPanel>
    </TabPanels>
  </Tabs>
</template>

<style scoped>
.views {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.views :deep(.p-tabpanels) {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.views :deep(.p-tabpanel) {
  height: 100%;
}
@media (max-width: 1150px) {
  .views :deep(.p-tab) {
    padding-inline: 0.35rem;
  }
}
</style>
