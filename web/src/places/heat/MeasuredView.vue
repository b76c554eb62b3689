<script setup lang="ts">
// A temperature measured after the session: what it says of the air at an axle, and what taking it over changes.
import { computed, reactive, ref, watch } from "vue";
import { api, ask, Refused, type AxleName, type Schemas } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { DASH, parse, show, showNumber, showPhrase, unitOf } from "@/units/units";
import { useHeat } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";

type Reading = Schemas["DiscReading"];
type Fit = Schemas["CoolingFit"];
const workbench = useWorkbench();
const heat = useHeat();
/** As typed: it stays until it is asked, and after a refusal. */
const typed = reactive({
  axle: "front" as AxleName,
  kind: "probe" as "probe" | "paint",
  face: "both" as "both" | "inner" | "outer",
  temperature: "",
  after: "2",
  at_least: "",
  below: "",
});
const TITLES = {
  temperature: "Probe shows",
  after: "After the car stood",
  at_least: "Paint turned at",
  below: "Paint held at",
};
const faults = reactive<Record<string, string>>({});
const trouble = ref("");
const asking = ref(false);
const fit = ref<Fit | null>(null);
/** What it was asked about: the car, the setup and the session, in one string. */
const askedOf = ref("");
const about = computed(() => {
  const { car, setup } = workbench.bench ?? {};
  return JSON.stringify([car, setup, heat.session?.name]);
});
const taken = ref(false);
const stale = computed(() => fit.value !== null && askedOf.value !== about.value);
watch(typed, () => {
  if (!taken.value) fit.value = null;
});
const degrees = computed(() => unitOf("temperature").symbol);
const minutes = computed(() => unitOf("long time").symbol);

function number(name: "temperature" | "after" | "at_least" | "below", dimension: string): number | null {
  const text = typed[name].trim();
  faults[name] = "";
  if (!text) return null;
  const found = parse(text, dimension);
  if (typeof found === "number") return found;
  faults[name] = `${TITLES[name]}: ${found}`;
  return null;
}

async function put(): Promise<void> {
  const session = heat.session;
  const bench = workbench.bench;
  if (!session || !bench) return;
  const probe = typed.kind === "probe";
  const reading = {
    axle: typed.axle,
    kind: typed.kind,
    face: typed.face,
    temperature: probe ? number("temperature", "temperature") : null,
    after: (probe ? number("after", "long time") : null) ?? 0,
    at_least: probe ? null : number("at_least", "temperature"),
    below: probe ? null : number("below", "temperature"),
  } as Reading;
  if (Object.values(faults).some(Boolean)) return;
  trouble.value = "";
  taken.value = false;
  asking.value = true;
  try {
    const body = { car: bench.car, setup: bench.setup, session, with_working: false, reading };
    const asked = about.value;
    fit.value = await ask(api.POST("/api/heat/cooling", { body }));
    askedOf.value = asked;
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    trouble.value = error.problem.errors[0]?.message ?? error.problem.detail;
  } finally {
    asking.value = false;
  }
}

async function take(): Promise<void> {
  if (!fit.value?.patch) return;
  if (await workbench.editAll("setup", fit.value.patch)) taken.value = true;
}
const between = (of: Fit): string =>
  `${of.low === null ? DASH : showNumber(of.low, "friction")} to ${of.high === null ? DASH : showNumber(of.high, "friction")}`;
</script>

