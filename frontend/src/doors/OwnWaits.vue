<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { dayAndTime } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'

/** What one waits with: a place in a line, a request, and a seat that is kept. */
const { data } = useQuery({ queryKey: ['waits'], queryFn: () => take(api.GET('/me/waits')), refetchInterval: 30_000 })
const { busy, run } = useBusy()
const answer = (wait: number, seat: boolean) =>
  run(async () => {
    const params = { path: { wait } }
    const joined = await take(
      seat ? api.POST('/me/waits/{wait}', { params }) : api.DELETE('/me/waits/{wait}', { params }),
    )
    done(t(`waits.did.${joined.passage === 'left' ? 'left' : 'in'}`, { title: joined.site.title }))
    await refreshSite()
  })
</script>

<template>
  <section v-if="data && (data.items.length || data.quiet.length)" :aria-label="t('waits.title')">
    <h2>{{ t('waits.title') }}</h2>
    <ul>
      <li v-for="each in data.quiet" :key="each.site.id" class="kept">
        <h3>{{ each.site.title }}</h3>
        <p>
          <strong>{{ t('waits.quiet', { at: dayAndTime(each.until, each.timeZone) }) }}</strong>
        </p>
        <p>
          <RouterLink :to="{ name: 'landing', params: { site: each.site.id } }"
            >{{ t('sites.enter') }}<span class="unseen">: {{ each.site.title }}</span></RouterLink
          >
        </p>
      </li>
      <li v-for="each in data.items" :key="each.id" :class="{ kept: each.offeredUntil }">
        <h3>{{ each.site.title }}</h3>
        <p v-if="each.offeredUntil">
          <strong>{{ t('waits.kept', { at: dayAndTime(each.offeredUntil, each.timeZone) }) }}</strong>
        </p>
        <p v-else-if="each.what === 'seat'">{{ t('waits.seat', { n: each.place, of: each.of }) }}</p>
        <p v-else>{{ t('waits.approval') }}</p>
        <p class="acts">
          <Button
            v-if="each.offeredUntil"
            :disabled="busy"
            :label="t('waits.take')"
            :aria-label="`${t('waits.take')}: ${each.site.title}`"
            @click="answer(each.id, true)"
          /><button
            class="word"
            :disabled="busy"
            :aria-label="`${t('waits.leave')}: ${each.site.title}`"
            @click="answer(each.id, false)"
          >
            {{ t('waits.leave') }}
          </button>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 16px;
  display: grid;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(auto-fill, minmax(min(340px, 100%), 1fr));
}
li {
  display: grid;
  gap: 6px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-left: 4px solid var(--soft);
  border-radius: 0 6px 6px 0;
  padding: 10px 14px;
}
li.kept {
  border-left-color: var(--brass);
  background: var(--brass-pale);
}
</style>
