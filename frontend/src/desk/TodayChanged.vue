<script setup lang="ts">
import { computed } from 'vue'
import { api, take, type Today } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone } from '@/shared/own'
import { queries } from '@/shared/queries'
import { dayAndTime } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'

/** What others did in one's sites since one said that one had seen it. */
const props = defineProps<{ today: Today }>()
const SHOWN = 3
const { busy, run } = useBusy()
const seen = () => run(async () => void queries.setQueryData(['today'], await take(api.PUT('/today/seen'))))
const since = computed(() =>
  props.today.seenAt ? t('today.since', { at: dayAndTime(props.today.seenAt, ownZone) }) : t('today.sinceWeek'),
)
const what = (each: Today['changed'][number]) =>
  each.codes
    .slice(0, SHOWN)
    .map(({ code, count }) => tIn('log.verbs', code) + (count > 1 ? ' ×' + count : ''))
    .join(', ') + (each.codes.length > SHOWN ? ' …' : '')
const who = (each: Today['changed'][number]) =>
  each.by.join(', ') + (each.others ? t('today.others', { n: each.others }, each.others) : '')
</script>

<template>
  <section aria-labelledby="today-changed">
    <h2 id="today-changed">{{ t('today.changed') }}</h2>
    <p class="soft">{{ since }}</p>
    <p v-if="!today.changed.length" class="soft">{{ t('today.unchanged') }}</p>
    <template v-else>
      <ul>
        <li v-for="each in today.changed" :key="each.site.id">
          <RouterLink :to="{ name: 'history', params: { site: each.site.id } }">{{ each.site.name }}</RouterLink>:
          {{ what(each) }} <span class="soft">{{ who(each) }}</span>
        </li>
      </ul>
      <p>
        <button class="word" :disabled="busy" @click="seen">{{ t('today.seen') }}</button>
      </p>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
</style>
