<script setup lang="ts">
// A joint: arrow keys and the two buttons step through stock sizes, Enter or a digit types one.
import { computed, nextTick, ref, useTemplateRef } from "vue";
import { fieldAt, fieldsOf } from "@/documents/schema";
import { otherUnit, parse, parseSizes, showSizes, type Offer } from "@/units/units";
import { useSheet } from "@/working/sheet";
import { useWorkbench } from "@/workbench/workbench";

const props = defineProps<{
  jointKey: string;
  /** What is fitted and what a step does, where the size itself says little. */
  spoken?: string;
  steps?: { smaller: string; bigger: string };
}>();
const workbench = useWorkbench();
const sheet = useSheet();
const typing = ref<string | null>(null);
const fault = ref<string | null>(null);
/** The number typed, in a unit in which it is usual: Enter takes it. */
const offer = ref<Offer | null>(null);
const entry = useTemplateRef<HTMLInputElement>("entry");
const spin = useTemplateRef<HTMLElement>("spin");

const joint = computed(() => workbench.assessment!.joints.find((one) => one.key === props.jointKey)!);
const size = computed(() => showSizes(joint.value.sizes, joint.value.dimension));
const was = computed(() => {
  const before = workbench.ghost?.assessment.joints.find((one) => one.key === props.jointKey);
  const text = before ? showSizes(before.sizes, before.dimension) : size.value;
  return text === size.value ? "" : text;
});
const title = computed(() =>
  joint.value.title.replace(/^(Front|Rear) (.)/, (_, axle, letter) => `${axle} ${letter}`),
);
const error = computed(() => {
  const changed = workbench.refusal?.path ?? "";
  const own = [`setup.${props.jointKey}`, `setup.${joint.value.path}`].includes(changed);
  return fault.value ?? (own ? workbench.errorAt(changed) : null);
});
/** The next size that way. */
function next(way: "smaller" | "bigger"): string {
  const swap = joint.value[way];
  return swap ? (props.steps?.[way] ?? showSizes(swap.sizes, joint.value.dimension)) : "end";
}
const KEYS: Record<string, "smaller" | "bigger"> = {
  ArrowUp: "bigger",
  ArrowRight: "bigger",
  ArrowDown: "smaller",
  ArrowLeft: "smaller",
};

function pressed(event: KeyboardEvent): void {
  const to = KEYS[event.key];
  if (to) {
    event.preventDefault();
    void workbench.step(props.jointKey, event.shiftKey ? `${to}_family` : to, event.repeat);
  } else if (event.key === " ") {
    event.preventDefault();
    openPart();
  } else if (event.key === "Enter" || event.key === "F2") {
    event.preventDefault();
    void type(size.value);
  } else if (/^[\d.]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
    event.preventDefault();
    event.stopPropagation();
    void type(event.key);
  }
}

async function type(text: string): Promise<void> {
  typing.value = text;
  await nextTick();
  entry.value?.focus();
  if (text === size.value) entry.value?.select();
}

async function accept(): Promise<void> {
  if (typing.value === null) return;
  const { path, dimension } = joint.value;
  const field = fieldAt(`setup.${path}`);
  if (!offer.value && (offer.value = otherUnit(typing.value, dimension, field))) return;
  const asTyped = field.many ? parseSizes(typing.value, dimension) : parse(typing.value, dimension);
  const found = offer.value ? (field.many ? [offer.value.value].flat() : offer.value.value) : asTyped;
  offer.value = null;
  if (typeof found === "string") {
    fault.value = found;
    return;
  }
  fault.value = null;
  const neighbour = joint.value.bigger ?? joint.value.smaller;
  const swap = { sizes: [found].flat(), patch: { ...neighbour?.patch, [path]: found } };
  if (await workbench.fit(`setup.${path}`, swap)) stopTyping();
}

function stopTyping(): void {
  typing.value = null;
  fault.value = offer.value = null;
  workbench.forgive();
  // Back to the joint, unless the hand has gone elsewhere meanwhile.
  void nextTick(() => {
    if (document.activeElement === document.body) spin.value?.focus();
  });
}

// What belongs to a part's job but stands elsewhere in the documents.
const BESIDE: Record<string, string[]> = {
  pedal: ["car.driver.foot_force", "car.driver.foot_force_limit"],
  pad: ["setup.radius_method", "setup.pad_tolerance"],
};

function openPart(): void {
  const part = joint.value.path.replace(/\.[^.]+$/, "");
  const kind = part.split(".").at(-1) ?? "";
  sheet.part(joint.value.title, [...fieldsOf(`setup.${part}`), ...(BESIDE[kind] ?? [])]);
}
</script>

