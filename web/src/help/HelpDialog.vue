<script setup lang="ts">
// Keys and words, behind `?`.
import Dialog from "primevue/dialog";
import { KEYS, WORDS } from "./words";

const visible = defineModel<boolean>({ required: true });
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Keys and words" class="help">
    <div class="both" tabindex="0">
      <section aria-label="Keys">
        <h3>Keys</h3>
        <dl>
          <div v-for="row in KEYS" :key="row.keys">
            <dt>
              <kbd>{{ row.keys }}</kbd>
            </dt>
            <dd>{{ row.does }}</dd>
          </div>
        </dl>
      </section>
      <section aria-label="Words">
        <h3>Words</h3>
        <dl>
          <div v-for="(meaning, word) in WORDS" :key="word">
            <dt>{{ word }}</dt>
            <dd>{{ meaning }}</dd>
          </div>
        </dl>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.both {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  max-height: 70vh;
  max-width: 58rem;
  overflow: auto;
  width: min(58rem, 84vw);
}
h3 {
  font-size: 1rem;
  font-weight: 600;
}
dl > div {
  border-top: 1px solid var(--rule);
  padding: 0.2rem 0;
}
dt {
  font-weight: 500;
}
dd {
  font-size: 0.9rem;
}
kbd {
  font-family: var(--narrow);
  font-weight: 600;
}
</style>
