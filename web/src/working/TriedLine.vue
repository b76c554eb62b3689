<script setup lang="ts">
// A change tried on, to be kept or undo it.
defineProps<{ tried: { title: string } | null }>();
defineEmits<{ keep: []; putBack: [] }>();
</script>

<template>
  <p v-if="tried" class="tried" role="status">
    <span>Trying: {{ tried.title }}</span>
    <span class="choice">
      <button class="plain-button" type="button" @click="$emit('keep')">keep</button>
      <button class="plain-button" type="button" @click="$emit('putBack')">undo it</button>
    </span>
  </p>
</template>

<style scoped>
.choice {
  display: flex;
  gap: 0.3rem;
}
.tried {
  align-items: center;
  display: flex;
  font-size: 0.88rem;
  gap: 0.5rem;
  justify-content: space-between;
  padding: 0.3rem 0;
}
</style>
