<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from "vue";
import type { AxleName } from "@/api/client";
import DocumentField from "@/fields/DocumentField.vue";
import { provideHelp } from "@/fields/help";
import SharedByCar from "@/working/SharedByCar.vue";
import VerdictMark from "@/signs/VerdictMark.vue";
import { showPhrase } from "@/units/units";
import { useUncertainty } from "@/workbench/question";
import { useVerdicts } from "@/workbench/verdicts";
import { useWorkbench } from "@/workbench/workbench";
import ChanceBars from "./ChanceBars.vue";
import DoubtBars from "./DoubtBars.vue";
import FrictionCurve from "./FrictionCurve.vue";
import RuleLines from "./RuleLines.vue";
import MendList from "./MendList.vue";
import RadiusMethods from "./RadiusMethods.vue";
import VerdictFacts from "./VerdictFacts.vue";
import WorkingSteps from "./WorkingSteps.vue";
import { useSheet } from "./sheet";

const sheet = useSheet();
const help = provideHelp();
const workbench = useWorkbench();
const uncertainty = useUncertainty();
const verdicts = useVerdicts();
const verdict = computed(() =>
  sheet.content?.kind === "verdict" ? verdicts.explained(sheet.content.key) : undefined,
);
const padAxle = computed(() => {
  const first = sheet.content?.kind === "part" ? sheet.content.paths[0] : "";
  return (/^setup\.(front|rear)\.pad\./.exec(first ?? "")?.[1] ?? null) as AxleName | null;
});
const header = computed(() => {
  if (sheet.content?.kind === "part") return sheet.content.title;
  return sheet.content?.kind === "working" ? "The working" : (verdict.value?.title ?? "");
});

// The sheet is not modal: focus moves to it and returns to its origin.
const closer = useTemplateRef<HTMLButtonElement>("closer");
let cameFrom: HTMLElement | null = null;
/** It opens on the other side of what it explains. */
const left = ref(false);
const isRight = (of: HTMLElement | null): boolean => {
  const box = of?.getBoundingClientRect();
  return Boolean(box?.width) && (box!.left + box!.right) / 2 > window.innerWidth / 2;
};
watch(
  () => sheet.content,
  async (content, before) => {
    help.value = "";
    if (!content) return;
    if (!before) {
      cameFrom = document.activeElement as HTMLElement | null;
      left.value = isRight(cameFrom);
    }
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
  <aside v-if="sheet.content" data-floating :class="{ left }" :aria-label="header" @keydown.esc="close">
    <header>
      <h2>{{ header }}</h2>
      <button ref="closer" class="plain-button" type="button" @click="close">Close</button>
    </header>
    <div class="content" tabindex="0">
      <WorkingSteps v-if="sheet.content.kind === 'working'" :headline="sheet.content.headline" />
      <template v-else-if="verdict">
        <p class="word" :class="verdict.level"><VerdictMark :level="verdict.level" /> {{ verdict.word }}</p>
        <p>{{ showPhrase(verdict.reason) }}</p>
        <RuleLines v-if="verdict.rule" :rule="verdict.rule" />
        <details v-if="verdict.limits.length" :key="verdict.key">
          <summary class="label">Limits, for this car</summary>
          <SharedByCar />
          <div class="part">
            <DocumentField v-for="path in verdict.limits" :key="path" :path="path" />
          </div>
        </details>
        <MendList :key="verdict.key" :verdict="verdict" />
        <template v-if="verdict.key === uncertainty.answer?.verdict.key">
          <h3 class="label">
            How likely the rear locks first, with pads, tyres and CG height tried within what is known
          </h3>
          <ChanceBars />
          <DoubtBars />
        </template>
        <h3 class="label">{{ workbench.current?.state.name }}, each with its working</h3>
        <VerdictFacts :key="verdict.key" :verdict="verdict" />
      </template>
      <div v-else-if="sheet.content.kind === 'part'" class="part">
        <DocumentField v-for="path in sheet.content.paths" :key="path" :path="path" />
        <template v-if="padAxle">
          <FrictionCurve :key="padAxle" :axle="padAxle" />
          <RadiusMethods />
        </template>
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
aside.left {
  border-left: 0;
  border-right: 1px solid var(--ink);
  left: 0;
  right: auto;
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
  scrollbar-gutter: stable; /* later content must not move what is under a finger */
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
summary {
  cursor: pointer;
  margin: 0.3rem 0;
}
.part {
  display: grid;
  gap: 0.5rem;
}
</style>
