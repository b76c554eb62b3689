<script setup lang="ts">
// A new session: on a circuit of the list, on one sketched in ten rows, or on one found in a speed trace.
import { computed, onMounted, onUnmounted, ref, useTemplateRef } from "vue";
import { Refused, type Circuit, type TraceReading } from "@/api/client";
import { show, showPhrase } from "@/units/units";
import { useCircuits } from "@/workbench/circuits";
import { useHeat } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import TraceStrip from "./TraceStrip.vue";

/**
 * `typed` says whether its circuit is there to be typed over. A callback, not an event: with the first session this
 * component is gone by then.
 */
const props = defineProps<{ done: (typed: boolean) => unknown }>();
const panel = useTemplateRef<HTMLElement>("panel");
const workbench = useWorkbench();
const heat = useHeat();
const circuits = useCircuits();
const trouble = ref("");
const sketchName = ref("");
const traceName = ref("");
const oneWay = ref(false);
/** The file that was sent, and how much of it is there while it is being sent. */
const uploadId = ref("");
const sent = ref<number | null>(null);
const reading = ref<TraceReading | null>(null);
const some = computed(() => (workbench.bench?.car.sessions.length ?? 0) > 0);

onMounted(() => {
  if (some.value) panel.value?.focus({ preventScroll: true });
  circuits.load().catch(report);
});

function report(error: unknown): void {
  if (!(error instanceof Refused)) throw error;
  trouble.value = error.problem.detail;
}

/** Names of sessions are unique: another on the same circuit gets a number. */
function freeName(name: string): string {
  const taken = new Set((workbench.bench?.car.sessions ?? []).map((one) => one.name));
  let found = name;
  for (let number = 2; taken.has(found); number += 1) found = `${name} ${number}`;
  return found;
}

async function begin(circuit: Circuit, typed = false): Promise<void> {
  const name = freeName(circuit.name);
  // A circuit is driven with a lap home before the car stands; a way driven once has none.
  const session = { name, circuit, ...(circuit.one_way ? { fast_laps: 1 } : { cool_down_laps: 1 }) };
  if (await workbench.remake<unknown[]>("car.sessions", (now) => [...now, session])) {
    heat.chosen = name;
    props.done(typed);
  } else trouble.value = workbench.refusal?.errors[0]?.message ?? workbench.refusal?.detail ?? "";
}

async function onList(id: string): Promise<void> {
  try {
    await begin(await circuits.get(id));
  } catch (error) {
    report(error);
  }
}

/** Ten rows to be typed over: five straights, each with a corner at its end. */
const SKETCH = [420, 60, 260, 80, 340, 50, 180, 70, 300, 60];
const sketch = () => {
  const sections = SKETCH.map((length, at) => (at % 2 ? { length, radius: 30 + at * 4 } : { length }));
  return begin({ name: sketchName.value.trim() || "Sketched circuit", sections } as Circuit, true);
};

const zones = () => {
  const first = { name: "T1", run: 400, from_speed: 45, to_speed: 22, distance: 75 };
  const name = sketchName.value.trim() || "Typed zones";
  return begin({ name, laid_out_by: "zones", zones: [first] } as Circuit, true);
};

