<script setup lang="ts">
// One corner in section at the cursor: fluid, pistons, plates, pads and the two cheeks of the disc, to scale.
import { computed, ref } from "vue";
import type { AxleName, SessionHeat } from "@/api/client";
import { at } from "@/charts/sessionHeat";
import { show, showNumber } from "@/units/units";
import { useHeat } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";

const props = defineProps<{ heat: SessionHeat }>();
const store = useHeat();
const workbench = useWorkbench();
const axle = ref<AxleName>("front");
const WIDTH = 300;
const MIDDLE = 66;

const series = computed(() => (axle.value === "front" ? props.heat.front_series : props.heat.rear_series));
const brake = computed(() => workbench.bench!.setup[axle.value]);
const now = (values: readonly number[] | undefined) => at(props.heat, values ?? [], store.cursor);
const sliding = computed(() => brake.value.caliper.mounting === "sliding");

interface Side {
  name: string;
  fluid: number;
  piston: number | null;
  plate: number;
  pad: number;
  padFace: number;
  padBack: number;
  face: number;
  core: number;
}
const sides = computed<Side[]>(() =>
  ["inboard", "outboard"].map((name, side) => ({
    name,
    fluid: now(series.value.wet),
    piston: side === 1 && sliding.value ? null : now(series.value.pistons[side]),
    plate: now(series.value.plates[side]),
    pad: now(series.value.pads[side]),
    padFace: now(series.value.pad_faces[side]),
    padBack: now(series.value.pad_backs[side]),
    face: now(series.value.faces[side]),
    core: now(series.value.cores[side]),
  })),
);

/** Every size in the drawing's own units, as large as there is room for. */
const drawn = computed(() => {
  const sizes = axle.value === "front" ? props.heat.front_section : props.heat.rear_section;
  const half = sizes.gap / 2 + sizes.cheek + sizes.lining + sizes.plate + sizes.piston + sizes.fluid;
  const scale = Math.min(2300, (WIDTH - 4) / (2 * half), 118 / sizes.ring_height);
  return Object.fromEntries(
    Object.entries(sizes).map(([name, size]) => [name, size * scale]),
  ) as typeof sizes;
});

/** Warmth as ink: the numbers below say it too. */
const MOST = 1100;
const shade = (kelvin: number): string => {
  const share = Math.round(Math.min(1, Math.max(0, (kelvin - 290) / (MOST - 290))) * 85);
  return `color-mix(in srgb, var(--rear) ${share}%, var(--paper))`;
};

interface Piece {
  key: string;
  x: number;
  width: number;
  height: number;
  from: number;
  to: number;
}
const pieces = computed<Piece[]>(() => {
  const size = drawn.value;
  return sides.value.flatMap((side, number) => {
    const sign = number === 0 ? -1 : 1;
    let edge = WIDTH / 2 + (sign * size.gap) / 2;
    const piece = (key: string, width: number, height: number, inner: number, outer: number): Piece => {
      const x = sign < 0 ? edge - width : edge;
      edge += sign * width;
      return {
        key: side.name + key,
        x,
        width,
        height,
        from: sign < 0 ? outer : inner,
        to: sign < 0 ? inner : outer,
      };
    };
    const found = [
      piece("cheek", size.cheek, size.ring_height, side.core, side.face),
      piece("pad", size.lining, size.pad_height, side.padFace, side.padBack),
      piece("plate", size.plate, size.pad_height, side.plate, side.plate),
    ];
    if (side.piston !== null)
      found.push(
        piece("piston", size.piston, size.bore, side.piston, side.piston),
        piece("fluid", size.fluid, size.bore, side.fluid, side.fluid),
      );
    return found;
  });
});
const ROWS: [keyof Side, string][] = [
  ["fluid", "fluid at piston"],
  ["piston", "piston"],
  ["plate", "plate"],
  ["padFace", "pad face"],
  ["face", "disc face"],
  ["core", "disc inside"],
];
</script>

<template>
  <section :aria-label="`${axle} corner at the cursor`">
    <header>
      <h2>Corner at the cursor</h2>
      <span class="axles" role="radiogroup" aria-label="Axle">
        <label v-for="one in ['front', 'rear'] as const" :key="one" :class="[one, { chosen: axle === one }]">
          <input v-model="axle" type="radio" class="away" name="section-axle" :value="one" />{{ one }}
        </label>
      </span>
    </header>
    <svg
      :viewBox="`0 0 ${WIDTH} ${2 * MIDDLE}`"
      role="img"
      :aria-label="`Section of the ${axle} corner, to scale`"
    >
      <defs>
        <linearGradient v-for="piece in pieces" :id="`warm-${piece.key}`" :key="piece.key">
          <stop offset="0" :stop-color="shade(piece.from)" />
          <stop offset="1" :stop-color="shade(piece.to)" />
        </linearGradient>
      </defs>
      <rect
        v-for="piece in pieces"
        :key="piece.key"
        :x="piece.x"
        :y="MIDDLE - piece.height / 2"
        :width="Math.max(0.5, piece.width)"
        :height="piece.height"
        :fill="`url(#warm-${piece.key})`"
        stroke="var(--ink)"
        stroke-width="0.8"
      />
      <path
        v-if="drawn.gap > 0"
        :d="
          [-0.36, -0.12, 0.12, 0.36]
            .map(
              (share) => `M${WIDTH / 2 - drawn.gap / 2} ${MIDDLE + share * drawn.ring_height}h${drawn.gap}`,
            )
            .join('')
        "
        stroke="var(--ink)"
        stroke-width="1.2"
      />
    </svg>
    <table>
      <thead>
        <tr class="label">
          <th scope="col">to scale</th>
          <th v-for="[key, name] in ROWS" :key="key" scope="col">{{ name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="side in sides" :key="side.name">
          <th scope="row" class="label">{{ side.name }}</th>
          <td v-for="[key] in ROWS" :key="key">
            {{ showNumber(side[key] as number | null, "temperature") }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="label">
      Caliper {{ show(now(series.caliper), "temperature") }}, pad friction
      {{ showNumber(now(series.friction), "friction") }}, bite
      {{ showNumber(heat[axle].low, "temperature") }} to {{ show(heat[axle].high, "temperature") }}.
    </p>
  </section>
</template>

<style scoped>
header {
  align-items: baseline;
  display: flex;
  justify-content: space-between;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.axles {
  display: flex;
  gap: 0.3rem;
}
.axles label {
  border-bottom: 2px solid transparent;
  cursor: pointer;
  font-family: var(--narrow);
  padding: 0.1rem 0.5rem;
}
.axles label.rear.chosen {
  border-bottom: 2px dashed var(--rear);
}
.axles label.front.chosen {
  border-bottom-color: var(--front);
}
.axles label:has(:focus-visible) {
  outline: 2px solid var(--focus);
}
svg {
  display: block;
  max-height: 9rem;
  width: 100%;
}
table {
  border-collapse: collapse;
  font-size: 0.88rem;
  width: 100%;
}
th {
  font-weight: 400;
  text-align: left;
}
td,
thead th {
  padding: 0 0.2rem;
  text-align: right;
}
thead th:first-child {
  text-align: left;
}
</style>
