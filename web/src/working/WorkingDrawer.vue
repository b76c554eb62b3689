<script setup lang="ts">
import Drawer from "primevue/drawer";
import { computed } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import VerdictMark from "@/shell/VerdictMark.vue";
import { showPhrase } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import MendList from "./MendList.vue";
import WorkingSteps from "./WorkingSteps.vue";
import { useSheet } from "./sheet";

const sheet = useSheet();
const workbench = useWorkbench();
const verdict = computed(() => {
  const content = sheet.content;
  return content?.kind === "verdict"
    ? workbench.assessment?.verdicts.find((one) => one.key === content.key)
    : undefined;
});
const header = computed(() => {
  if (sheet.content?.kind === "part") return sheet.content.title;
  return sheet.content?.kind === "working" ? "The working" : (verdict.value?.title ?? "");
});
</script>

<template>
  <Drawer
    :visible="sheet.content !== null"
    position="right"
    :modal="false"
    :header="header"
    class="side-sheet"
    @update:visible="sheet.close"
  >
    <WorkingSteps v-if="sheet.content?.kind === 'working'" :headline="sheet.content.headline" />
    <template v-else-if="verdict">
      <p class="word" :class="verdict.level"><VerdictMark :level="verdict.level" /> {{ verdict.word }}</p>
      <p>{{ showPhrase(verdict.reason) }}</p>
      <MendList :verdict="verdict" />
    </template>
    <div v-else-if="sheet.content?.kind === 'part'" class="part">
      <DocumentField v-for="path in sheet.content.paths" :key="path" :path="path" />
    </div>
  </Drawer>
</template>

<style>
.p-drawer-mask .side-sheet.p-drawer,
.side-sheet.p-drawer.p-drawer {
  border: 0;
  border-left: 1px solid var(--ink);
  width: min(26rem, 100vw);
}
.side-sheet .p-drawer-title {
  font-weight: 600;
  font-size: 1.1rem;
}
.side-sheet .word {
  align-items: center;
  display: flex;
  font-weight: 600;
  gap: 0.4rem;
  margin-bottom: 0.5rem;
}
.side-sheet .part {
  display: grid;
  gap: 0.5rem;
}
</style>
