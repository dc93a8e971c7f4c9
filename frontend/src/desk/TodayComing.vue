<script setup lang="ts">
import { computed } from 'vue'
import type { Today } from '@/shared/api'
import { day, lastDay } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'

/** What changes by itself in the next two weeks, by day. */
const props = defineProps<{ coming: Today['coming'] }>()
type ToCome = Today['coming'][number]
const ENDS = ['door-shuts', 'site-closes']
const SHOWN = 10

/** What ends is said by its last day, which is included. */
const when = (each: ToCome) =>
  ENDS.includes(each.kind) ? lastDay(each.at, each.timeZone) : day(each.at, each.timeZone)
const said = (each: ToCome) =>
  tIn('today.coming', each.kind, { name: each.name || tIn('today.doorKind', each.doorKind || 'key') })
const days = computed(() => {
  const byDay = new Map<string, ToCome[]>()
  for (const each of props.coming.slice(0, SHOWN)) byDay.set(when(each), [...(byDay.get(when(each)) ?? []), each])
  return [...byDay]
})
</script>

<template>
  <section aria-labelledby="today-coming">
    <h2 id="today-coming">{{ t('today.next') }}</h2>
    <p v-if="!coming.length" class="soft">{{ t('today.nothingNext') }}</p>
    <dl v-else>
      <div v-for="[on, items] in days" :key="on">
        <dt class="nums">{{ on }}</dt>
        <dd v-for="(each, place) in items" :key="place">
          <template v-if="each.site"
            ><RouterLink
              :to="{ name: each.kind === 'door-shuts' ? 'doors' : 'roster', params: { site: each.site.id } }"
              >{{ each.site.name }}</RouterLink
            >
            {{ ' ' }}</template
          >{{ said(each) }}
        </dd>
      </div>
    </dl>
    <p v-if="coming.length > SHOWN" class="soft">
      {{ t('today.further', { n: coming.length - SHOWN }, coming.length - SHOWN) }}
    </p>
  </section>
</template>

<style scoped>
dl {
  margin: 4px 0 0;
}
dl > div {
  display: grid;
  grid-template-columns: 76px 1fr;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
dt {
  grid-row: span 20;
  font-weight: 600;
}
dd {
  grid-column: 2;
  margin: 0;
}
</style>