<template>
  <div class="measured">
    <form aria-label="Measured after this session" @submit.prevent="put">
      <label class="label">
        Axle
        <select v-model="typed.axle" aria-label="Axle">
          <option value="front">front</option>
          <option value="rear">rear</option>
        </select>
      </label>
      <label class="label">
        By
        <select v-model="typed.kind" aria-label="Measured by">
          <option value="probe">probe in the pit</option>
          <option value="paint">paint or strips</option>
        </select>
      </label>
      <template v-if="typed.kind === 'probe'">
        <label class="label">
          On the
          <select v-model="typed.face" aria-label="Face">
            <option value="both">mean of both faces</option>
            <option value="inner">inner face</option>
            <option value="outer">outer face</option>
          </select>
        </label>
        <label class="label">
          Shows
          <input
            v-model="typed.temperature"
            inputmode="decimal"
            aria-label="Probe shows"
            autocomplete="off"
          />
          {{ degrees }}
        </label>
        <label class="label">
          after the car stood
          <input
            v-model="typed.after"
            inputmode="decimal"
            aria-label="After the car stood"
            autocomplete="off"
          />
          {{ minutes }}
        </label>
      </template>
      <template v-else>
        <label class="label">
          Turned at
          <input
            v-model="typed.at_least"
            inputmode="decimal"
            aria-label="Paint turned at"
            autocomplete="off"
          />
          {{ degrees }}
        </label>
        <label class="label">
          Held at
          <input v-model="typed.below" inputmode="decimal" aria-label="Paint held at" autocomplete="off" />
          {{ degrees }}
        </label>
      </template>
      <button class="plain-button" type="submit" :disabled="asking">
        {{ asking ? "Driving it with other air…" : "What does it say?" }}
      </button>
      <template v-for="(fault, name) in faults" :key="name">
        <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
      </template>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    </form>
    <section v-if="fit" aria-label="What it says" role="status">
      <h3><VerdictMark :level="fit.level" /> {{ fit.word }}</h3>
      <p>{{ showPhrase(fit.text) }}</p>
      <template v-if="fit.factor !== null">
        <p>
          <span class="label">Cooling factor, {{ fit.axle }}</span> {{ showNumber(fit.now, "friction") }} →
          <b>{{ showNumber(fit.factor, "friction") }}</b>
          <span class="label"> by this reading {{ between(fit) }}</span>
        </p>
        <table>
          <thead class="label">
            <tr>
              <th scope="col">session</th>
              <th scope="col">{{ fit.axle }} peak</th>
              <th scope="col">verdict now</th>
              <th scope="col">with it</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in fit.sessions" :key="row.session">
              <th scope="row">{{ row.session }}</th>
              <td>{{ show(row.peak, "temperature") }} → {{ show(row.peak_then, "temperature") }}</td>
              <td><VerdictMark :level="row.level" /> {{ row.word }}</td>
              <td><VerdictMark :level="row.level_then" /> {{ row.word_then }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="taken" class="good">Taken over: {{ fit.axle }} cooling factor. Undo takes it back.</p>
        <button v-else class="plain-button" type="button" :disabled="stale" @click="take">
          Take over the {{ fit.axle }} factor
        </button>
        <p v-if="stale && !taken" class="watch">The setup has changed since: ask again.</p>
      </template>
    </section>
    <p v-else class="label">
      Hold the probe on the face and note the time since the wheels stopped: a disc loses a tenth of its heat
      in the first minute. Paint shows the hottest that the whole disc was. One reading corrects the air at
      one axle; pace, laps and weather must be those that were driven.
    </p>
  </div>
</template>

<style scoped>
.measured {
  display: grid;
  gap: 0.8rem;
  grid-template-columns: minmax(0, 1fr);
}
form {
  align-items: end;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
}
form select,
form input {
  font: inherit;
  min-height: 2.2rem;
}
form input {
  width: 5rem;
}
form p {
  flex-basis: 100%;
}
section {
  display: grid;
  gap: 0.35rem;
  justify-items: start;
}
h3 {
  font-size: 1rem;
  font-weight: 600;
}
table {
  border-collapse: collapse;
  font-size: 0.88rem;
}
th {
  font-weight: 400;
  padding-right: 0.8rem;
  text-align: left;
}
td {
  padding: 0.1rem 0.8rem 0.1rem 0;
}
tbody tr {
  border-top: 1px solid var(--rule);
}
</style>
