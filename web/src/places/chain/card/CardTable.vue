<script setup lang="ts">
// The rows of the card: one for each declared state. The same on the screen and on paper.
import type { HydraulicsAnalysis, Setting } from "@/api/client";
import { show, showNumber } from "@/units/units";

defineProps<{ work: HydraulicsAnalysis; tandem: boolean }>();

/** Turns in words: a driver reads "1½ front", not a sign. */
function turnsWords(turns: number | null): string {
  if (turns === null) return "–";
  if (Math.abs(turns) < 1e-9) return "centre";
  const quarters = Math.round(Math.abs(turns) * 4);
  const whole = Math.floor(quarters / 4);
  const part = ["", "¼", "½", "¾"][quarters % 4] ?? "";
  return `${whole || !part ? whole : ""}${part} ${turns > 0 ? "front" : "rear"}`;
}
const settingWords = (row: Setting, tandem: boolean): string =>
  tandem
    ? row.knee === null
      ? row.front_first
        ? "no valve needed"
        : "no knee will do"
      : show(row.knee, "pressure")
    : turnsWords(row.turns);
</script>

<template>
  <table>
    <thead>
      <tr class="label">
        <th scope="col">state</th>
        <th scope="col">{{ tandem ? "knee" : "turns from centre" }}</th>
        <th scope="col">front share</th>
        <th scope="col">front locks at</th>
        <th scope="col">foot</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="row in work.card.settings"
        :key="row.state"
        :class="{ off: !row.within || !row.front_first }"
      >
        <th scope="row">{{ row.state }}</th>
        <td class="setting" :title="row.turns === null ? '' : showNumber(row.turns, 'turns', true)">
          {{ settingWords(row, tandem)
          }}<span v-if="!row.within" class="bad">, outside the recommended range</span
          ><span v-if="!row.front_first" class="bad"> rear first</span>
        </td>
        <td>{{ show(row.share, "share") }}</td>
        <td>{{ show(row.deceleration, "deceleration") }}</td>
        <td>{{ show(row.foot_force, "force") }}</td>
        <td class="act"><slot :row="row" /></td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  border-top: 1px solid var(--rule);
  padding: 0.12rem 0.8rem 0.12rem 0;
  text-align: left;
}
thead th {
  border: 0;
  font-weight: 400;
}
tbody th {
  font-weight: 500;
}
.setting {
  font-weight: 600;
}
.act {
  text-align: right;
}
</style>
