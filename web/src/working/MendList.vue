<script setup lang="ts">
// The changes of one size that mend a verdict, found by the server; each can be tried on and put back.
import type { Mend, Verdict } from "@/api/client";
import { showPhrase, showSizes } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import TriedLine from "./TriedLine.vue";
import { useTryOn } from "./tryOn";

defineProps<{ verdict: Verdict }>();
const emit = defineEmits<{ tried: [] }>();
const workbench = useWorkbench();
const { tried, tryOn, putBack, keep } = useTryOn();

function changeOf(mend: Mend): string {
  const now = showSizes(mend.swap.sizes, mend.dimension);
  return mend.before.length
    ? `${mend.title} ${showSizes(mend.before, mend.dimension)} → ${now}`
    : `${mend.title} ${now}`;
}

function fit(mend: Mend): void {
  emit("tried");
  void tryOn(changeOf(mend), () => workbench.fit(`setup.${mend.joint}`, mend.swap));
}
</script>

<template>
  <div class="mends">
    <TriedLine :tried="tried" @keep="keep" @put-back="putBack" />
    <p v-if="!verdict.mends.length && verdict.level !== 'good'" class="label">
      No single change on the shelf mends this: change two, or the car.
    </p>
    <ul class="changes">
      <li v-for="mend in verdict.mends" :key="mend.joint + mend.swap.sizes">
        <p class="change">
          {{ changeOf(mend) }}
        </p>
        <p :class="mend.level">{{ showPhrase(mend.effect) }}</p>
        <p v-if="mend.disturbs?.length" class="watch">but: {{ mend.disturbs.join(", ").toLowerCase() }}</p>
        <button class="plain-button" type="button" @click="fit(mend)">try on</button>
      </li>
    </ul>
  </div>
</template>
