<script setup lang="ts">
import Button from 'primevue/button'
import { t } from '@/shared/words'
import DockedColumn from './DockedColumn.vue'

/**
 * What would follow from what is being written: what is wrong with it, in the slot what it would do, and the buttons
 * that put it in force or drop it.
 */
defineProps<{
  name: string
  save: string
  /** Of the server, when it could not look. */
  trouble?: string
  /** Where, and what; null while it is worked out. */
  problems: { part: string; sentence: string }[] | null
  busy: boolean
}>()
defineEmits<{ save: []; drop: [] }>()
</script>

<template>
  <DockedColumn :name="name" :label="t('draft.title')">
    <h2>{{ t('draft.title') }}</h2>
    <p v-if="trouble" class="clay" role="alert">{{ trouble }}</p>
    <p v-else-if="!problems" class="soft">{{ t('draft.computing') }}</p>
    <template v-else>
      <section v-if="problems.length" role="alert">
        <h3 class="clay">{{ t('draft.wrong') }}</h3>
        <ul>
          <li v-for="(problem, index) in problems" :key="index">
            <strong>{{ problem.part }}:</strong> {{ problem.sentence }}
          </li>
        </ul>
      </section>
      <div role="status"><slot /></div>
    </template>
    <p class="actions">
      <Button
        size="small"
        :disabled="busy || !!trouble || !problems || problems.length > 0"
        :label="save"
        @click="$emit('save')"
      />
      <button class="word" @click="$emit('drop')">{{ t('draft.drop') }}</button>
    </p>
  </DockedColumn>
</template>

<style scoped>
.docked {
  --docked: 380px;
  position: sticky;
  top: 0;
  align-self: flex-start;
  min-height: 100%;
  max-height: calc(100vh - 48px);
}
ul,
:slotted(ul) {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
:slotted(ul) .lose {
  border-left: 4px solid var(--clay);
  padding-left: 10px;
}
:slotted(ul) .gain {
  border-left: 4px solid var(--spruce);
  padding-left: 10px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  position: sticky;
  bottom: 0;
  background: var(--sheet);
  padding: 6px 0;
}
</style>