/** Which lap of the file, by its number; the fastest whole one until another is chosen. */
const lap = ref<number | "all" | null>(null);
const leftOut = ref(false);
const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, "0")}`;

async function find(leaveOut = false): Promise<void> {
  trouble.value = "";
  leftOut.value = leaveOut;
  try {
    reading.value = await circuits.find(
      uploadId.value,
      traceName.value.trim() || "Logged lap",
      oneWay.value,
      leaveOut,
      lap.value,
    );
    if (lap.value === null) lap.value = reading.value.lap ?? null;
  } catch (error) {
    report(error);
  }
}

/** The file has been read, or another one is chosen. */
function letGo(): void {
  if (uploadId.value) void circuits.discard(uploadId.value);
  uploadId.value = "";
}
onUnmounted(letGo);

async function chosen(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  if (!traceName.value) traceName.value = file.name.replace(/\.[^.]*$/, "").slice(0, 40);
  trouble.value = "";
  letGo();
  lap.value = null;
  sent.value = 0;
  try {
    uploadId.value = await circuits.send(file, (share) => (sent.value = share));
  } catch (error) {
    report(error);
    return;
  } finally {
    sent.value = null;
  }
  await find();
}
</script>

<template>
  <section ref="panel" class="new" aria-label="New session" tabindex="-1">
    <header>
      <h2>{{ some ? "New session" : "On which race circuit does it run?" }}</h2>
      <button v-if="some" class="plain-button" type="button" @click="done(false)">Back</button>
    </header>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <div class="ways">
      <section aria-label="A race circuit of the list">
        <h3>From the list</h3>
        <ul>
          <li v-for="one in circuits.list" :key="one.id">
            <button class="plain-button" type="button" @click="onList(one.id)">{{ one.name }}</button>
          </li>
        </ul>
        <p v-if="!circuits.list.length" class="label">
          No race circuit is kept yet: sketch one, or import a lap.
        </p>
      </section>
      <section aria-label="A race circuit of your own">
        <h3>Sketch one</h3>
        <label class="label">Called <input v-model="sketchName" maxlength="40" autocomplete="off" /></label>
        <p class="choice">
          <button class="plain-button" type="button" @click="sketch">Start from a sample circuit</button>
          <button class="plain-button" type="button" @click="zones">Enter braking zones</button>
        </p>
        <p class="label">Lengths and radii off a map are good enough: the power of the car does most.</p>
      </section>
      <section aria-label="A lap from a log">
        <h3>From a speed trace</h3>
        <label class="label">Called <input v-model="traceName" maxlength="40" autocomplete="off" /></label>
        <label class="label"
          ><input v-model="oneWay" type="checkbox" /> hill climb or stage, from a standstill</label
        >
        <label class="label"
          >CSV of one lap or more
          <input type="file" accept=".csv,.txt,text/csv" aria-label="CSV of one lap" @change="chosen" />
        </label>
        <p v-if="sent !== null" class="label" role="status">
          <progress :value="sent" aria-label="Of the file sent" /> {{ show(sent, "share") }} sent
        </p>
        <p class="label">
          One row names the columns: distance or time, and speed, such as “time [s]; speed [km/h]”. Lines
          before it are skipped.
        </p>
        <template v-if="reading">
          <p v-if="reading.refused" class="bad" role="alert">{{ reading.refused }}</p>
          <ul v-if="reading.bad_rows.length" class="rows">
            <li v-for="row in reading.bad_rows" :key="row.row">Row {{ row.row }}: {{ row.message }}</li>
          </ul>
          <button
            v-if="reading.refused && reading.bad_rows.length"
            class="plain-button"
            type="button"
            @click="find(true)"
          >
            Leave these rows out
          </button>
          <template v-if="reading.circuit">
            <label v-if="(reading.laps?.length ?? 0) > 1" class="label">
              Lap
              <select v-model="lap" aria-label="Lap of the file" @change="find(leftOut)">
                <option v-for="one in reading.laps" :key="one.number" :value="one.number">
                  {{ one.number }}: {{ clock(one.seconds) }}, {{ show(one.length, "distance")
                  }}{{ one.fastest ? ", fastest" : one.whole ? "" : ", not a whole lap" }}
                </option>
                <option value="all">mean of the whole laps</option>
              </select>
            </label>
            <p v-for="note in reading.notes" :key="note.text" class="watch">{{ showPhrase(note) }}</p>
            <p role="status">{{ reading.circuit.zones?.length }} braking zones found.</p>
            <TraceStrip :circuit="reading.circuit" />
            <button class="plain-button" type="button" @click="begin(reading.circuit)">
              Use it; zones can be corrected then
            </button>
          </template>
        </template>
      </section>
    </div>
  </section>
</template>

<style scoped>
.new {
  grid-column: 1 / -1;
  overflow: auto;
}
/* Its heading says where one is. */
.new:focus {
  outline: none;
}
header {
  align-items: center;
  display: flex;
  justify-content: space-between;
}
h2 {
  font-size: 1.1rem;
  font-weight: 600;
}
h3 {
  font-size: 0.98rem;
  font-weight: 600;
  margin-bottom: 0.4rem;
}
.ways {
  display: grid;
  gap: 2rem;
  grid-template-columns: minmax(0, 0.7fr) minmax(0, 1fr) minmax(0, 1.5fr);
  padding-top: 0.8rem;
}
@media (max-width: 760px) {
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
.ways > section {
  align-content: start;
  border-top: 1px solid var(--ink);
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  padding-top: 0.5rem;
}
ul {
  display: grid;
  gap: 0.4rem;
  list-style: none;
}
.rows {
  font-size: 0.88rem;
  max-height: 9rem;
  overflow: auto;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
input[maxlength] {
  background: transparent;
  border: 0;
  border-bottom: 1px solid var(--soft);
  color: var(--ink);
  margin-left: 0.5rem;
  min-height: 1.8rem;
}
</style>
