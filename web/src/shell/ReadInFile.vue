<script setup lang="ts">
// Reads in a setup file and goes to it; errors of a file are shown in the server's words.
import { ref, useTemplateRef } from "vue";
import { useRouter } from "vue-router";
import { Refused } from "@/api/client";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
const router = useRouter();
const picker = useTemplateRef<HTMLInputElement>("picker");
const message = ref("");

async function readIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  try {
    const setupId = await library.readFile(file);
    message.value = "";
    await router.push({ name: "chain", params: { setupId } });
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    message.value = `${file.name}: ${error.problem.detail}`;
  } finally {
    input.value = "";
  }
}

defineExpose({ choose: () => picker.value?.click() });
</script>

<template>
  <div class="reading">
    <input
      ref="picker"
      type="file"
      accept=".json,application/json"
      class="away"
      tabindex="-1"
      aria-label="Setup file"
      @change="readIn"
    />
    <p v-if="message" role="alert" class="bad">
      {{ message }} <button class="plain-button" type="button" @click="message = ''">Close</button>
    </p>
  </div>
</template>

<style scoped>
.reading {
  grid-column: 1 / -1;
  position: relative;
}
.reading:not(:has(p)) {
  position: absolute;
}
</style>
