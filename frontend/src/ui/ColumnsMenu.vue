<script setup lang="ts">
import Button from 'primevue/button'
import Popover from 'primevue/popover'
import { ref } from 'vue'
import type { Columns } from './columns'
import Tick from './Tick.vue'
import { t } from '@/shared/words'

/** Which columns a table shows, in which order and how wide: what a pointer does on the headings, for keys. */
defineProps<{ columns: Columns }>()
const popover = ref<InstanceType<typeof Popover>>()
const WIDER = 1.25
</script>

<template>
  <span class="only-wide"
    ><button type="button" class="word" aria-haspopup="dialog" @click="popover?.toggle($event)">
      {{ t('columns.open') }}
    </button>
    <Popover ref="popover" :aria-label="t('columns.title')">
      <ul>
        <li v-for="(column, place) in columns.all.value" :key="column.key">
          <Tick
            class="which"
            :model-value="!column.hidden"
            :disabled="column.always"
            @update:model-value="columns.toggle(column.key)"
            >{{ column.label }}</Tick
          >
          <button
            type="button"
            class="word"
            :disabled="place === 0"
            :aria-label="t('columns.earlierOf', { name: column.label })"
            @click="columns.move(column.key, -1)"
          >
            {{ t('columns.earlier') }}
          </button>
          <button
            type="button"
            class="word"
            :disabled="place === columns.all.value.length - 1"
            :aria-label="t('columns.laterOf', { name: column.label })"
            @click="columns.move(column.key, 1)"
          >
            {{ t('columns.later') }}
          </button>
          <button
            type="button"
            class="word"
            :aria-label="t('columns.widerOf', { name: column.label })"
            @click="columns.scale(column.key, WIDER)"
          >
            {{ t('columns.wider') }}
          </button>
          <button
            type="button"
            class="word"
            :aria-label="t('columns.narrowerOf', { name: column.label })"
            @click="columns.scale(column.key, 1 / WIDER)"
          >
            {{ t('columns.narrower') }}
          </button>
        </li>
      </ul>
      <p class="acts">
        <Button
          size="small"
          variant="text"
          :disabled="!columns.changed.value"
          :label="t('columns.reset')"
          @click="columns.reset()"
        />
        <span class="soft">{{ t('columns.hint') }}</span>
      </p>
    </Popover></span
  >
</template>

<style scoped>
@media (max-width: 640px) {
  .only-wide {
    display: none;
  }
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(120px, 1fr) repeat(4, auto);
  gap: 4px 14px;
  padding: 2px 0;
  font-size: 0.93rem;
}
.acts {
  font-size: 0.88rem;
  max-width: 30rem;
}
</style>
