<script setup lang="ts">
// The duct piece by piece: opening, run, end, and what surrounds the disc.
import { computed, ref } from "vue";
import type { DuctPiece } from "@/api/client";
import DocumentField from "@/fields/DocumentField.vue";
import { fieldAt, wordAt } from "@/documents/schema";
import { show } from "@/units/units";
import { useAir } from "@/workbench/air";
import { useWorkbench } from "@/workbench/workbench";

const air = useAir();
const workbench = useWorkbench();
const chosen = ref(0);
const pieces = computed(() => air.duct?.pieces ?? []);
const at = computed(() => Math.min(chosen.value, Math.max(0, pieces.value.length - 1)));
const piece = computed(() => pieces.value[at.value]);
const FIELDS: Record<string, string[]> = {
  hose: ["kind", "bore", "length", "wall", "cost"],
  bend: ["kind", "angle", "turn", "cost"],
  reducer: ["kind", "bore", "length", "cost"],
  split: ["kind", "cost"],
};
const OPENING = ["place", "pressure_coefficient", "mouth", "area", "screen", "cost"];
const END = computed(() => ["aim", ...(eye.value ? ["flange", "seal"] : []), "caliper_bore", "flange_cost"]);
const eye = computed(() => air.duct?.aim === "eye");
const ROUND = ["shielding", "outlet", "warmer_by"];
const words = (one: DuctPiece): string => {
  if (one.kind === "bend") return `bend ${show(one.angle, "angle")}`;
  if (one.kind === "split") return "split";
  return `${wordAt(`${air.path}.pieces.0.kind`, one.kind!)} ${show(one.bore, "hose")}, ${show(one.length, "distance")}`;
};
const full = computed(() => pieces.value.length >= fieldAt(`${air.path}.pieces`).most);
const remake = (make: (now: DuctPiece[]) => DuctPiece[]) =>
  workbench.remake<DuctPiece[]>(`${air.path}.pieces`, make);

async function add(kind: "hose" | "bend" | "reducer" | "split"): Promise<void> {
  const place = at.value + 1;
  const fresh = fieldAt(`${air.path}.pieces`).fresh as DuctPiece[];
  // It continues the piece before it.
  const one = { ...fresh.find((one) => one.kind === kind)!, ...(piece.value && { bore: piece.value.bore }) };
  if (await remake((now) => [...now.slice(0, place), one, ...now.slice(place)])) chosen.value = place;
}
async function remove(): Promise<void> {
  const place = at.value;
  if (await remake((now) => now.filter((_, index) => index !== place))) chosen.value = Math.max(0, place - 1);
}
const move = async (by: number): Promise<void> => {
  const place = at.value;
  const moved = await remake((now) => {
    const made = [...now];
    const [one] = made.splice(place, 1);
    made.splice(place + by, 0, one!);
    return made;
  });
  if (moved) chosen.value = place + by;
};
</script>

<template>
  <form class="pieces" aria-label="Pieces of the duct" @submit.prevent>
    <div class="column">
      <h3>Opening</h3>
      <DocumentField :path="`${air.path}.fitted`" />
      <DocumentField
        v-for="name in OPENING"
        :key="name"
        :path="`${air.path}.opening.${name}`"
        context="opening"
      />
    </div>
    <div class="column">
      <h3>Run</h3>
      <DocumentField :path="`${air.path}.hoses`" />
      <ol aria-label="Pieces, nose to disc">
        <li v-for="(one, index) in pieces" :key="index">
          <button class="plain-button" type="button" :aria-pressed="index === at" @click="chosen = index">
            {{ index + 1 }} {{ words(one) }}
          </button>
        </li>
      </ol>
      <p class="does">
        <button
          v-for="kind in ['hose', 'bend', 'reducer', 'split'] as const"
          :key="kind"
          class="plain-button"
          type="button"
          :disabled="full"
          @click="add(kind)"
        >
          + {{ kind }}
        </button>
        <button
          class="plain-button"
          type="button"
          :disabled="at === 0"
          aria-label="move toward the nose"
          @click="move(-1)"
        >
          ◂
        </button>
        <button
          class="plain-button"
          type="button"
          :disabled="at >= pieces.length - 1"
          aria-label="move toward the disc"
          @click="move(1)"
        >
          ▸
        </button>
        <button class="plain-button" type="button" :disabled="!pieces.length" @click="remove">
          take out
        </button>
      </p>
      <p v-if="workbench.errorAt(`${air.path}.pieces`)" class="bad" role="alert">
        {{ workbench.errorAt(`${air.path}.pieces`) }}
      </p>
      <template v-if="piece">
        <DocumentField
          v-for="name in FIELDS[piece.kind ?? 'hose']"
          :key="`${at} ${name}`"
          :path="`${air.path}.pieces.${at}.${name}`"
          :context="`piece ${at + 1}`"
        />
      </template>
    </div>
    <div class="column">
      <h3>End</h3>
      <DocumentField v-for="name in END" :key="name" :path="`${air.path}.${name}`" context="end" />
      <h3>Round the disc</h3>
      <DocumentField
        v-for="name in ROUND"
        :key="name"
        :path="`setup.${air.axle}.cooling.${name}`"
        :context="air.axle"
      />
    </div>
  </form>
</template>

<style scoped>
.pieces {
  display: grid;
  gap: 0 1.4rem;
  grid-template-columns: repeat(auto-fit, minmax(18.5rem, 1fr));
}
.pieces :deep(select) {
  max-width: 100%;
  min-width: 0;
}
h3 {
  font-size: 0.95rem;
  font-weight: 600;
}
ol {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
  list-style: none;
  padding: 0.2rem 0;
}
.does {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
  padding-bottom: 0.3rem;
}
.plain-button {
  min-height: 1.55rem;
  padding: 0 0.55rem;
}
@media (pointer: coarse) {
  .plain-button {
    min-height: 2.4rem;
  }
}
</style>
