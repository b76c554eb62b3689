<script setup lang="ts">
// The new car step by step, in the order in which a preparer learns its values; every step may be skipped or revisited.
import { computed, nextTick, ref, useTemplateRef, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { isUnconfirmed } from "@/documents/marks";
import DocumentField from "@/fields/DocumentField.vue";
import { provideHelp } from "@/fields/help";
import NewSession from "@/sessions/NewSession.vue";
import SideView from "@/drawings/SideView.vue";
import TakeOver from "@/working/TakeOver.vue";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import MeasureNext from "@/working/MeasureNext.vue";
import { STEPS } from "./steps";

provideHelp();

const workbench = useWorkbench();
const route = useRoute();
const router = useRouter();
const measurements = useMeasurements();
measurements.keepFresh();
const form = useTemplateRef<HTMLFormElement>("form");
const at = ref(0);
const step = computed(() => STEPS[at.value]!);
const setup = computed(() => workbench.bench!.setup);
const groups = computed(() => step.value.groups(setup.value));
const sessions = computed(() => workbench.bench?.car.sessions ?? []);

/** The number of values of a step not given yet. */
const open = (place: number): number =>
  STEPS[place]!.groups(setup.value)
    .flatMap((group) => group.paths)
    .filter((path) => isUnconfirmed(workbench.bench, path)).length;
const leftHere = computed(() =>
  groups.value.flatMap((group) => group.paths).filter((path) => isUnconfirmed(workbench.bench, path)),
);

const fields = (): HTMLElement[] =>
  Array.from(form.value?.querySelectorAll<HTMLElement>("input, select") ?? []).filter(
    (one) => !one.closest("[data-other]"),
  );

/** Enter takes what was typed and goes on, to the next step from the last field. */
async function toNextStep(event: KeyboardEvent): Promise<void> {
  const here = event.target as HTMLElement;
  await nextTick();
  if (here.getAttribute("aria-invalid") === "true") return;
  const all = fields();
  const next = all[all.indexOf(here) + 1];
  if (!all.includes(here)) return;
  if (next) next.focus();
  else await go(at.value + 1);
}

async function go(place: number): Promise<void> {
  await nextTick();
  // Text that was not accepted stays until it is corrected or discarded.
  const untaken = form.value?.querySelector<HTMLElement>("[aria-invalid=true]");
  if (untaken) {
    untaken.focus();
    return;
  }
  if (place >= STEPS.length) {
    void router.push({ name: "chain", params: route.params });
    return;
  }
  at.value = place;
  await nextTick();
  fields()[0]?.focus();
}

watch(
  () => route.params.setupId,
  () => (at.value = 0),
);
</script>

<template>
  <div class="begin">
    <nav aria-label="Steps">
      <ol>
        <li v-for="(one, place) in STEPS" :key="one.key">
          <button type="button" :aria-current="place === at ? 'step' : undefined" @click="go(place)">
            {{ place + 1 }} {{ one.title }}
            <span class="label">{{ open(place) ? `${open(place)} assumed` : "all given" }}</span>
          </button>
        </li>
      </ol>
      <button class="plain-button" type="button" @click="go(STEPS.length)">To the chain</button>
    </nav>
    <form ref="form" :aria-label="step.title" @submit.prevent @keydown.enter="toNextStep">
      <h1>{{ step.title }}</h1>
      <p class="label">Type what you know; Enter goes to the next. The rest stays assumed.</p>
      <div class="groups">
        <section v-for="group in groups" :key="group.title" :aria-label="group.title">
          <h2 :class="/^(front|rear)/.exec(group.title)?.[0]">{{ group.title }}</h2>
          <DocumentField
            v-for="path in group.paths"
            :key="path"
            :path="path"
            :context="/^(front|rear)/.test(group.title) ? group.title : ''"
          />
        </section>
        <TakeOver
          v-if="step.key === 'weight' && measurements.answer?.weighing"
          :takes="measurements.answer.weighing.takes"
          what="the weighing"
        />
      </div>
      <div v-if="step.key === 'ducts'" data-other>
        <p v-if="sessions.length" class="label">
          Sessions: {{ sessions.map((one) => one.name).join(", ") }}. Their temperatures are in place Heat,
          the ducts in place Air.
        </p>
        <NewSession v-else :done="() => undefined" />
      </div>
      <!-- The drawing of the car grows with the answers. -->
      <div v-if="['weight', 'tyres'].includes(step.key)" class="drawing drawing-window" data-scrolls="phone">
        <SideView />
      </div>
      <p class="next">
        <button v-if="at" class="plain-button" type="button" @click="go(at - 1)">Back</button>
        <button class="plain-button" type="button" @click="go(at + 1)">
          {{ at + 1 < STEPS.length ? `Next: ${STEPS[at + 1]!.title}` : "Done: to the chain" }}
        </button>
        <button
          v-if="leftHere.length"
          class="plain-button"
          type="button"
          @click="workbench.confirm(...leftHere)"
        >
          Confirm all
        </button>
      </p>
    </form>
    <MeasureNext />
  </div>
</template>

<style scoped>
.begin {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: 10.8rem minmax(0, 2.6fr) minmax(15rem, 1fr);
  height: 100%;
  padding: 0.7rem 1.1rem;
}
.begin > * {
  min-height: 0;
  overflow: auto;
}
ol {
  list-style: none;
  margin-bottom: 0.8rem;
}
ol button {
  border-left: 3px solid transparent;
  min-height: 2.6rem;
  padding: 0.25rem 0.6rem;
  width: 100%;
}
ol button .label {
  display: block;
}
ol [aria-current] {
  background: var(--tint);
  border-color: var(--ink);
}
h1 {
  font-size: 1.2rem;
  font-weight: 600;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
h2::first-letter {
  text-transform: uppercase;
}
.groups {
  align-items: start;
  margin-top: 0.4rem;
  display: grid;
  gap: 0.8rem 1.8rem;
  grid-template-columns: repeat(auto-fit, minmax(min(21rem, 100%), 1fr));
}
.drawing > * {
  height: 17.5rem;
}
.next {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding: 0.4rem 0;
}
@media (max-width: 1150px) {
  .begin {
    grid-template-columns: 10rem minmax(0, 1fr);
    height: auto;
  }
  .begin > :last-child {
    grid-column: 1 / -1;
  }
}
@media (max-width: 700px) {
  .begin {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
