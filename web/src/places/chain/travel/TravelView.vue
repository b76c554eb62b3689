<script setup lang="ts">
// The pedal's travel and its causes: a stacked bar for each push, and the effect of each improvement.
import { computed } from "vue";
import { show } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";
import { hydraulicsIn, useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import PracticeNote from "@/working/PracticeNote.vue";
import { hasTandem } from "@/documents/fitted";
import TravelBars from "./TravelBars.vue";

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const of = computed(() => hydraulicsIn(hydraulics.answer, workbench.current?.state));
const tandem = computed(() => hasTandem(workbench.bench!.setup));
const apply = (patch: Record<string, unknown>) =>
  workbench.editAll(
    "setup",
    Object.fromEntries(Object.entries(patch).map(([path, value]) => [`setup.${path}`, value])),
  );
</script>

<template>
  <p v-if="hydraulics.trouble" class="bad" role="alert">{{ hydraulics.trouble }}</p>
  <div v-else-if="of && hydraulics.answer" class="view">
    <section aria-label="Pedal travel">
      <TravelBars :of="of" :room="hydraulics.answer.room" />
      <table>
        <thead>
          <tr class="label">
            <th scope="col">At first lock</th>
            <th scope="col">front</th>
            <th scope="col">rear</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row" class="label">stroke used</th>
            <td><NumberTag headline="hydraulics/lock.front.stroke" dimension="length" /></td>
            <td><NumberTag headline="hydraulics/lock.rear.stroke" dimension="length" /></td>
          </tr>
          <tr>
            <th scope="row" class="label">stroke left</th>
            <td>{{ show(of.lock.front.left, "length") }}</td>
            <td>{{ show(of.lock.rear.left, "length") }}</td>
          </tr>
          <tr>
            <th scope="row" class="label">knock-back, at the pedal</th>
            <td><NumberTag headline="hydraulics/lock.front.knock_back" dimension="length" /></td>
            <td><NumberTag headline="hydraulics/lock.rear.knock_back" dimension="length" /></td>
          </tr>
        </tbody>
      </table>
      <p class="facts">
        <NumberTag label="stiffness" headline="hydraulics/stiffness" dimension="stiffness" />
        <NumberTag v-if="!tandem" label="bar tilts" headline="hydraulics/lock.tilt" dimension="angle" />
        <NumberTag label="pads due" headline="hydraulics/lock.worn" dimension="length" />
      </p>
    </section>
    <section aria-label="What an improvement is worth">
      <h2>What it is worth, {{ hydraulics.answer.hardest }}</h2>
      <ul>
        <li v-for="one in hydraulics.answer.improvements" :key="one.title">
          <span>{{ one.title }}</span>
          <span
            >{{ show(one.after_knock_back, "length", true)
            }}<template v-if="Math.abs(one.foot_force) > 0.5"
              >, foot {{ show(one.foot_force, "force", true) }}</template
            ></span
          >
          <button class="plain-button" type="button" @click="apply(one.patch)">try</button>
        </li>
      </ul>
      <p class="label">Pedal travel at lock, after knock-back.</p>
      <h2>Firm or light</h2>
      <ul>
        <li v-for="target in hydraulics.answer.push_targets" :key="target.key">
          <span>{{ target.title }}: {{ show(target.foot_force, "force") }} at lock</span>
          <span :class="{ watch: !target.usual }"
            >{{ show(target.ratio, "ratio") }}, {{ show(target.travel, "length")
            }}<template v-if="!target.usual">, not a usual pedal</template></span
          >
          <button class="plain-button" type="button" :disabled="!target.usual" @click="apply(target.patch)">
            try
          </button>
        </li>
      </ul>
      <PracticeNote topic="pedal" />
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  gap: 1.2rem;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  height: 100%;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
table {
  border-collapse: collapse;
  font-size: 0.9rem;
}
th {
  font-weight: 400;
  padding-right: 1rem;
  text-align: left;
}
td {
  padding-right: 1rem;
}
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
ul {
  list-style: none;
}
li {
  align-items: center;
  border-top: 1px solid var(--rule);
  column-gap: 0.5rem;
  display: grid;
  font-size: 0.88rem;
  grid-template-columns: 1fr auto auto;
  padding: 0.1rem 0;
}
li .plain-button {
  min-height: 1.6rem;
  padding: 0 0.5rem;
}
</style>
