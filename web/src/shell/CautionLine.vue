<script setup lang="ts">
// The usual cautions; once read they fold to one line.
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
</script>

<template>
  <p class="label caution">
    Estimates, not a design approval.
    <template v-if="!library.desk.caution_read"
      ><slot>
        A competent person inspects hydraulics and mountings before the car moves; the organiser's rules and
        road law come first. First stops slow, on private ground.
      </slot></template
    >
    <button type="button" @click="library.desk.caution_read = !library.desk.caution_read">
      {{ library.desk.caution_read ? "read again" : "read" }}
    </button>
  </p>
</template>

<style scoped>
button {
  text-decoration: underline;
  text-underline-offset: 2px;
}
</style>
