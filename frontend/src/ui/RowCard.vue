<script setup lang="ts">
import Tick from './Tick.vue'

/** A row as a card, where there is no room for columns: chosen by its box, opened by what it says. */
defineProps<{
  /** Whether it is chosen, where it may be. */
  chosen: boolean | undefined
  pickName: string | undefined
  opens: boolean | undefined
}>()
defineEmits<{ choose: []; open: [] }>()
</script>

<template>
  <Tick v-if="chosen !== undefined" :model-value="chosen" :label="pickName" @update:model-value="$emit('choose')" />
  <button v-if="opens" type="button" class="told" @click="$emit('open')"><slot /></button>
  <div v-else class="told"><slot /></div>
</template>

<style scoped>
.told {
  flex: 1;
  min-width: 0;
  text-align: left;
  background: none;
  border: 0;
  padding: 2px 0;
}
</style>
