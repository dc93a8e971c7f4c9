<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TodayDecisions } from '@/shared/api'
import { t } from '@/shared/words'
import TodayDecision from './TodayDecision.vue'

/** What waits of one kind: how many, and the first of them, each with the one act that settles it. */
const props = defineProps<{ decisions: TodayDecisions }>()
const FOLDED = 5
const all = ref(false)
const shown = computed(() => props.decisions.items.slice(0, all.value ? undefined : FOLDED))
const left = computed(() => props.decisions.count - shown.value.length)
</script>

<template>
  <section :class="decisions.kind" :aria-labelledby="'today-' + decisions.kind">
    <h2 :id="'today-' + decisions.kind">
      {{
        t(
          `today.kind.${decisions.kind}`,
          { n: decisions.more ? t('today.moreThan', { n: $n(decisions.count) }) : $n(decisions.count) },
          decisions.count,
        )
      }}
    </h2>
    <ul>
      <TodayDecision v-for="each in shown" :key="each.id" :kind="decisions.kind" :decision="each" />
    </ul>
    <p v-if="left > 0">
      <button v-if="!all && decisions.items.length > FOLDED" class="word" @click="all = true">
        {{ t('today.showFurther', { n: $n(left) }, left) }}
      </button>
      <span v-else class="soft">{{ t('today.further', { n: $n(left) }, left) }}</span>
    </p>
  </section>
</template>

<style scoped>
section {
  border-left: 4px solid var(--brass);
  padding: 2px 0 2px 14px;
}
.no-lead,
.bounced {
  border-color: var(--clay);
}
.draft {
  border-color: var(--line);
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
</style>
