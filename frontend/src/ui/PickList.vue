<script setup lang="ts">
import { ref } from 'vue'

/** A field, and under it what it found, walked through with the arrows and picked with Enter or a click. */
defineProps<{ items: string[] }>()
defineEmits<{ pick: [id: string] }>()
const root = ref<HTMLElement>()

function step(event: KeyboardEvent) {
  const stops = [...(root.value?.querySelectorAll<HTMLElement>('[data-stop]') ?? [])]
  stops[stops.indexOf(document.activeElement as HTMLElement) + (event.key === 'ArrowDown' ? 1 : -1)]?.focus()
}
</script>

<template>
  <div ref="root" class="picks" @keydown.down.prevent="step" @keydown.up.prevent="step">
    <slot />
    <ul v-if="items.length">
      <li v-for="id in items" :key="id">
        <button type="button" data-stop @click="$emit('pick', id)"><slot :id="id" name="item" /></button>
      </li>
    </ul>
    <slot name="empty" />
  </div>
</template>

<style scoped>
.picks {
  display: grid;
  gap: 4px;
}
.picks :slotted(label) {
  font-weight: 600;
  font-size: 0.92rem;
}
ul {
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  max-height: 340px;
  overflow: auto;
}
button {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  width: 100%;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  padding: 6px 10px;
  cursor: pointer;
}
li:last-child button {
  border-bottom: 0;
}
button:hover,
button:focus {
  background: var(--mint-pale);
}
</style>
