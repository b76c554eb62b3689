<script setup lang="ts">
// The places, each a word and a key; on a phone in a row that scrolls sideways.
import { nextTick, onMounted, useTemplateRef, watch } from "vue";
import { useRoute, type RouteLocationRaw } from "vue-router";

defineProps<{ places: readonly { name: string; title: string; key: string; to: RouteLocationRaw }[] }>();
const rail = useTemplateRef<HTMLElement>("rail");
const route = useRoute();

/** Where the row is longer than the screen, the current place is visible. */
async function showHere(): Promise<void> {
  await nextTick();
  rail.value?.querySelector(".here")?.scrollIntoView({ block: "nearest", inline: "nearest" });
}
onMounted(showHere);
watch(() => route.name, showHere);
</script>

<template>
  <nav ref="rail" aria-label="Places" data-scrolls="phone">
    <svg class="mark" viewBox="0 0 32 32" aria-hidden="true">
      <path d="M4 16h7M11 9v14" stroke="var(--ink)" />
      <path d="M11 9h9" stroke="var(--front)" />
      <path d="M11 23h9" stroke="var(--rear)" stroke-dasharray="3.5 2" />
      <circle cx="25" cy="9" r="4.2" stroke="var(--front)" />
      <circle cx="25" cy="23" r="4.2" stroke="var(--rear)" />
    </svg>
    <RouterLink v-for="place in places" :key="place.name" :to="place.to" active-class="here">
      {{ place.title }} <kbd aria-hidden="true">{{ place.key }}</kbd>
    </RouterLink>
  </nav>
</template>

<style scoped>
nav {
  border-right: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  padding-top: 0.7rem;
}
.mark {
  width: 2.3rem;
  margin: 0 auto 1.1rem;
  fill: none;
  stroke-width: 2.2;
}
a {
  border-left: 3px solid transparent;
  color: var(--soft);
  display: flex;
  font-family: var(--narrow);
  font-weight: 500;
  font-size: 1.02rem;
  justify-content: space-between;
  align-items: baseline;
  min-height: 2.7rem;
  padding: 0.6rem 0.4rem 0.6rem 0.6rem;
  text-decoration: none;
}
a:hover {
  color: var(--ink);
}
a.here {
  background: var(--tint);
  border-color: var(--ink);
  color: var(--ink);
}
kbd {
  font-family: var(--narrow);
  font-size: 0.75rem;
  color: var(--soft);
}
@media (max-width: 760px) {
  nav {
    border-bottom: 1px solid var(--rule);
    border-right: 0;
    flex-direction: row;
    overflow-x: auto;
    padding: 0;
    scrollbar-width: none;
  }
  .mark,
  kbd {
    display: none;
  }
  a {
    border-bottom: 3px solid transparent;
    border-left: 0;
    flex: 1 0 auto;
    justify-content: center;
    min-height: 2.75rem;
    min-width: 3.4rem;
    padding-inline: 0.6rem;
  }
}
</style>
