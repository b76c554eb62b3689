<script setup lang="ts">
// A new car: its kind. Everything else starts with usual values and is asked for next.
import { computed, onMounted, ref } from "vue";
import { useRouter } from "vue-router";
import { api, ask, Refused, type Schemas } from "@/api/client";
import { useGarage } from "@/workbench/garage";

type Kinds = Schemas["KindChoices"];
type Asked = "driven" | "tyres" | "wings";
const ASKED: readonly { name: Asked; label: string }[] = [
  { name: "driven", label: "Driven wheels" },
  { name: "tyres", label: "Main tyre" },
  { name: "wings", label: "Wings" },
];
const garage = useGarage();
const router = useRouter();
const choices = ref<Schemas["NewCarChoices"]>({ kinds: [], words: {} });
const name = ref("");
const kind = ref<Kinds["kind"]>("saloon");
const given = ref<{ driven?: Kinds["driven"]; tyres?: Kinds["tyres"]; wings?: Kinds["wings"] }>({});
const trouble = ref("");
const usual = computed(() => choices.value.kinds.find((one) => one.kind === kind.value));

onMounted(() => ask(api.GET("/api/kinds")).then((found) => (choices.value = found), explain));

function explain(error: unknown): void {
  trouble.value = error instanceof Refused ? error.problem.detail : "It could not be begun.";
}

async function begin(): Promise<void> {
  try {
    const body = { name: name.value.trim() || "New car", kind: kind.value, ...given.value };
    const setupId = await garage.begin(body);
    await router.push({ name: "begin", params: { setupId } });
  } catch (error) {
    explain(error);
  }
}
</script>

<template>
  <form class="new" aria-label="New car" @submit.prevent="begin">
    <h1>New car</h1>
    <p>
      Say what sort of car it is. What you do not know is left as it stands: Plimbo takes what is usual, marks
      it
      <span class="watch">assumed</span>, and lists what is still to measure, what matters most first.
    </p>
    <label for="car-name">What you call it</label>
    <input id="car-name" v-model="name" maxlength="80" autocomplete="off" autofocus placeholder="New car" />
    <label for="car-kind">Kind of car</label>
    <select id="car-kind" v-model="kind" @change="given = {}">
      <option v-for="(word, key) in choices.words.kind" :key="key" :value="key">{{ word }}</option>
    </select>
    <template v-if="usual">
      <template v-for="one in ASKED" :key="one.name">
        <label :for="`car-${one.name}`">{{ one.label }}</label>
        <select :id="`car-${one.name}`" v-model="given[one.name]">
          <option :value="undefined">as usual: {{ choices.words[one.name]?.[usual[one.name]] }}</option>
          <option v-for="(word, key) in choices.words[one.name]" :key="key" :value="key">{{ word }}</option>
        </select>
      </template>
    </template>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p class="next">
      <button class="plain-button" type="submit">Begin</button>
      <RouterLink class="plain-button" :to="{ name: 'garage' }">Back to the garage</RouterLink>
    </p>
  </form>
</template>

<style scoped>
.new {
  align-content: start;
  align-items: center;
  display: grid;
  gap: 0.5rem 1rem;
  grid-template-columns: 9rem minmax(0, 20rem);
  max-width: 44rem;
  padding: 1rem 1.1rem;
}
h1 {
  font-size: 1.3rem;
  font-weight: 600;
}
h1,
p {
  grid-column: 1 / -1;
}
input,
select {
  background: var(--paper);
  border: 0;
  border-bottom: 1px solid var(--soft);
  min-height: 2.1rem;
  padding: 0.2rem;
  width: 100%;
}
.next {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.6rem;
}
@media (max-width: 560px) {
  .new {
    grid-template-columns: 1fr;
  }
}
</style>
