<script setup lang="ts">
// What a measurement would change in the car, ready to be taken over.
import { computed } from "vue";
import { valueAt } from "@/documents/paths";
import { fieldAt } from "@/documents/schema";
import { show } from "@/units/units";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const props = defineProps<{ takes: Record<string, number>; what: string }>();
const emit = defineEmits<{ taken: [] }>();
const workbench = useWorkbench();
const measurements = useMeasurements();
const changes = computed(() =>
  Object.entries(props.takes).map(([path, value]) => {
    const field = fieldAt(`car.${path}`);
    const dimension = field.dimension ?? "ratio";
    const end = /^(front|rear)_tyre\./.exec(path)?.[1];
    return {
      path,
      title: end ? `${field.title}, ${end}` : field.title,
      now: show(valueAt(workbench.bench?.car, path) as number, dimension),
      then: show(value, dimension),
    };
  }),
);
const news = computed(() => changes.value.filter((change) => change.now !== change.then));

async function take(): Promise<void> {
  const values = Object.fromEntries(
    Object.entries(props.takes).map(([path, value]) => [`car.${path}`, value]),
  );
  if (await workbench.editAll("car", values)) emit("taken");
}
</script>

<template>
  <div v-if="changes.length" class="take">
    <p v-for="change in news" :key="change.path">
      <span class="label">{{ change.title }}</span> {{ change.now }} → <b>{{ change.then }}</b>
    </p>
    <button
      v-if="news.length"
      class="plain-button"
      type="button"
      :disabled="measurements.stale"
      @click="take"
    >
      Take over {{ what }}
    </button>
    <p v-else class="label good">The car has these numbers.</p>
    <p v-if="workbench.refusal?.path === 'car'" class="bad" role="alert">{{ workbench.errorAt("car") }}</p>
  </div>
</template>

<style scoped>
.take {
  border-left: 2px solid var(--rule);
  display: grid;
  font-size: 0.92rem;
  gap: 0.15rem;
  justify-items: start;
  margin: 0.35rem 0;
  padding-left: 0.6rem;
}
</style>
