<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import HelpLine from "@/fields/HelpLine.vue";
import VerdictMark from "@/shell/VerdictMark.vue";
import { showPhrase } from "@/units/units";
import { useUncertainty } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import ChanceBars from "./ChanceBars.vue";
import DoubtBars from "./DoubtBars.vue";
import MendList from "./MendList.vue";
import NumberTag from "./NumberTag.vue";
import WorkingSteps from "./WorkingSteps.vue";
import { useSheet } from "./sheet";

/** The numbers behind each verdict: label, headline and dimension. */
const FACTS: Record<string, [label: string, headline: string, dimension: string][]> = {
  lock_order: [
    ["first lock at", "first_deceleration", "deceleration"],
    ["tyres allow", "limit_deceleration", "deceleration"],
    ["share of the grip used", "efficiency", "share"],
    ["front share", "force_share", "share"],
    ["ideal share", "ideal_share", "share"],
    ["hardest stop", "stop.distance", "distance"],
    ["longer than ideal by", "stop.lost", "distance"],
  ],
  leg: [
    ["foot at first lock", "first_foot_force", "force"],
    ["foot when the front locks", "front.lock_foot_force", "force"],
    ["foot when the rear locks", "rear.lock_foot_force", "force"],
    ["push on the bar, as chosen", "rod_force", "force"],
  ],
  heat: [
    ["front disc heats by", "front.disc.temperature_rise", "temperature difference"],
    ["rear disc heats by", "rear.disc.temperature_rise", "temperature difference"],
    ["into each front disc", "front.disc.energy", "energy"],
    ["into each rear disc", "rear.disc.energy", "energy"],
    ["front pad pressure, as chosen", "front.has.pad_pressure", "pressure"],
    ["rear pad pressure, as chosen", "rear.has.pad_pressure", "pressure"],
  ],
};
const sheet = useSheet();
const workbench = useWorkbench();
const uncertainty = useUncertainty();
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

// The sheet stands beside the work, so nothing is locked: focus goes to it and comes back from where it came.
const closer = useTemplateRef<HTMLButtonElement>("closer");
let cameFrom: HTMLElement | null = null;
watch(
  () => sheet.content,
  async (content, before) => {
    if (!content) return;
    if (!before) cameFrom = document.activeElement as HTMLElement | null;
    await nextTick();
    closer.value?.focus();
  },
);

function close(): void {
  sheet.close();
  cameFrom?.focus();
}
</script>

<template>
  <aside v-if="sheet.content" :aria-label="header" @keydown.esc="close">
    <header>
      <h2>{{ header }}</h2>
      <button ref="closer" class="plain-button" type="button" @click="close">Close</button>
    </header>
    <div class="content" tabindex="0">
      <WorkingSteps v-if="sheet.content.kind === 'working'" :headline="sheet.content.headline" />
      <template v-else-if="verdict">
        <p class="word" :class="verdict.level"><VerdictMark :level="verdict.level" /> {{ verdict.word }}</p>
        <p>{{ showPhrase(verdict.reason) }}</p>
        <MendList :key="verdict.key" :verdict="verdict" />
        <template v-if="verdict.key === 'lock_order' && uncertainty.answer">
          <h3 class="label">How sure: draws of pads, tyres and CG height in which the rear locks first</h3>
          <ChanceBars />
          <DoubtBars />
        </template>
        <h3 class="label">{{ workbench.looked?.state.name }}, each with its working</h3>
        <div class="facts">
          <NumberTag
            v-for="[label, headline, dimension] in FACTS[verdict.key]"
            :key="headline"
            :label="label"
            :headline="headline"
            :dimension="dimension"
          />
        </div>
      </template>
      <div v-else-if="sheet.content.kind === 'part'" class="part">
        <DocumentField v-for="path in sheet.content.paths" :key="path" :path="path" />
        <HelpLine />
      </div>
    </div>
  </aside>
</template>

<style scoped>
aside {
  background: var(--paper);
  border-left: 1px solid var(--ink);
  bottom: 0;
  display: flex;
  flex-direction: column;
  position: fixed;
  right: 0;
  top: 0;
  width: min(25rem, 100vw);
  z-index: 20;
}
header {
  align-items: center;
  border-bottom: 1px solid var(--rule);
  display: flex;
  justify-content: space-between;
  padding: 0.6rem 1rem;
}
h2 {
  font-size: 1.1rem;
  font-weight: 600;
}
.content {
  overflow: auto;
  padding: 0.7rem 1rem;
}
.word {
  align-items: center;
  display: flex;
  font-weight: 600;
  gap: 0.4rem;
  margin-bottom: 0.5rem;
}
h3 {
  border-top: 1px solid var(--ink);
  margin-top: 0.8rem;
  padding-top: 0.4rem;
}
.facts,
.part {
  display: grid;
  gap: 0.5rem;
}
</style>
