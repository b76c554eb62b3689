<script setup lang="ts">
// What is printed: one page, nothing around it, in black on white.
defineProps<{ title: string; words: string; wide?: string }>();
const print = (): void => window.print();
</script>

<template>
  <article class="paper" :style="{ maxWidth: wide ?? '44rem' }">
    <header>
      <h1>{{ title }}</h1>
      <p>{{ words }}</p>
      <button class="plain-button" type="button" @click="print">Print</button>
    </header>
    <slot />
  </article>
</template>

<style scoped>
.paper {
  background: #fff;
  border: 1.5px solid #000;
  color: #000;
  margin: 1.2rem auto;
  padding: 1rem 1.2rem;
  --rule: #777;
  --soft: #333;
  --ink: #000;
  --bad: #000;
  --watch: #000;
  --good: #000;
}
.paper :slotted(.small) {
  font-size: 0.8rem;
  margin-top: 0.6rem;
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
@media print {
  .paper {
    margin: 0;
    max-width: none !important;
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
