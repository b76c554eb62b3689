<script setup lang="ts">
// A name, edited in place: Enter saves it, Escape restores the old one.
import { onMounted, ref, useTemplateRef } from "vue";

const props = defineProps<{ name: string; label: string; fault: string }>();
const emit = defineEmits<{ named: [name: string]; closed: [] }>();
const typed = ref(props.name);
const entry = useTemplateRef<HTMLInputElement>("entry");
onMounted(() => entry.value?.select());

function accept(): void {
  const name = typed.value.trim();
  if (name === props.name) emit("closed");
  else if (name) emit("named", name);
}
</script>

<template>
  <form @submit.prevent="accept">
    <input
      ref="entry"
      v-model="typed"
      :aria-label="label"
      :aria-invalid="Boolean(fault)"
      maxlength="80"
      autocomplete="off"
      @keydown.esc.prevent="emit('closed')"
    />
    <button class="plain-button" type="submit" :disabled="!typed.trim()">Done</button>
    <button class="plain-button" type="button" @click="emit('closed')">Leave it</button>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
  </form>
</template>

<style scoped>
form {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
}
input {
  background: var(--paper);
  border: 1px solid var(--soft);
  min-height: 1.9rem;
  padding: 0.1rem 0.4rem;
  width: 13rem;
}
p {
  flex-basis: 100%;
  font-size: 0.85rem;
}
</style>
