<script setup lang="ts">
// The changes of one size that mend a verdict, found by the server; each can be tried on and put back.
import { computed } from "vue";
import type { Mend, Verdict } from "@/api/client";
import { showPhrase, showSizes } from "@/units/units";
import { useAdvice } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import TriedLine from "./TriedLine.vue";
import { useTryOn } from "./tryOn";

const props = defineProps<{ verdict: Verdict }>();
const emit = defineEmits<{ tried: [] }>();
const workbench = useWorkbench();
const advice = useAdvice();
advice.keepFresh();
/** Of an earlier bench they are only looked at, until those of this one are there. */
const fresh = computed(() => advice.answer !== null && !advice.stale);
const mends = computed(() =>
  props.verdict.level === "good"
    ? []
    : (advice.answer?.find((one) => one.key === props.verdict.key)?.mends ?? []),
);
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
    <p v-if="advice.trouble && !advice.asking" class="bad" role="status">{{ advice.trouble }}</p>
    <p v-else-if="!mends.length && verdict.level !== 'good'" class="label" role="status">
      {{
        fresh ? "No single change on the shelf mends this: change two, or the car." : "Trying what mends it…"
      }}
    </p>
    <ul class="changes" :class="{ stale: !fresh }">
      <li v-for="mend in mends" :key="mend.joint + mend.swap.sizes">
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
