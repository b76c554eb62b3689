<script setup lang="ts">
import { useEventListener } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { api, ask, Refused } from "@/api/client";
import { learnSchema } from "@/documents/schema";
import { addressOf, PLACES, placesWith } from "@/router";
import HelpDialog from "@/help/HelpDialog.vue";
import { helpShown } from "@/help/helpShown";
import { goToJoint } from "@/places/chain/jointKeys";
import MendingPlace from "@/places/mending/MendingPlace.vue";
import ConflictDialog from "@/shell/ConflictDialog.vue";
import HeadBar from "@/shell/HeadBar.vue";
import PlainHead from "@/shell/PlainHead.vue";
import RailNav from "@/shell/RailNav.vue";
import VerdictStrip from "@/shell/VerdictStrip.vue";
import SideSheet from "@/working/SideSheet.vue";
import { provideEditor } from "@/documents/editor";
import { units } from "@/units/units";
import { benchEditor } from "@/workbench/benchEditor";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";

provideEditor(benchEditor());
const library = useLibrary();
const workbench = useWorkbench();
const route = useRoute();
const router = useRouter();
const trouble = ref("");
const ready = ref(false);
const labelled = ref(false);
const drawn = computed(() => labelled.value && workbench.assessment !== null);
const mending = computed(() => labelled.value && workbench.bench !== null && !workbench.assessment);
/** The raw file of a setup that cannot be opened, where the address names one. */
const rawFile = ref("");
const opened = computed(() => String(route.params.setupId ?? ""));
const noBench = computed(() => route.meta.needsBench === false);
/** The setup that the places show: the opened one, or the one open before the garage. */
const atHand = computed(() => opened.value || library.setup?.id || library.desk.setup_id || "");

async function start(): Promise<void> {
  // Labels and help may arrive while the setup is being opened.
  ask(api.GET("/api/schema")).then((schema) => {
    learnSchema(schema);
    labelled.value = true;
  }, explain);
  const [table, desk] = await Promise.all([ask(api.GET("/api/units")), ask(api.GET("/api/desk"))]);
  units.table = table;
  library.desk = desk;
  workbench.stateName = desk.state;
  ready.value = true;
  await router.isReady();
  if (!opened.value && !noBench.value) await goHome();
}

async function goHome(): Promise<void> {
  const setupId = library.desk.setup_id;
  const place = PLACES.find((one) => one.name === library.desk.place);
  if (!setupId || place?.needsBench === false) {
    await router.replace(addressOf(place?.name ?? "", ""));
    return;
  }
  // Requested while the scripts of its place are still loading; an error is shown once it has the address.
  void library.open(setupId).catch(() => undefined);
  await router.replace(addressOf(place?.name ?? "chain", setupId));
}

function explain(error: unknown): void {
  trouble.value =
    error instanceof Refused ? error.problem.detail : "Something went wrong here. Load the page again.";
  if (error instanceof Refused && error.problem.status === 404) {
    library.desk.setup_id = null;
    library.notice = "The setup of that address is not here. Was it deleted?";
    router.replace({ name: "garage" }).then(
      () => (trouble.value = ""),
      () => undefined,
    );
  }
}

watch([opened, ready], async ([setupId, isReady]) => {
  if (!setupId || !isReady || library.setup?.id === setupId) return;
  try {
    await library.open(setupId);
    trouble.value = rawFile.value = "";
    if (library.setup && library.setup.id !== setupId) await backTo(library.setup.id);
  } catch (error) {
    if (!library.setup) {
      rawFile.value = error instanceof Refused && error.unreadable ? `/api/setups/${setupId}/raw` : "";
      explain(error);
      return;
    }
    // The address returns to what is still on the bench.
    library.notice = error instanceof Refused ? error.problem.detail : "It could not be opened.";
    await backTo(library.setup.id);
  }
});

const backTo = (setupId: string) => router.replace({ name: route.name ?? "chain", params: { setupId } });

