<script setup lang="ts">
// A record that this Plimbo cannot read: the choices for it.
import Dialog from "primevue/dialog";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
</script>

<template>
  <Dialog
    :visible="library.unreadable !== null"
    modal
    header="It cannot be opened here"
    @update:visible="library.unreadable = null"
  >
    <template v-if="library.unreadable">
      <p>
        “{{ library.unreadable.name }}” cannot be read: a newer Plimbo saved it, or what is stored of it is
        damaged. Everything else opens. The raw file has what is stored, as it is.
      </p>
      <div>
        <a
          class="plain-button"
          :href="`/api/${library.unreadable.kind}s/${library.unreadable.id}/raw`"
          download
          >Take the raw file home</a
        >
        <button class="plain-button" type="button" @click="library.unreadable = null">Close</button>
      </div>
    </template>
  </Dialog>
</template>

<style scoped>
p {
  max-width: 30rem;
}
div {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 1rem;
}
</style>
