<script setup lang="ts">
// Travel of the pedal as stacked bars, part by part, front and rear distinguished by pattern as well as colour.
import { computed } from "vue";
import type { StateHydraulics, PedalAtPush } from "@/api/client";
import { show, unitOf } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";

const props = defineProps<{ of: StateHydraulics; room: number }>();

const AXLES = ["front", "rear"] as const;
const PARTS = [
  ["dead", "dead stroke"],
  ["gap", "pad gap"],
  ["calipers", "calipers"],
  ["hoses", "hoses"],
  ["fluid", "fluid"],
  ["air", "air"],
] as const;
const opacity = (shade: number): number => 1 - 0.13 * shade;
const WIDTH = 420;
const LEFT = 78;
const scale = computed(
  () => (WIDTH - LEFT - 4) / Math.max(props.room, props.of.lock.pedal, props.of.lock.worn, 1e-6),
);
interface Piece {
  x: number;
  width: number;
  axle: "front" | "rear";
  shade: number;
  words: string;
}
function pieces(travel: PedalAtPush): Piece[] {
  let x = LEFT;
  const found: Piece[] = [];
  for (const axle of AXLES)
    for (const [index, [part, name]] of PARTS.entries()) {
      const width = travel[axle][part] * scale.value;
      found.push({
        x,
        width,
        axle,
        shade: index,
        words: `${axle}, ${name}: ${show(travel[axle][part], "length")}`,
      });
      x += width;
    }
  return found;
}
const rows = computed(() => [
  { key: "light", title: "a touch", travel: props.of.light, y: 6 },
  { key: "lock", title: "first lock", travel: props.of.lock, y: 40 },
]);
const roomX = computed(() => LEFT + props.room * scale.value);
const words = computed(() =>
  rows.value
    .map(
      ({ title, travel }) =>
        `${title}: ${pieces(travel)
          .map((one) => one.words)
          .join("; ")}`,
    )
    .join(". "),
);
</script>

<template>
  <figure>
    <figcaption>
      <h2>Pedal travel, part by part</h2>
      <NumberTag label="a touch" headline="hydraulics/light.pedal" dimension="length" />
      <NumberTag label="first lock" headline="hydraulics/lock.pedal" dimension="length" />
    </figcaption>
    <svg :viewBox="`0 0 ${WIDTH} 96`" role="img" :aria-label="words">
      <defs>
        <pattern
          id="rear-hatch"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" class="rear-ground" />
          <path d="M0 0v5" class="rear-stroke" />
        </pattern>
      </defs>
      <g v-for="row in rows" :key="row.key">
        <text :x="LEFT - 6" :y="row.y + 17" text-anchor="end">{{ row.title }}</text>
        <rect
          v-for="piece in pieces(row.travel)"
          :key="piece.words"
          :class="piece.axle"
          :x="piece.x"
          :y="row.y"
          :width="Math.max(0, piece.width)"
          height="26"
          :style="{ fillOpacity: opacity(piece.shade) }"
        >
          <title>{{ piece.words }}</title>
        </rect>
      </g>
      <path class="room" :d="`M${roomX} 2V72`" />
      <text class="soft" :x="Math.min(roomX, WIDTH - 2)" y="84" text-anchor="end">
        floor, {{ show(room, "length") }}
      </text>
      <path class="axis" :d="`M${LEFT} 72H${WIDTH - 2}`" />
      <text class="soft" :x="LEFT" y="84">0</text>
      <text class="soft" :x="LEFT + (roomX - LEFT) / 3" y="84" text-anchor="middle">
        pedal travel, {{ unitOf("length").symbol }}
      </text>
    </svg>
    <dl class="label">
      <template v-for="([part, name], shade) in PARTS" :key="part">
        <div v-if="of.lock.front[part] + of.lock.rear[part] > 5e-5">
          <dt>
            <svg class="key" viewBox="0 0 20 10" aria-hidden="true">
              <rect
                v-for="(axle, index) in AXLES"
                :key="axle"
                :class="axle"
                :x="10 * index"
                width="10"
                height="10"
                :style="{ fillOpacity: opacity(shade) }"
              />
            </svg>
            {{ name }}
          </dt>
          <dd>{{ show(of.lock.front[part], "length") }} + {{ show(of.lock.rear[part], "length") }}</dd>
        </div>
      </template>
    </dl>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
figcaption {
  align-items: baseline;
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
svg {
  display: block;
  max-height: 7.4rem;
  width: 100%;
}
svg.key {
  display: inline-block;
  height: 0.6rem;
  width: 1.2rem;
}
rect.front {
  fill: var(--front);
  stroke: var(--paper);
  stroke-width: 0.7;
}
rect.rear {
  fill: url("#rear-hatch");
  stroke: var(--paper);
  stroke-width: 0.7;
}
.rear-ground {
  fill: var(--rear);
}
.rear-stroke {
  stroke: var(--paper);
  stroke-width: 1.4;
}
.room {
  stroke: var(--bad);
  stroke-dasharray: 4 3;
}
.axis {
  stroke: var(--soft);
}
text {
  fill: var(--ink);
  font-family: var(--narrow);
  font-size: 12px;
}
.soft {
  fill: var(--soft);
  font-size: 11px;
}
/* The picture is drawn smaller there, its words are not. */
@media (max-width: 1150px) {
  text {
    font-size: 14.5px;
  }
  .soft {
    font-size: 13px;
  }
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
dl div {
  display: flex;
  gap: 0.3rem;
}
dd {
  color: var(--ink);
}
</style>