/** Away from a setup that cannot be opened, to one that can. */
async function openAnother(): Promise<void> {
  library.desk.setup_id = null;
  trouble.value = rawFile.value = "";
  await goHome();
}
watch([() => library.setup?.id, () => route.name, () => workbench.stateName], ([setupId, place, state]) => {
  const here = PLACES.find((one) => one.name === place);
  if (!ready.value || !here) return;
  if (!setupId) {
    if (!here.needsBench) library.desk = { ...library.desk, place: here.name };
    return;
  }
  library.desk = { ...library.desk, setup_id: setupId, place: String(place ?? "chain"), state };
});
watch(
  () => [library.car?.car.name, workbench.bench?.setup.name, String(route.name ?? "")],
  ([car, setup]) => {
    const what = noBench.value ? route.meta.title : car ? `${car}, ${setup}` : "";
    document.title = what ? `${what}: Plimbo` : "Plimbo";
  },
);

useEventListener("keydown", (event: KeyboardEvent) => {
  const typing = (event.target as HTMLElement).closest(
    "input, textarea, select, [role=combobox], [role=dialog], [role=listbox], [role=menu]",
  );
  if (typing) return;
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") {
    event.preventDefault();
    void (event.shiftKey ? workbench.redo() : workbench.undo());
  } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "y") {
    event.preventDefault();
    void workbench.redo();
  } else if (!event.ctrlKey && !event.metaKey && !event.altKey) {
    const place = PLACES.find((one) => one.key === event.key);
    if (place) void router.push(addressOf(place.name, atHand.value));
    if (event.key === "?") helpShown.value = true;
    if (route.name === "chain") goToJoint(event.key);
    if (event.key === "b" && !noBench.value) void library.toggleBaseline();
  }
});

const places = computed(() =>
  placesWith(atHand.value).map((place) => ({ ...place, to: addressOf(place.name, atHand.value) })),
);
const skip = () => document.getElementById("work")?.focus();

start().catch(explain);
</script>

<template>
  <RouterView v-if="drawn && route.meta.alone" />
  <div v-else class="sheet">
    <a class="skip" href="#work" @click.prevent="skip">To the work</a>
    <RailNav :places="places" />
    <template v-if="noBench">
      <PlainHead />
      <main v-if="ready && labelled" class="tall"><RouterView /></main>
      <ConflictDialog />
    </template>
    <template v-else-if="drawn">
      <HeadBar />
      <VerdictStrip />
      <main id="work" tabindex="-1">
        <RouterView />
      </main>
      <SideSheet />
      <ConflictDialog />
    </template>
    <template v-else-if="mending">
      <HeadBar />
      <main class="tall"><MendingPlace /></main>
      <ConflictDialog />
    </template>
    <main v-else class="empty" aria-live="polite">
      <h1>Plimbo</h1>
      <p>{{ trouble || "Laying the drawing out…" }}</p>
      <p v-if="trouble" class="next">
        <button class="plain-button" type="button" @click="start().catch(explain)">Try again</button>
        <a v-if="rawFile" class="plain-button" :href="rawFile" download>Take the raw file home</a>
        <button class="plain-button" type="button" @click="openAnother().catch(explain)">Open another</button>
      </p>
    </main>
    <HelpDialog v-model="helpShown" />
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template: auto auto 1fr / 5rem minmax(0, 1fr);
  height: 100%;
}
.sheet > nav {
  grid-row: 1 / -1;
}
main:focus-visible {
  outline: none;
}
.skip {
  background: var(--paper);
  border: 1px solid var(--ink);
  left: 0.4rem;
  padding: 0.4rem 0.7rem;
  position: fixed;
  opacity: 0;
  pointer-events: none;
  top: 0.4rem;
  z-index: 30;
}
.skip:focus {
  opacity: 1;
}
@media (max-width: 760px) {
  /* One column; the page scrolls, not a part of it. */
  .sheet {
    display: block;
    height: auto;
  }
  .sheet > main {
    overflow: visible;
  }
}
main {
  min-height: 0;
  overflow: auto;
}
.tall {
  grid-row: 2 / -1;
}
.next {
  display: flex;
  gap: 0.5rem;
}
.empty {
  grid-row: 1 / -1;
  display: grid;
  gap: 1rem;
  place-content: center;
  justify-items: start;
  padding: 0 1.1rem;
}
.empty p {
  max-width: 40rem;
}
</style>
