<script setup lang="ts">
// The changes of one size that mend a verdict, found by the server; each can be tried on and put back.
import { computed, ref } from "vue";
import type { Mend, Verdict } from "@/api/client";
import { showPhrase, showSizes } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";

const props = defineProps<{ verdict: Verdict }>();
const workbench = useWorkbench();
const tried = ref<{ title: string; changes: number } | null>(null);
const canPutBack = computed(() => tried.value !== null && tried.value.changes === workbench.changes);

function changeOf(mend: Mend): string {
  const now = showSizes(mend.swap.sizes, mend.dimension);
  return mend.before.length
    ? `${mend.title} ${showSizes(mend.before, mend.dimension)} → ${now}`
    : `${mend.title} ${now}`;
}

async function tryOn(mend: Mend): Promise<void> {
  if (await workbench.fit(`setup.${mend.joint}`, mend.swap))
    tried.value = { title: changeOf(mend), changes: workbench.changes };
}

async function putBack(): Promise<void> {
  await workbench.undo();
  tried.value = null;
}
</script>

<template>
  <div class="mends">
    <p v-if="tried && canPutBack" class="tried" role="status">
      <span>Tried on: {{ tried.title }}</span>
      <span class="choice">
        <button class="plain-button" type="button" @click="tried = null">keep</button>
        <button class="plain-button" type="button" @click="putBack">put back</button>
      </span>
    </p>
    <p v-if="!props.verdict.mends.length && props.verdict.level !== 'good'" class="label">
      No single change on the shelf mends this: change two, or the car.
    </p>
    <ul>
      <li v-for="mend in verdict.mends" :key="mend.joint + mend.swap.sizes">
        <p class="change">
          {{ changeOf(mend) }}
        </p>
        <p :class="mend.level">{{ showPhrase(mend.effect) }}</p>
        <p v-if="mend.disturbs?.length" class="watch">but: {{ mend.disturbs.join(", ").toLowerCase() }}</p>
        <button class="plain-button" type="button" @click="tryOn(mend)">try on</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
}
li {
  align-items: center;
  border-top: 1px solid var(--rule);
  column-gap: 0.5rem;
  display: grid;
  grid-template-columns: 1fr auto;
  padding: 0.3rem 0;
}
li p {
  font-size: 0.88rem;
}
.change {
  font-weight: 500;
}
li button {
  grid-column: 2;
  grid-row: 1 / 4;
}
.choice {
  display: flex;
  gap: 0.3rem;
}
.tried {
  align-items: center;
  display: flex;
  font-size: 0.88rem;
  gap: 0.5rem;
  justify-content: space-between;
  padding: 0.3rem 0;
}
</style>
