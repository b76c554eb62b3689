<script setup lang="ts">
// How sure the lock order is: the draws in which the rear locks first, and what is worth measuring next.
import DocumentField from "@/fields/DocumentField.vue";
import { useUncertainty } from "@/workbench/question";
import ChanceBars from "@/working/ChanceBars.vue";
import DoubtBars from "@/working/DoubtBars.vue";

const DOUBTS = ["pad_friction", "tyre_friction", "tyre_difference", "cg_height"];
const uncertainty = useUncertainty();
uncertainty.keepFresh();
</script>

<template>
  <div class="sure">
    <section aria-label="What is not known exactly">
      <h2>Uncertainty</h2>
      <DocumentField v-for="name in DOUBTS" :key="name" :path="`car.doubt.${name}`" />
    </section>
    <section v-if="uncertainty.answer" aria-label="Likely cars with the rear first">
      <h2>How likely the rear locks first</h2>
      <p class="label">
        Of {{ uncertainty.answer.draws.toLocaleString("en-GB").replace(",", "\u202f") }} likely cars, each
        with pads, tyres and height within what is known.
      </p>
      <ChanceBars />
    </section>
    <section v-if="uncertainty.answer" aria-label="What to measure next">
      <h2>What the doubt comes from</h2>
      <DoubtBars />
    </section>
  </div>
</template>

<style scoped>
.sure {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(15.5rem, 1.1fr) minmax(0, 1fr) minmax(0, 1fr);
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
.sure :deep(.field) {
  grid-template-columns: 1fr 5rem 3.6rem;
}
@media (max-width: 1150px) {
  .sure {
    gap: 0.6rem 1.2rem;
    grid-template-columns: 1fr 1fr;
  }
  .sure > :first-child {
    column-gap: 1.2rem;
    display: grid;
    grid-column: 1 / -1;
    grid-template-columns: 1fr 1fr;
  }
  .sure > :first-child h2 {
    grid-column: 1 / -1;
  }
}
</style>
