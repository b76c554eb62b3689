<script setup lang="ts">
// One field of a document, whatever it holds: label, unit, bounds and help all come from the document's own schema.
import { computed, ref, shallowRef, useId, watch } from "vue";
import { valueAt } from "@/documents/paths";
import { isConfirmed, isUnconfirmed } from "@/documents/marks";
import { useEditor } from "@/documents/editor";
import { otherUnit, parse, parseSizes, show, showNumber, unitOf, units, type Offer } from "@/units/units";
import { useHelp, whenReleased } from "./help";

const props = withDefaults(
  defineProps<{
    path: string;
    bare?: boolean;
    label?: string;
    /** The owner of the field, for screen readers. */
    context?: string;
    /** What may be chosen, where another part of the document says it. */
    among?: readonly string[];
  }>(),
  { bare: false, label: undefined, context: "", among: undefined },
);
const editor = useEditor();
const help = useHelp();
const id = useId();
const meta = computed(() => editor.fieldAt(props.path));
const value = computed(() => valueAt(editor.document, props.path));
const dimension = computed(() => meta.value.dimension ?? "ratio");
const choices = computed(
  () => meta.value.choices ?? (props.among ? Object.fromEntries(props.among.map((one) => [one, one])) : null),
);
const isText = computed(() => meta.value.dimension === null && !choices.value && !meta.value.flag);

const written = computed(() => {
  if (isText.value) return String(value.value ?? "");
  if (Array.isArray(value.value))
    return value.value.map((size) => showNumber(size, dimension.value)).join(" + ");
  return value.value === null ? "" : showNumber(value.value as number, dimension.value);
});
// The text being typed; it stays until it is accepted, so that an error loses nothing.
const typed = ref<string | null>(null);
const fault = ref<string | null>(null);
/** The number typed, in a unit in which it is usual: Enter takes it. */
const offer = ref<Offer | null>(null);
const error = computed(() => fault.value ?? editor.errorAt(props.path));
/** The message below the field; not shown while the pointer is down, so that nothing moves under it. */
const message = shallowRef<{ error: string | null; offer: Offer | null }>({ error: null, offer: null });
watch(
  [error, offer],
  () => whenReleased(() => (message.value = { error: error.value ?? null, offer: offer.value })),
  { immediate: true },
);
/** More sizes than fit beside their label. */
const long = computed(() => Array.isArray(value.value) && value.value.length > 3);
const symbol = computed(() => (isText.value ? "" : unitOf(dimension.value).symbol));

/** Whether it is not given for this car: its word and its reason. */
const mark = computed(() => {
  const from = editor.copiedFrom;
  if (isUnconfirmed(editor.document, props.path))
    return from
      ? { word: "copied", why: `Copied from ${from}.` }
      : { word: "assumed", why: "Usual for such a car; nobody has given it for this one." };
  if (meta.value.assumption === null || value.value !== meta.value.preset) return null;
  if (isConfirmed(editor.document, props.path)) return null;
  return { word: "assumed", why: meta.value.assumption };
});
const usualRange = computed(() => {
  if (!meta.value.usual) return "";
  const [low, high] = meta.value.usual;
  return `${showNumber(low, dimension.value)} to ${show(high, dimension.value)}`;
});
const helpText = computed(
  () => `${meta.value.help}${usualRange.value ? ` Usual: ${usualRange.value}.` : ""}`,
);
const unusual = computed(() => {
  if (!meta.value.usual) return false;
  const [low, high] = meta.value.usual;
  return [value.value]
    .flat()
    .some((one) => typeof one === "number" && (one < low - 1e-9 || one > high + 1e-9));
});

watch(
  () => [units.system, value.value],
  () => {
    if (!error.value) typed.value = null;
  },
);

function read(text: string): unknown {
  if (isText.value) return meta.value.optional && text.trim() === "" ? null : text.trim();
  if (meta.value.optional && text.trim() === "") return null;
  // An empty list means unknown, where the document allows it.
  if (meta.value.many && text.trim() === "") return [];
  return meta.value.many ? parseSizes(text, dimension.value) : parse(text, dimension.value);
}

async function accept(): Promise<void> {
  if (typed.value === null || (typed.value === written.value && !mark.value)) {
    typed.value = null;
    fault.value = null;
    return;
  }
  // Typed as it stood: so it is right.
  if (typed.value === written.value) {
    typed.value = null;
    await editor.confirm(props.path);
    return;
  }
  if (!isText.value && !offer.value && (offer.value = otherUnit(typed.value, dimension.value, meta.value)))
    return;
  const found = offer.value?.value ?? read(typed.value);
  fault.value = !isText.value && typeof found === "string" ? found : null;
  if (fault.value !== null) return;
  const taken = await editor.edit(props.path, meta.value.many ? [found].flat() : found);
  if (taken) typed.value = null;
  offer.value = null;
}

function type(text: string): void {
  typed.value = text;
  offer.value = null;
}

/** A choice that another part stands in the way of, and what would make room for it. */
const wanted = ref<unknown>(null);
const remedy = computed(() => (wanted.value === null ? null : editor.remedyFor(props.path, wanted.value)));

async function choose(choice: unknown): Promise<void> {
  wanted.value = null;
  if (await editor.edit(props.path, choice)) return;
  if (editor.remedyFor(props.path, choice)) wanted.value = choice;
}

async function makeRoom(): Promise<void> {
  if (remedy.value && (await editor.editAll(props.path, remedy.value.values))) wanted.value = null;
}

