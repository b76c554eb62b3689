<script setup lang="ts">
// What to do, in which order: the steps down, matters and sessions across; what stays; what may not be touched.
import { computed, onMounted, ref, watch } from "vue";
import CautionLine from "@/shell/CautionLine.vue";
import { show, showPhrase } from "@/units/units";
import { useLibrary } from "@/workbench/library";
import { usePlan } from "@/workbench/plan";
import { useWorkbench } from "@/workbench/workbench";
import TriedLine from "@/working/TriedLine.vue";
import { useTryOn } from "@/working/tryOn";
import KeepPlan from "./KeepPlan.vue";
import PlanPins from "./PlanPins.vue";
import PlanTable from "./PlanTable.vue";
import StaysAmber from "./StaysAmber.vue";

const plan = usePlan();
const workbench = useWorkbench();
const library = useLibrary();
onMounted(() => void plan.keepFresh());
/** Another setup has been laid on the bench. */
watch([() => library.setup?.id, () => workbench.bench], () => {
  if (!plan.asked) void plan.keepFresh();
});
const { tried, tryOn, putBack, keep } = useTryOn();
const keeping = ref(false);
const answer = computed(() => plan.answer);
const one = computed(() => plan.plan);
const stale = computed(() => answer.value !== null && plan.done < 0);

/** The steps up to this one, tried on together. */
function putOn(count: number): void {
  const title = count > 1 ? `steps 1 to ${count} of the plan` : "step 1 of the plan";
  void tryOn(title, () => workbench.editAll("setup", plan.valuesOf(count)));
}
</script>

<template>
  <section class="place" aria-label="Plan">
    <header>
      <div>
        <h1>{{ plan.running ? "Looking for a plan…" : (answer?.word ?? "Plan") }}</h1>
        <p v-if="one && !plan.running" class="label">
          {{ show(one.time, "running time") }}, {{ one.parts }} {{ one.parts === 1 ? "part" : "parts" }} · no
          step makes the car worse · the rear first in {{ show(one.likely, "share") }} of
          {{ answer?.draws.toLocaleString("en-GB").replace(",", " ") }} likely cars then ·
          {{ answer?.tried }} combinations tried, {{ answer?.simulated }} with every session simulated
        </p>
        <p v-else-if="answer && !plan.running" class="label">Nothing bad, and nothing grave to be watched.</p>
      </div>
      <div class="aims" role="group" aria-label="Aim">
        <button
          v-for="each in (answer?.plans ?? []).length > 1 && !plan.running ? answer?.plans : []"
          :key="each.aim"
          class="plain-button"
          type="button"
          :aria-pressed="each.aim === one?.aim"
          @click="plan.aim = each.aim"
        >
          {{ each.title }}
        </button>
        <button v-if="plan.running" class="plain-button" type="button" @click="plan.stop()">Stop</button>
        <button v-else class="plain-button" type="button" @click="plan.ask()">
          {{ answer ? "Plan again" : "Make a plan" }}
        </button>
      </div>
    </header>
    <p v-if="plan.trouble" class="bad" role="alert">{{ plan.trouble }}</p>
    <div v-if="plan.running" role="status">
      <progress :value="plan.job?.done ?? 0" :max="plan.job?.of || 1" aria-label="Changes simulated" />
      <p class="label">
        Trying settings, parts, pads, fluid, ducts and laps; every session is simulated with each,
        {{ plan.job?.done }} of {{ plan.job?.of || "…" }}. It goes on while you look elsewhere.
      </p>
    </div>
    <p v-else-if="plan.job?.state === 'failed'" class="bad" role="status">{{ plan.job.trouble }}</p>
    <p v-else-if="plan.job?.state === 'interrupted'" class="watch" role="status">
      Plimbo was stopped in the middle of it. Make the plan again.
    </p>
    <template v-if="answer && !plan.running">
      <p v-if="stale" class="watch" role="status">Of the setup as it was before: plan again.</p>
      <p v-if="answer.way" class="bad">{{ showPhrase(answer.way) }}</p>
      <p v-for="each in answer.opens" :key="each.text">{{ showPhrase(each) }}</p>
      <TriedLine :tried="tried" @keep="keep" @put-back="putBack" />
      <PlanTable :class="{ stale }" :answer="answer" :plan="one" :done="plan.done" @put-on="putOn" />
      <p v-if="one" class="choice">
        <button
          class="plain-button"
          type="button"
          :disabled="stale || plan.done === one.steps.length"
          @click="putOn(one.steps.length)"
        >
          Try all {{ one.steps.length }}
        </button>
        <button class="plain-button" type="button" :disabled="stale" @click="keeping = true">
          Keep as a new setup…
        </button>
      </p>
      <div class="below">
        <StaysAmber v-if="one" :stays="one.stays" :sound="one.sound" />
        <PlanPins />
      </div>
      <KeepPlan v-if="one" v-model="keeping" :plan="one" :sessions="plan.sessions" />
    </template>
    <CautionLine />
  </section>
</template>

<style scoped>
.place {
  display: grid;
  align-content: start;
  gap: 0.5rem;
  padding: 0.5rem 1.1rem 1rem;
}
header {
  align-items: start;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  justify-content: space-between;
}
h1 {
  font-size: 1.35rem;
  font-weight: 600;
}
.aims,
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
.aims [aria-pressed="true"] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
progress {
  width: min(24rem, 100%);
}
.below {
  display: grid;
  gap: 1rem 2rem;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
}
.stale {
  opacity: 0.5;
}
@media (max-width: 760px) {
  .place {
    padding-inline: 0.7rem;
  }
  .below {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
