<script setup lang="ts">
// The car's sessions, each with its heat verdict; one is selected.
import { computed, useTemplateRef, watch } from "vue";
import type { Session } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { useHeat, useHeatJudgement } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";

defineEmits<{ add: [] }>();
defineProps<{
  /** Only to select one. */
  looking?: boolean;
}>();
const workbench = useWorkbench();
const heat = useHeat();
const judgement = useHeatJudgement();
judgement.keepFresh();
const sessions = computed(() => workbench.bench?.car.sessions ?? []);
const verdictOf = (name: string) => judgement.answer?.sessions.find((one) => one.session === name);
/** A setup for the wet is not judged in dry sessions. */
const judgedElsewhere = (name: string) =>
  !judgement.stale && !!judgement.answer?.sessions.length && !verdictOf(name);
const chips = useTemplateRef<HTMLElement>("chips");
// The selected one is always visible.
watch(
  () => [heat.session?.name, sessions.value.length, judgement.answer],
  () => chips.value?.querySelector(".chosen")?.scrollIntoView({ block: "nearest", inline: "nearest" }),
  { flush: "post" },
);

async function remove(): Promise<void> {
  const name = heat.session?.name;
  await workbench.remake<Session[]>("car.sessions", (now) => now.filter((one) => one.name !== name));
}
</script>

<template>
  <div class="bar">
    <div ref="chips" class="chips" data-scrolls role="radiogroup" aria-label="Session looked at">
      <span class="label">{{ sessions.length || !looking ? "Session" : "No session yet" }}</span>
      <label
        v-for="session in sessions"
        :key="session.name"
        :class="{ chosen: heat.session?.name === session.name }"
        :title="judgedElsewhere(session.name) ? 'Not judged: this setup is for other tracks' : undefined"
      >
        <input
          type="radio"
          class="away"
          name="session"
          :value="session.name"
          :checked="heat.session?.name === session.name"
          @change="heat.chosen = session.name"
        />
        <VerdictMark v-if="verdictOf(session.name)" :level="verdictOf(session.name)!.level" />
        {{ session.name }}
        <span v-if="judgedElsewhere(session.name)" class="label">not judged</span>
        <span v-if="verdictOf(session.name)" class="away">: {{ verdictOf(session.name)!.word }}</span>
      </label>
    </div>
    <button v-if="sessions.length && !looking" class="plain-button" type="button" @click="$emit('add')">
      New session…
    </button>
    <button v-if="heat.session && !looking" class="plain-button" type="button" @click="remove">
      Remove session
    </button>
  </div>
</template>

<style scoped>
.bar {
  align-items: center;
  display: flex;
  gap: 0.5rem;
  padding-bottom: 0.3rem;
}
.chips {
  align-items: center;
  display: flex;
  flex: 1;
  gap: 0.3rem;
  min-width: 0;
  overflow-x: auto;
  padding: 2px;
  scrollbar-width: thin;
}
.chips label {
  align-items: center;
  border: 1px solid var(--rule);
  border-radius: 999px;
  color: var(--soft);
  cursor: pointer;
  display: flex;
  flex: none;
  font-family: var(--narrow);
  gap: 0.35rem;
  padding: 0.12rem 0.7rem;
}
.chips label:has(:focus-visible) {
  outline: 2px solid var(--focus);
}
.chips .chosen {
  background: var(--tint);
  border-color: var(--ink);
  color: var(--ink);
}
@media (max-width: 760px) {
  .bar {
    flex-wrap: wrap;
  }
  .chips {
    flex-basis: 100%;
  }
}
@media (pointer: coarse) {
  .chips label {
    padding: 0.5rem 0.8rem;
  }
}
</style>
