<script setup lang="ts">
// The card for the dashboard: the setting for each declared state, the limits of the bar, and a way to print it.
import { computed } from "vue";
import type { Setting } from "@/api/client";
import { WORDS } from "@/help/words";
import { show, showPhrase } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import PracticeNote from "@/working/PracticeNote.vue";
import { hasTandem } from "@/documents/fitted";
import CardSheet from "./CardSheet.vue";
import CardTable from "./CardTable.vue";

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const print = (): void => window.print();
const tandem = computed(() => hasTandem(workbench.bench!.setup));
const card = computed(() => hydraulics.answer?.card);
const setSo = (row: Setting) =>
  workbench.editAll(
    tandem.value ? "setup.valve.knee" : "setup.balance_bar.offset",
    Object.fromEntries(Object.entries(row.patch).map(([path, value]) => [`setup.${path}`, value])),
  );
</script>

<template>
  <p v-if="hydraulics.trouble" class="bad" role="alert">{{ hydraulics.trouble }}</p>
  <div v-else-if="hydraulics.answer && card" class="view">
    <header>
      <h2>{{ tandem ? "Valve knee for each state" : "Bar setting for each state" }}</h2>
      <p v-if="card.band !== null" class="label" :title="WORDS.band">
        stands at {{ show(card.now, "turns", true) }}; recommended range {{ show(card.band, "turns") }} either
        way; ends
        {{ show(card.end, "turns") }}
      </p>
      <button class="plain-button" type="button" @click="print">Print the card</button>
    </header>
    <Teleport to="body">
      <CardSheet class="print-only" />
    </Teleport>
    <p v-if="card.warning" class="watch">{{ showPhrase(card.warning) }}</p>
    <p v-for="words in card.first_laps" :key="words.text">{{ showPhrase(words) }}</p>
    <CardTable v-slot="{ row }" :work="hydraulics.answer" :tandem="tandem">
      <button
        v-if="Object.keys(row.patch).length"
        class="plain-button"
        type="button"
        :aria-label="`set it for ${row.state}`"
        @click="setSo(row)"
      >
        set it
      </button>
    </CardTable>
    <p v-if="!tandem" class="centred">
      <NumberTag label="bar centred, front needs" headline="front.needs.centred_bore" dimension="bore" />
      <NumberTag label="rear needs" headline="rear.needs.centred_bore" dimension="bore" />
    </p>
    <p class="label">
      With each setting the front just locks first, rear pads biting
      {{ show(workbench.bench?.setup.pad_tolerance, "share") }} more.
    </p>
    <PracticeNote v-if="!tandem" topic="bar" />
  </div>
</template>

<style scoped>
.view {
  display: grid;
  align-content: start;
  font-size: 0.9rem;
  gap: 0.2rem;
}
header {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
header .plain-button {
  margin-left: auto;
}
.centred {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
.plain-button {
  min-height: 1.6rem;
  padding: 0 0.6rem;
  color: var(--ink);
  text-decoration: none;
}
</style>
