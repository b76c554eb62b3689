<script setup lang="ts">
// A formula, or the range in which it holds, with its signs or with its numbers: `{n}` stands for the nth input.
import { computed } from "vue";
import type { Step } from "@/api/client";

const props = defineProps<{ step: Step; steps: readonly Step[]; numbers?: boolean; range?: boolean }>();

/** Plain decimals with seven digits, as one types them into a calculator. */
function plain(value: number | null): string {
  if (value === null) return "∞";
  const rounded = Number(value.toPrecision(7));
  const places = rounded === 0 ? 0 : Math.max(0, 6 - Math.floor(Math.log10(Math.abs(rounded))));
  const text = rounded
    .toFixed(Math.min(20, places))
    .replace(/(\.\d*?)0+$/, "$1")
    .replace(/\.$/, "");
  return rounded < 0 ? `(−${text.slice(1)})` : text;
}

const parts = computed(() =>
  ((props.range ? props.step.valid : props.step.formula) ?? "").split(/(\{\d+\})/).map((text) => {
    const input = /^\{(\d+)\}$/.exec(text);
    const from = input ? props.steps[props.step.inputs[Number(input[1])] ?? -1] : undefined;
    if (!from) return { text, sub: "" };
    if (props.numbers) return { text: plain(from.value), sub: "" };
    const [base = "", sub = ""] = from.symbol.split(/_(.*)/s);
    return { text: base, sub };
  }),
);
</script>

<template>
  <span class="formula"
    ><template v-for="(part, index) in parts" :key="index"
      >{{ part.text }}<sub v-if="part.sub">{{ part.sub }}</sub></template
    ><template v-if="numbers"> = {{ plain(step.value) }}</template></span
  >
</template>

<style scoped>
.formula {
  overflow-wrap: anywhere;
}
sub {
  font-size: 0.72em;
  line-height: 0;
}
</style>
