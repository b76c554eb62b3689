<script setup lang="ts">
// From the foot to the lines: the lever at its true ratio; bar or tandem cylinder, booster, valve to the scale of the parts.
import { computed } from "vue";
import { useWorkbench } from "@/workbench/workbench";
import { hasBooster, hasHandbrake, hasTandem, hasValve } from "@/documents/fitted";
import type { Layout } from "./layout";
import { cylinderLength, valveAt } from "./layout";

const props = defineProps<{ layout: Layout }>();
const workbench = useWorkbench();
const setup = computed(() => workbench.bench!.setup);

const pedal = computed(() => props.layout.pedal);
const pin = computed(() => {
  const { x, pivot, pad, rod } = pedal.value;
  return x - 10 * ((pivot - rod) / (pivot - pad));
});
const bar = computed(() => {
  const { balance_bar } = setup.value;
  const half = (balance_bar.length / 2) * props.layout.partScale;
  const x = props.layout.x.bar + 26;
  const bearing = props.layout.pedal.rod;
  const middle = bearing + balance_bar.offset * props.layout.partScale;
  return { x, bearing, middle, front: middle - half, rear: middle + half };
});
const ghostMiddle = computed(() => {
  const before = workbench.ghost?.bench.setup.balance_bar;
  if (!before || before.offset === setup.value.balance_bar.offset) return null;
  return props.layout.pedal.rod + before.offset * props.layout.partScale;
});
const lead = computed(() => props.layout.x.cylinder);
const tandem = computed(() => {
  const bore = setup.value.tandem.bore * props.layout.partScale;
  return { x: lead.value, y: pedal.value.rod - bore / 2, height: bore, width: 1.5 * cylinderLength };
});
const handbrakeX = computed(() =>
  hasValve(setup.value)
    ? props.layout.x.caliper - 22
    : Math.max(valveAt(props.layout) - 24, props.layout.x.cylinder + cylinderLength + 12),
);
const valve = computed(() => ({ x: valveAt(props.layout), y: props.layout.rear.middle }));
</script>

<template>
  <g class="ink">
    <path :d="`M${pedal.x} ${pedal.pivot}L${pedal.x - 10} ${pedal.pad}`" class="lever" />
    <rect
      :x="pedal.x - 17"
      :y="pedal.hung ? pedal.pad - 28 : pedal.pad - 6"
      width="9"
      height="34"
      rx="3"
      class="pad"
    />
    <circle :cx="pedal.x" :cy="pedal.pivot" r="4.5" class="pin" />
    <g :transform="`translate(${pedal.x} ${pedal.pivot}) scale(1 ${pedal.hung ? -1 : 1})`">
      <path d="M-22 8h44" />
      <path v-for="n in 6" :key="n" class="hatch" :d="`M${-22 + n * 7} 8l-5 6`" />
    </g>
    <path :d="`M${pin} ${pedal.rod}H${hasTandem(setup) ? lead : bar.x}`" />
    <circle :cx="pin" :cy="pedal.rod" r="3.5" class="pin" />

    <template v-if="hasTandem(setup)">
      <g v-if="hasBooster(setup)" data-booster>
        <rect :x="bar.x - 24" :y="pedal.rod - 38" width="40" height="76" rx="13" class="pad" />
        <path class="hatch" :d="`M${bar.x - 4} ${pedal.rod - 38}v76`" />
      </g>
      <rect v-bind="tandem" class="hollow" data-tandem />
      <rect
        v-bind="tandem"
        class="wash-rear"
        :width="tandem.width * 0.36"
        :x="tandem.x + tandem.width * 0.18"
      />
      <rect
        v-bind="tandem"
        class="wash-front"
        :width="tandem.width * 0.36"
        :x="tandem.x + tandem.width * 0.64"
      />
      <path class="lever" :d="`M${tandem.x} ${pedal.rod}h${tandem.width * 0.18}`" />
      <path
        class="front-line"
        :d="`M${tandem.x + tandem.width * 0.86} ${tandem.y}V${layout.front.middle}H${layout.x.caliper}`"
      />
      <path
        class="rear-line"
        :d="`M${tandem.x + tandem.width * 0.4} ${tandem.y + tandem.height}V${layout.rear.middle}H${layout.x.caliper}`"
      />
    </template>
    <template v-else>
      <path :d="`M${bar.x - 1} ${bar.middle}h-12`" class="tick" />
      <path v-if="ghostMiddle !== null" :d="`M${bar.x - 1} ${ghostMiddle}h-12`" class="tick ghost" />
      <path :d="`M${bar.x} ${bar.front}V${bar.rear}`" class="bar" />
      <path
        class="front-line"
        :d="`M${bar.x + 5} ${bar.front}H${lead - 26}L${lead - 14} ${layout.front.middle}H${lead}`"
      />
      <path
        class="rear-line"
        :d="`M${bar.x + 5} ${bar.rear}H${lead - 26}L${lead - 14} ${layout.rear.middle}H${lead}`"
      />
      <circle :cx="bar.x" :cy="bar.front" r="5" class="clevis-front" />
      <circle :cx="bar.x" :cy="bar.rear" r="5" class="clevis-rear" />
      <circle :cx="bar.x" :cy="bar.bearing" r="7" class="pad" />
    </template>

    <g v-if="hasValve(setup)" data-valve :transform="`translate(${valve.x} ${valve.y})`">
      <rect x="-13" y="-13" width="26" height="26" rx="3" class="hollow" />
      <path d="M-8 8L1 -1L9 -5" class="clevis-rear knee" />
    </g>
    <g v-if="hasHandbrake(setup)" data-handbrake :transform="`translate(${handbrakeX} ${valve.y})`">
      <rect x="-11" y="-7" width="22" height="14" rx="2" class="hollow" />
      <path d="M11 0h6M17 12L19 -26" class="lever-thin" />
    </g>
  </g>
</template>

<style scoped>
.ink {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.lever {
  stroke-width: 4;
}
.lever-thin {
  stroke-width: 2.4;
}
.pad {
  fill: var(--steel);
}
.hollow {
  fill: var(--paper);
}
.wash-front {
  fill: var(--front-wash);
  stroke: var(--front);
  stroke-width: 1;
}
.wash-rear {
  fill: var(--rear-wash);
  stroke: var(--rear);
  stroke-width: 1;
}
.pin {
  fill: var(--paper);
}
.bar {
  stroke-width: 3.5;
}
.hatch,
.tick {
  stroke: var(--soft);
  stroke-width: 1;
}
.ghost {
  stroke-dasharray: 2 2;
}
.front-line {
  stroke: var(--front);
}
.rear-line {
  stroke: var(--rear);
  stroke-dasharray: 6 3;
}
.clevis-front {
  fill: var(--paper);
  stroke: var(--front);
}
.clevis-rear {
  fill: var(--paper);
  stroke: var(--rear);
}
.knee {
  fill: none;
}
</style>
