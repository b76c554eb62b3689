<script setup lang="ts">
// The usual cautions, one line that opens; it stands out until they have been read once.
import Popover from "primevue/popover";
import { useTemplateRef } from "vue";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
const cautions = useTemplateRef("cautions");

function open(event: Event): void {
  library.desk.caution_read = true;
  cautions.value?.toggle(event);
}
</script>

<template>
  <p class="label caution" :class="{ watch: !library.desk.caution_read }">
    Estimates, not a design approval.
    <button type="button" aria-haspopup="dialog" @click="open">
      {{ library.desk.caution_read ? "cautions" : "read the cautions" }}
    </button>
    <Popover ref="cautions" aria-label="Cautions">
      <p class="all">
        <slot>
          A competent person inspects hydraulics and mountings before the car moves; the organiser's rules and
          road law come first. First stops slow, on private ground.
        </slot>
      </p>
    </Popover>
  </p>
</template>

<style scoped>
button {
  text-decoration: underline;
  text-underline-offset: 2px;
}
.all {
  max-width: 22rem;
}
</style>
