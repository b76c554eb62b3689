<script setup lang="ts">
// The plan kept as a new setup; sessions belong to the car and all its setups, so they are asked for.
import Dialog from "primevue/dialog";
import InputText from "primevue/inputtext";
import { computed, ref, watch } from "vue";
import { useRouter } from "vue-router";
import type { Plan } from "@/api/client";
import { given } from "@/documents/marks";
import { useLibrary } from "@/workbench/library";
import { useWorkbench } from "@/workbench/workbench";

const open = defineModel<boolean>({ required: true });
const props = defineProps<{ plan: Plan; sessions: readonly string[] }>();
const workbench = useWorkbench();
const library = useLibrary();
const router = useRouter();
const name = ref("");
const withSessions = ref(true);
const fault = computed(() => (name.value.trim() ? "" : "Give it a name."));
watch(open, (now) => {
  if (now) name.value = `${workbench.bench?.setup.name ?? ""}, sound`.slice(0, 80);
});

async function keep(): Promise<void> {
  const bench = workbench.bench;
  if (fault.value || !bench) return;
  const ofSetup = Object.entries(props.plan.patch).filter(([path]) => path.startsWith("setup."));
  const ofCar = Object.fromEntries(
    Object.entries(props.plan.patch).filter(([path]) => path.startsWith("car.")),
  );
  const made = ofSetup.reduce((one, [path, value]) => given(one, path, value), bench);
  open.value = false;
  while (workbench.trials.length) await workbench.undo();
  if (withSessions.value && props.sessions.length) {
    await workbench.editAll("car.sessions", ofCar);
    await library.save();
  }
  const id = await library.copySetup(name.value.trim(), made.setup);
  await router.push({ name: "plan", params: { setupId: id } });
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Keep the plan as a new setup">
    <form @submit.prevent="keep">
      <label class="label" for="plan-name">Name</label>
      <InputText id="plan-name" v-model="name" maxlength="80" autofocus autocomplete="off" />
      <label v-if="sessions.length" class="tick">
        <input v-model="withSessions" type="checkbox" />
        Change {{ sessions.join(" and ") }} too: a session belongs to the car, so all its setups have it.
      </label>
      <p class="label" role="status">{{ fault }}</p>
      <button class="plain-button" type="submit" :disabled="Boolean(fault)">Keep it</button>
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
  max-width: 30rem;
  min-width: min(22rem, 80vw);
}
.tick {
  display: flex;
  gap: 0.4rem;
}
</style>
