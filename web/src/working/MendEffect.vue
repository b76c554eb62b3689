<script setup lang="ts">
// One change, or two together: its effect, and what it makes worse elsewhere.
import type { Mend } from "@/api/client";
import { showPhrase } from "@/units/units";
import { changeOf } from "./mend";

defineProps<{ mend: Mend }>();
</script>

<template>
  <p class="change">{{ changeOf(mend) }}</p>
  <p :class="mend.level">
    <template v-if="mend.level !== 'good'">{{ mend.word }}: </template>{{ showPhrase(mend.effect) }}
  </p>
  <p v-for="cost in mend.costs" :key="cost.matter + cost.text.text" class="watch">
    but <template v-if="cost.word">{{ cost.word.toLowerCase() }}: </template>{{ showPhrase(cost.text) }}
  </p>
</template>
