<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { words } from '@/shared/words'
import { t } from '@/shared/words'
import InTurn from './InTurn.vue'
import PlainTable from './PlainTable.vue'
import type { ChartDrawing } from './chart'

/**
 * Numbers over days or minutes as a picture, with a sentence that says what is to be seen and the numbers as a table.
 * What draws it is loaded when it is there; its place is kept.
 */
const props = defineProps<
  ChartDrawing & {
    /** What the picture is of. */
    label: string
    /** What is to be seen in it, for who does not see it. */
    said: string
    /** Heading of what is counted along, such as "Day". */
    along: string
    height?: number
  }
>()
defineEmits<{ pick: [place: number] }>()
const ChartDrawn = defineAsyncComponent(() => import('./ChartDrawn.vue'))

/** Whether the numbers are looked at: they are not written before. */
const opened = ref(false)
const table = computed(() =>
  props.places.map((place, index) => [place, ...props.series.map((each) => words.global.n(each.numbers[index] ?? 0))]),
)
</script>

<template>
  <figure>
    <div role="img" :aria-label="`${label}. ${said}`" :style="{ height: `${height ?? 200}px` }">
      <InTurn>
        <ChartDrawn
          :places="places"
          :series="series"
          :marks="marks"
          :limit="limit"
          :pickable="pickable"
          @pick="$emit('pick', $event)"
        />
      </InTurn>
    </div>
    <figcaption class="soft">{{ said }}</figcaption>
    <details @toggle="opened = ($event.target as HTMLDetailsElement).open">
      <summary>{{ t('parts.numbers') }}</summary>
      <div v-if="opened" class="numbers" tabindex="0" role="group" :aria-label="t('parts.numbers')">
        <PlainTable :name="label" :head="[along, ...series.map(({ name }) => name)]" :rows="table" />
      </div>
    </details>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  min-width: 0;
}
details {
  margin-top: 2px;
}
summary {
  cursor: pointer;
  width: max-content;
  color: var(--spruce);
}
.numbers {
  max-height: 240px;
  overflow: auto;
}
@media print {
  details {
    display: none;
  }
}
</style>
