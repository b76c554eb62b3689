<script setup lang="ts">
// Shares as bars on one scale, each with its name and number; some can be pressed.
import { show } from "@/units/units";

export interface ShareBar {
  name: string;
  share: number;
  /** Its value in the compared setup. */
  was?: number | undefined;
  current?: boolean;
}

defineProps<{ bars: ShareBar[]; pressable?: boolean }>();
const emit = defineEmits<{ pressed: [name: string] }>();
const percent = (share: number): string => `${(100 * share).toFixed(1)}%`;
</script>

<template>
  <div class="bars">
    <template v-for="bar in bars" :key="bar.name">
      <button
        v-if="pressable"
        type="button"
        :class="{ current: bar.current }"
        @click="emit('pressed', bar.name)"
      >
        {{ bar.name }}
      </button>
      <span v-else>{{ bar.name }}</span>
      <span class="track" aria-hidden="true">
        <i :style="{ width: percent(bar.share) }" />
        <i v-if="bar.was !== undefined" class="was" :style="{ left: percent(bar.was) }" />
      </span>
      <b data-share>{{ show(bar.share, "share") }}</b>
    </template>
  </div>
</template>

<style scoped>
.bars {
  align-items: center;
  column-gap: 0.5rem;
  display: grid;
  font-size: 0.88rem;
  grid-template-columns: auto 1fr auto;
  line-height: 1.7;
}
b {
  font-weight: 500;
  text-align: right;
}
.current {
  font-weight: 600;
}
.track {
  background: var(--tint);
  height: 0.6rem;
  position: relative;
}
.track i {
  background: var(--soft);
  display: block;
  height: 100%;
}
.track .was {
  background: none;
  border-left: 2px dotted var(--ink);
  position: absolute;
  top: 0;
}
</style>
