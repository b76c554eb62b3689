<script setup lang="ts">
// The card on paper: one page, nothing around it, in black on white.
import { computed } from "vue";
import { showNumber, showPhrase } from "@/units/units";
import { useLibrary } from "@/workbench/library";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import { hasTandem } from "../fitted";
import CardTable from "./CardTable.vue";

const workbench = useWorkbench();
const library = useLibrary();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const tandem = computed(() => hasTandem(workbench.bench!.setup));
const print = (): void => window.print();
const day = new Date().toISOString().slice(0, 10);
</script>

<template>
  <article v-if="hydraulics.answer" class="card" data-card>
    <header>
      <h1>{{ library.car?.car.name }}</h1>
      <p>{{ workbench.bench?.setup.name }} · {{ day }}</p>
      <button class="plain-button" type="button" @click="print">Print</button>
    </header>
    <CardTable :work="hydraulics.answer" :tandem="tandem" />
    <p v-if="hydraulics.answer.card.band !== null" class="limits">
      Stay within {{ showNumber(hydraulics.answer.card.band, "turns") }} turns either way of the centre. The
      clevis ends it at {{ showNumber(hydraulics.answer.card.end, "turns") }}.
    </p>
    <p v-if="hydraulics.answer.card.warning" class="limits">
      <b>{{ showPhrase(hydraulics.answer.card.warning) }}</b>
    </p>
    <p class="small">
      Turns are of the adjuster, toward the cylinder named. With each setting the front should just lock
      first. Estimates: try each slowly, on private ground, before you trust it. The organiser's rules come
      first.
    </p>
  </article>
</template>

<style scoped>
.card {
  background: #fff;
  border: 1.5px solid #000;
  color: #000;
  font-size: 1.05rem;
  margin: 1.2rem auto;
  max-width: 44rem;
  padding: 1rem 1.2rem;
  --rule: #777;
  --soft: #333;
  --ink: #000;
  --bad: #000;
}
header {
  align-items: baseline;
  display: flex;
  gap: 1rem;
}
h1 {
  font-size: 1.5rem;
}
header button {
  color: #000;
  margin-left: auto;
}
.limits {
  margin-top: 0.6rem;
}
.small {
  font-size: 0.8rem;
  margin-top: 0.6rem;
}
@media print {
  .card {
    margin: 0;
    max-width: none;
  }
  header button {
    display: none;
  }
}
</style>

<style>
@media print {
  body {
    background: #fff;
  }
}
</style>
