<script setup lang="ts">
// The card on paper, with the sizes that it is for: one page, nothing around it, in black on white.
import { computed } from "vue";
import { showNumber, showPhrase, showSizes } from "@/units/units";
import { useLibrary } from "@/workbench/library";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import { hasTandem } from "@/documents/fitted";
import PaperSheet from "@/shell/PaperSheet.vue";
import CardTable from "./CardTable.vue";

const workbench = useWorkbench();
const library = useLibrary();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const tandem = computed(() => hasTandem(workbench.bench!.setup));
const fitted = computed(() =>
  (workbench.assessment?.joints ?? []).map((joint) => ({
    title: joint.title,
    size: showSizes(joint.sizes, joint.dimension),
  })),
);
const day = new Date().toISOString().slice(0, 10);
</script>

<template>
  <PaperSheet
    v-if="hydraulics.answer"
    class="card"
    data-card
    :title="library.car?.car.name ?? ''"
    :words="`${workbench.bench?.setup.name} · ${day}`"
  >
    <CardTable :work="hydraulics.answer" :tandem="tandem" />
    <p v-if="hydraulics.answer.card.band !== null" class="limits">
      Stay within {{ showNumber(hydraulics.answer.card.band, "turns") }} turns either way of the centre. The
      clevis ends it at {{ showNumber(hydraulics.answer.card.end, "turns") }}.
    </p>
    <p v-if="hydraulics.answer.card.warning" class="limits">
      <b>{{ showPhrase(hydraulics.answer.card.warning) }}</b>
    </p>
    <p v-for="words in hydraulics.answer.card.first_laps" :key="words.text" class="limits">
      {{ showPhrase(words) }}
    </p>
    <p class="sizes">
      <span v-for="one in fitted" :key="one.title"
        >{{ one.title }} <b>{{ one.size }}</b></span
      >
    </p>
    <p class="small">
      Turns are of the adjuster, toward the cylinder named. With each setting the front should just lock
      first. Estimates: try each slowly, on private ground, before you trust it. The organiser's rules come
      first.
    </p>
  </PaperSheet>
</template>

<style scoped>
.card {
  font-size: 1.05rem;
}
.limits {
  margin-top: 0.6rem;
}
.sizes {
  border-top: 1px solid #777;
  display: flex;
  flex-wrap: wrap;
  font-size: 0.95rem;
  gap: 0.1rem 1.2rem;
  margin-top: 0.6rem;
  padding-top: 0.4rem;
}
</style>
