<script setup lang="ts">
// The three meanings of balance beside the ideal, on one scale; and every declared state at a glance.
import { computed } from "vue";
import NumberTag from "@/working/NumberTag.vue";
import StateList from "@/states/StateList.vue";
import { WORDS } from "@/help/words";
import { hasValve } from "@/documents/fitted";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const ROWS = [
  { key: "ideal_share", label: "ideal here", mark: "ideal" },
  { key: "force_share", label: "by brake force", mark: "force" },
  { key: "first_share", label: "at first lock", mark: "force" },
  { key: "pressure_share", label: "by line pressure", mark: "pressure" },
  { key: "index_share", label: "by parts alone (index)", mark: "index", hint: WORDS["mechanical index"] },
] as const;

/** With a valve the balance moves with the push: what counts against the ideal is that at first lock. */
const rows = computed(() =>
  ROWS.filter((row) => row.key !== "first_share" || hasValve(workbench.bench!.setup)),
);

/** The scale spans all shares, present and ghost, to the next twentieth. */
const span = computed(() => {
  const shares = [workbench.current, workbench.ghostCurrent].flatMap((answer) =>
    answer ? rows.value.map((row) => answer[row.key]) : [],
  );
  return {
    low: Math.max(0, Math.floor(Math.min(...shares) * 20 - 0.5) / 20),
    high: Math.min(1, Math.ceil(Math.max(...shares) * 20 + 0.5) / 20),
  };
});
const place = (share: number): string =>
  `${(100 * (share - span.value.low)) / (span.value.high - span.value.low)}%`;
</script>

<template>
  <section aria-label="Balance and states">
    <h2>Front share, three ways</h2>
    <div class="shares" :class="{ close: rows.length > 4 }">
      <template v-for="row in rows" :key="row.key">
        <span class="label" :title="'hint' in row ? row.hint : undefined">{{ row.label }}</span>
        <span class="track" aria-hidden="true">
          <i
            v-if="workbench.current"
            class="ideal-line"
            :style="{ left: place(workbench.current.ideal_share) }"
          />
          <i
            v-if="workbench.ghostCurrent"
            class="dot ghost"
            :style="{ left: place(workbench.ghostCurrent[row.key]) }"
          />
          <i
            v-if="workbench.current"
            class="dot"
            :class="row.mark"
            :style="{ left: place(workbench.current[row.key]) }"
          />
        </span>
        <NumberTag :headline="row.key" dimension="share" />
      </template>
      <span />
      <span class="track ends label"
        ><span>{{ Math.round(100 * span.low) }}&nbsp;%</span
        ><span>{{ Math.round(100 * span.high) }}&nbsp;%</span></span
      >
    </div>
    <StateList class="states" />
  </section>
</template>

<style scoped>
section {
  min-height: 0;
  overflow: auto;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.shares {
  align-items: center;
  column-gap: 0.7rem;
  display: grid;
  grid-template-columns: auto 1fr minmax(7.6rem, auto);
  line-height: 1.45;
}
.shares.close {
  line-height: 1.2;
}
.track {
  border-top: 1px solid var(--rule);
  height: 1px;
  position: relative;
}
.ends {
  border: 0;
  display: flex;
  height: auto;
  justify-content: space-between;
  margin: 0 -0.7rem;
}
.dot,
.ideal-line {
  position: absolute;
}
.dot {
  background: var(--ink);
  border-radius: 50%;
  height: 10px;
  margin: -5px 0 0 -5px;
  width: 10px;
}
.dot.ideal {
  background: var(--paper);
  border: 2px solid var(--ink);
}
.dot.pressure {
  border-radius: 0;
}
.dot.index {
  border-radius: 0;
  transform: rotate(45deg) scale(0.85);
}
.dot.ghost {
  background: none;
  border: 1px dashed var(--soft);
}
.ideal-line {
  border-left: 1px dotted var(--soft);
  height: 22px;
  margin-top: -11px;
}
.states {
  font-size: 0.9rem;
  margin-top: 0.2rem;
}
</style>
