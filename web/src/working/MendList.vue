<script setup lang="ts">
// The changes that mend a verdict, one or two together, found by the server; each can be tried on and undo it.
import { computed } from "vue";
import type { Mend, Verdict } from "@/api/client";
import { useAdvice } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import MendEffect from "./MendEffect.vue";
import { changeOf } from "./mend";
import TriedLine from "./TriedLine.vue";
import { useTryOn } from "./tryOn";

const props = defineProps<{ verdict: Verdict }>();
const emit = defineEmits<{ tried: []; kept: [] }>();
const workbench = useWorkbench();
const advice = useAdvice();
advice.keepFresh();
/** Those of an earlier bench cannot be tried, until those of this one have arrived. */
const fresh = computed(() => advice.answer !== null && !advice.stale);
const own = computed(() =>
  props.verdict.level === "good" || props.verdict.level === "open"
    ? null
    : (advice.answer?.advice.find((one) => one.key === props.verdict.key) ?? null),
);
const { tried, tryOn, putBack, keep } = useTryOn();

function fit(mend: Mend): void {
  emit("tried");
  const { patch, parts } = mend;
  void tryOn(changeOf(mend), () => workbench.fit(`setup.${parts[0]?.joint ?? ""}`, { patch, sizes: [] }));
}
function kept(): void {
  keep();
  emit("kept");
}
</script>

<template>
  <div class="mends">
    <TriedLine :tried="tried" @keep="kept" @put-back="putBack" />
    <template v-if="verdict.level === 'watch' || verdict.level === 'bad'">
      <p v-if="advice.trouble && !advice.asking" class="bad" role="status">{{ advice.trouble }}</p>
      <p v-else-if="!fresh && !own" class="label" role="status">Calculating fixes…</p>
      <p v-else-if="own && !own.mended" class="label" role="status">
        No one or two parts surely fix this{{ own.mends.length ? "; these bring it nearer." : "." }}
        <RouterLink class="plain-button" :to="{ name: 'plan' }">Plan for the whole car</RouterLink>
      </p>
    </template>
    <ul class="changes" :class="{ stale: !fresh }">
      <li v-for="mend in own?.mends ?? []" :key="changeOf(mend)">
        <MendEffect :mend="mend" />
        <button
          class="plain-button"
          type="button"
          :disabled="!fresh"
          :aria-label="`try: ${changeOf(mend)}`"
          @click="fit(mend)"
        >
          try
        </button>
      </li>
    </ul>
  </div>
</template>
