<script setup lang="ts">
// Circuits against tape: peak and coldest of each, and what to tape.
import type { TapeRow } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { show, showNumber, showPhrase, unitOf } from "@/units/units";

defineProps<{ rows: readonly TapeRow[] }>();
</script>

<template>
  <table>
    <caption class="label">
      Share of the opening taped; peak / coldest of the disc's surface,
      {{
        unitOf("temperature").symbol
      }}. Framed: what to tape.
      <template v-if="rows.some((row) => row.tapes.some((one) => one.worse_than_none))"
        >† Hotter than with no duct at all.</template
      >
    </caption>
    <thead class="label">
      <tr>
        <th scope="col">session, air</th>
        <th v-for="one in rows[0]?.tapes ?? []" :key="one.share" scope="col">
          {{ one.share ? show(one.share, "share") : "open" }}
        </th>
        <th scope="col">what to do</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.session">
        <th scope="row">
          {{ row.session }} <span class="label">{{ show(row.ambient, "temperature") }}</span>
        </th>
        <td
          v-for="(one, at) in row.tapes"
          :key="one.share"
          :class="[one.standing.level, { advised: at === row.advised }]"
        >
          <VerdictMark :level="one.standing.level" />
          <span :title="one.standing.word"
            >{{ showNumber(one.peak, "temperature") }} / {{ showNumber(one.low, "temperature")
            }}{{ one.worse_than_none ? "†" : "" }}</span
          ><span class="away"> {{ one.standing.word }}{{ at === row.advised ? ", advised" : "" }}</span>
        </td>
        <td class="words">
          {{ showPhrase(row.words) }}
          <slot :row="row" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  font-size: 0.88rem;
  width: 100%;
}
caption {
  padding-bottom: 0.2rem;
  text-align: left;
}
th {
  font-weight: 500;
  text-align: left;
}
thead th {
  font-weight: 400;
}
td,
th {
  border-bottom: 1px solid var(--rule);
  padding: 0.25rem 0.5rem 0.25rem 0.2rem;
  white-space: nowrap;
}
.words {
  white-space: normal;
}
.advised {
  font-weight: 600;
  outline: 1.5px solid currentColor;
  outline-offset: -2px;
}
td > svg {
  margin-right: 0.2rem;
  vertical-align: -0.15em;
  width: 0.95em;
}
</style>
