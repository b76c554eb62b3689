<script setup lang="ts">
// A rule in three lines: what must be so, from where on it is watched, from where on it is bad.
import type { Rule } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { showPhrase } from "@/units/units";

defineProps<{ rule: Rule }>();
</script>

<template>
  <dl class="rule-lines">
    <dt class="label">must</dt>
    <dd>{{ showPhrase(rule.must) }}</dd>
    <dt class="watch"><VerdictMark level="watch" /><span class="away">to be watched</span></dt>
    <dd>{{ showPhrase(rule.watch) }}</dd>
    <dt class="bad"><VerdictMark level="bad" /><span class="away">bad</span></dt>
    <dd>{{ showPhrase(rule.bad) }}</dd>
  </dl>
</template>

<style scoped>
.rule-lines {
  display: grid;
  font-size: 0.88rem;
  gap: 0.2rem 0.5rem;
  grid-template-columns: max-content 1fr;
  margin: 0.3rem 0;
}
dt > svg {
  vertical-align: -0.15em;
  width: 0.95em;
}
dd {
  margin: 0;
}
</style>