function leaveIt(): void {
  wanted.value = null;
  editor.forgive();
}

function giveUp(): void {
  typed.value = null;
  fault.value = null;
  offer.value = null;
  editor.forgive();
}
</script>

<template>
  <div class="field" :class="{ bare, long, text: isText }" @focusin="whenReleased(() => (help = id))">
    <label class="label" :class="{ away: bare }" :for="id"
      ><span v-if="context" class="away">{{ context }}, </span>{{ label ?? meta.title }}</label
    >
    <input
      v-if="meta.flag"
      :id="id"
      type="checkbox"
      :checked="Boolean(wanted ?? value)"
      :data-path="path"
      @change="choose(($event.target as HTMLInputElement).checked)"
    />
    <select
      v-else-if="choices"
      :id="id"
      :value="wanted ?? value"
      :data-path="path"
      @change="choose(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="(word, key) in choices" :key="key" :value="key">{{ word }}</option>
    </select>
    <span v-else class="entry" :class="{ wrong: error, text: isText }">
      <input
        :id="id"
        :value="typed ?? written"
        autocomplete="off"
        spellcheck="false"
        :aria-invalid="Boolean(error || offer)"
        :aria-describedby="`${id}-help`"
        :title="bare ? helpText : undefined"
        :data-path="path"
        @input="type(($event.target as HTMLInputElement).value)"
        @focus="($event.target as HTMLInputElement).select()"
        @change="offer ? undefined : accept()"
        @keydown.enter="accept"
        @keydown.esc="giveUp"
      />
      <span v-if="symbol || !isText" class="unit">{{ symbol }}</span>
    </span>
    <button
      v-if="mark"
      class="assumed"
      type="button"
      :title="`${mark.why} Press to accept it as it stands.`"
      @click="editor.confirm(path)"
    >
      {{ mark.word }}
    </button>
    <p v-if="message.error" class="bad word" role="alert">{{ message.error }}</p>
    <p v-if="message.offer" class="word">
      <button class="plain-button" type="button" @click="accept">{{ message.offer.words }}?</button>
      Enter takes it.
    </p>
    <p v-if="remedy" class="word remedy">
      <button class="plain-button" type="button" @click="makeRoom">{{ remedy.label }}</button>
      <button class="plain-button" type="button" @click="leaveIt">Leave it as it was</button>
    </p>
    <p v-else-if="!message.error && unusual" class="watch word">Outside the usual {{ usualRange }}.</p>
    <p :id="`${id}-help`" :class="help === id && !bare ? 'label help' : 'away'" data-help>{{ helpText }}</p>
  </div>
</template>

<style scoped>
.field {
  align-items: center;
  column-gap: 0.5rem;
  display: grid;
  grid-template-columns: minmax(7.5rem, 1fr) 8.2rem var(--mark, 3.6rem);
  position: relative;
}
.field.bare {
  grid-template-columns: 1fr auto;
}
.field.long {
  grid-template-columns: 1fr;
}
/* Words have no unit, and seldom a mark. */
.field.text:not(:has(> .assumed)) .entry {
  grid-column: 2 / -1;
}
.field.long input {
  font-family: var(--narrow);
  font-size: 0.86rem;
}
.entry {
  align-items: baseline;
  border-bottom: 1px solid var(--rule);
  display: flex;
}
.entry:hover {
  border-color: var(--soft);
}
.entry.wrong {
  border-bottom: 2px solid var(--bad);
}
input[type="checkbox"] {
  accent-color: var(--ink);
  height: 1.1rem;
  justify-self: start;
  margin: 0.25rem 0;
  width: 1.1rem;
}
.entry input {
  background: transparent;
  border: 0;
  font-weight: 500;
  min-width: 0;
  padding: 0.16rem 0.2rem;
  text-align: right;
  width: 100%;
}
.text input {
  text-align: left;
}
select {
  background: var(--paper);
  border: 0;
  border-bottom: 1px solid var(--rule);
  font-family: var(--narrow);
  grid-column: 2 / -1;
  min-width: 0;
  padding: 0.16rem 0;
  width: 100%;
}
.unit {
  color: var(--soft);
  flex: none;
  font-family: var(--narrow);
  font-size: 0.85rem;
  min-width: 2.1rem;
  padding-left: 0.3rem;
}
.assumed {
  border: 1px dotted var(--watch);
  border-radius: 2px;
  color: var(--watch);
  font-family: var(--narrow);
  font-size: 0.75rem;
  padding: 0.1rem 0.15rem;
  white-space: nowrap;
}
.help {
  grid-column: 1 / -1;
  padding: 0.1rem 0 0.3rem;
}
.remedy {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
}
.word {
  font-size: 0.82rem;
  grid-column: 1 / -1;
}
.field:has(> .assumed) > select {
  grid-column: 2;
}
/* A choice in words needs more room than a number. */
.field:not(.bare):has(> select):has(> .assumed) {
  grid-template-columns: minmax(5rem, 1fr) minmax(0, 11rem) var(--mark, 3.6rem);
}
@media (max-width: 1150px) {
  .field:not(.bare, .long) {
    grid-template-columns: minmax(4.6rem, 1fr) minmax(5.6rem, 7rem) var(--mark, 3.4rem);
  }
}
@media (pointer: coarse) {
  input,
  select {
    min-height: 2.4rem;
  }
}
</style>
