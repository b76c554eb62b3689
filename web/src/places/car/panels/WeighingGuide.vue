<script setup lang="ts">
// The weighing in three steps: on the level, with the rear raised, and the values that the car takes over.
import { computed, ref, watch } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import { show, showPhrase } from "@/units/units";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";
import TakeOver from "@/working/TakeOver.vue";

const raised = defineModel<boolean>("raised", { required: true });
const emit = defineEmits<{ closed: [] }>();
const STEPS = ["On the level", "Rear raised", "Take over"] as const;
const PATH = "car.measured.weighing";
const step = ref(0);
const workbench = useWorkbench();
const measurements = useMeasurements();
const found = computed(() => measurements.answer?.weighing ?? null);
const weighing = computed(() => workbench.bench?.car.measured.weighing);
const corners = computed(() => weighing.value?.scales === "corners");
const items = computed(() => workbench.bench?.car.loading.items ?? []);
const complaints = computed(() => found.value?.complaints ?? []);
watch(step, (now) => (raised.value = now > 0), { immediate: true });
</script>

<template>
  <form aria-label="Weighing" @submit.prevent>
    <ol class="steps">
      <li v-for="(title, index) in STEPS" :key="title">
        <button
          type="button"
          :aria-current="step === index ? 'step' : undefined"
          :class="{ here: step === index }"
          @click="step = index"
        >
          {{ index + 1 }} {{ title }}
        </button>
      </li>
    </ol>

    <template v-if="step === 0">
      <p class="label how">
        Level ground, tyres at pressure, each wheel on its scale, brakes off, bars and dampers as they run.
        Bounce the car, let it settle, then read.
      </p>
      <DocumentField :path="`${PATH}.scales`" />
      <div v-if="corners" class="corners">
        <DocumentField
          v-for="name in ['front_left', 'front_right', 'rear_left', 'rear_right']"
          :key="name"
          :path="`${PATH}.${name}`"
        />
      </div>
      <template v-else>
        <DocumentField :path="`${PATH}.front`" />
        <DocumentField :path="`${PATH}.rear`" />
      </template>
      <template v-if="items.length">
        <h2>What was aboard</h2>
        <DocumentField
          v-for="(item, index) in items"
          :key="item.name"
          :path="`car.loading.items.${index}.on_scales`"
          :label="`${item.name}, ${show(item.mass, 'mass')}`"
        />
      </template>
      <p v-else class="label how">
        Driver and fuel come and go: add them under Loads, and say there what was aboard.
      </p>
      <div class="found">
        <NumberTag label="all" headline="measurements/weighing.mass" dimension="reading" />
        <NumberTag label="front" headline="measurements/weighing.front_share" dimension="share" />
        <NumberTag
          v-if="corners"
          label="left"
          headline="measurements/weighing.left_share"
          dimension="share"
        />
        <NumberTag
          v-if="corners"
          label="cross, front right and rear left"
          headline="measurements/weighing.cross_share"
          dimension="share"
        />
      </div>
    </template>

    <template v-else-if="step === 1">
      <p class="label how">
        Lock the springs solid, so that only the whole car tilts. Raise the rear wheels on firm stands under
        scales, never on a jack; wheels straight, brakes off, chocks near, nobody under the car.
      </p>
      <DocumentField
        v-for="name in ['lift', 'raised_front', 'raised_rear', 'hub_height', 'scale_error', 'lift_error']"
        :key="name"
        :path="`${PATH}.${name}`"
      />
      <div class="found">
        <NumberTag label="front gains" headline="measurements/weighing.front_gain" dimension="reading" />
        <NumberTag label="tilt" headline="measurements/weighing.tilt" dimension="angle" />
        <NumberTag label="CG height" headline="measurements/weighing.cg_height" dimension="length" />
        <NumberTag label="known to ±" headline="measurements/weighing.cg_error" dimension="length" />
        <NumberTag
          quiet
          label="from the scales ±"
          headline="measurements/weighing.scales_error"
          dimension="length"
        />
        <NumberTag
          quiet
          label="from the lift ±"
          headline="measurements/weighing.lift_error"
          dimension="length"
        />
      </div>
      <p v-if="found?.advice" class="watch advice" role="status">{{ showPhrase(found.advice) }}</p>
    </template>

    <template v-else>
      <TakeOver v-if="found" :takes="found.takes" what="the weighing" @taken="emit('closed')" />
      <p v-if="!found || !Object.keys(found.takes).length" class="label how">
        Nothing to take over yet: read the scales first.
      </p>
      <p v-else-if="found.cg_height === null && !complaints.length" class="label how">
        Mass and balance only: the height needs the raised weighing.
      </p>
      <p v-for="complaint in complaints" :key="complaint.path" class="bad advice" role="alert">
        {{ showPhrase(complaint.message) }}
      </p>
      <p v-if="found?.advice" class="watch advice" role="status">{{ showPhrase(found.advice) }}</p>
    </template>

    <p class="turn">
      <button class="plain-button" type="button" :disabled="step === 0" @click="step -= 1">Back</button>
      <button v-if="step < 2" class="plain-button" type="button" @click="step += 1">Next</button>
      <button class="plain-button" type="button" @click="emit('closed')">Leave the weighing</button>
    </p>
  </form>
</template>

<style scoped>
.steps {
  display: flex;
  gap: 0.3rem;
  list-style: none;
  margin-bottom: 0.4rem;
}
.steps button {
  border: 1px solid var(--rule);
  border-radius: 2px;
  color: var(--soft);
  font-family: var(--narrow);
  padding: 0.15rem 0.5rem;
}
.steps .here {
  background: var(--tint);
  border-color: var(--ink);
  color: var(--ink);
}
.how {
  margin: 0.3rem 0;
}
h2 {
  font-size: 0.9rem;
  font-weight: 600;
  margin-top: 0.4rem;
}
.corners {
  column-gap: 0.8rem;
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.corners :deep(.field) {
  grid-template-columns: 1fr 5.6rem;
}
.found {
  border-top: 1px solid var(--rule);
  column-gap: 0.8rem;
  display: grid;
  grid-template-columns: 1fr 1fr;
  margin-top: 0.4rem;
  padding-top: 0.3rem;
}
.advice {
  font-size: 0.9rem;
  margin: 0.3rem 0;
}
.turn {
  display: flex;
  gap: 0.4rem;
  margin-top: 0.6rem;
}
</style>