<template>
  <div class="joint" :data-joint="jointKey">
    <div
      ref="spin"
      role="spinbutton"
      tabindex="0"
      :aria-label="title"
      :aria-valuenow="joint.sizes[0]"
      :aria-valuetext="spoken ?? size"
      @keydown="pressed"
      @dblclick="type(size)"
    >
      <span class="label">{{ title }}</span>
      <span class="size" data-size>{{ spoken ?? size }}</span>
      <i v-if="was" class="was">was {{ was }}</i>
    </div>
    <div class="steps" data-floating>
      <form v-if="typing !== null" @submit.prevent="accept">
        <input
          ref="entry"
          v-model="typing"
          :aria-label="`${title}, type a size`"
          :aria-invalid="Boolean(error)"
          autocomplete="off"
          @input="offer = null"
          @keydown.esc.prevent="stopTyping"
        />
        <button class="plain-button" type="submit">{{ offer ? `${offer.words}?` : "fit" }}</button>
      </form>
      <template v-else>
        <button
          class="step"
          type="button"
          tabindex="-1"
          :disabled="!joint.smaller"
          :aria-label="`${title} smaller`"
          @click="workbench.step(jointKey, 'smaller')"
        >
          ◂ {{ next("smaller") }}
        </button>
        <button
          class="step"
          type="button"
          tabindex="-1"
          :disabled="!joint.bigger"
          :aria-label="`${title} bigger`"
          @click="workbench.step(jointKey, 'bigger')"
        >
          {{ next("bigger") }} ▸
        </button>
        <b class="now" aria-hidden="true">{{ spoken ?? size }}</b>
        <button
          class="step"
          type="button"
          tabindex="-1"
          :aria-label="`${title}, type a size`"
          @click="type(size)"
        >
          type
        </button>
        <button
          class="step"
          type="button"
          tabindex="-1"
          :aria-label="`${title}, all sizes of this part`"
          @click="openPart"
        >
          all
        </button>
      </template>
    </div>
    <p v-if="error" role="alert" class="error bad" data-floating>{{ error }}</p>
  </div>
</template>

<style scoped>
.joint {
  position: relative;
}
[role="spinbutton"] {
  border-radius: 2px;
  cursor: pointer;
  padding-right: 0.3rem;
}
.label {
  display: block;
  line-height: 1.15;
}
.size {
  font-size: 1.06rem;
  font-weight: 600;
  white-space: nowrap;
}
.was {
  color: var(--soft);
  font-family: var(--narrow);
  font-size: 0.78rem;
  margin-left: 0.3rem;
  white-space: nowrap;
}
/* Covers only its own words, in two lines: what moves stays visible. */
.steps {
  background: var(--paper);
  border: 1px solid var(--ink);
  border-radius: 3px;
  display: none;
  left: -6px;
  position: absolute;
  top: -4px;
  white-space: nowrap;
  z-index: 5;
}
/* They open under the pointer: the second press of a double one is not meant for them. */
@keyframes opening {
  from,
  to {
    pointer-events: none;
  }
}
.joint:focus-within .steps {
  animation: opening 0.5s;
  display: grid;
  grid-template-columns: auto auto auto;
}
.now {
  align-self: center;
  font-size: 1.02rem;
  font-weight: 600;
  padding: 0 0.4rem;
}
.joint:focus-within {
  z-index: 6;
}
.step {
  font-family: var(--narrow);
  font-size: 0.88rem;
  line-height: 1.2;
  padding: 0.05rem 0.4rem;
}
.step:nth-of-type(2) {
  grid-column: 2 / -1;
}
.step:hover:not(:disabled) {
  background: var(--tint);
}
.step:disabled {
  color: var(--soft);
}
@media (pointer: coarse) {
  .step {
    min-height: 2.7rem;
    min-width: 2.9rem;
  }
}
form {
  display: flex;
  gap: 0.3rem;
  grid-column: 1 / -1;
  padding: 0.25rem;
}
input {
  background: var(--paper);
  border: 1px solid var(--soft);
  padding: 0.2rem 0.35rem;
  width: 9rem;
}
.error {
  background: var(--paper);
  border: 1px solid var(--bad);
  border-radius: 3px;
  font-size: 0.85rem;
  left: -4px;
  padding: 0.3rem 0.5rem;
  position: absolute;
  top: 2.6rem;
  width: 15rem;
  z-index: 7;
}
</style>
