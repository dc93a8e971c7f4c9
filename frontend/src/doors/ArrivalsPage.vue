<script setup lang="ts">
import { ownLocale } from '@/shared/own'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import ChartOf from '@/ui/ChartOf.vue'
import Trouble from '@/ui/Trouble.vue'
import { useDoors } from './doors'
import WaitingList from './WaitingList.vue'

/** The first minutes of a class, live: who came in, who mistypes, who waits, each with what helps in one tap. */
const props = defineProps<{ site: Site }>()
const id = computed(() => props.site.id)
const { doors } = useDoors(id)
const keyDoor = computed(() =>
  doors.value.find((door) => door.kind === 'key' && door.key && door.state !== 'shut' && door.state !== 'over'),
)
const { data, error, refetch } = useQuery({
  queryKey: ['arrivals', id],
  queryFn: () => take(api.GET('/sites/{site}/arrivals', { params: { path: { site: id.value } } })),
  refetchInterval: 2_000,
})
const clock = (instant: string) =>
  new Intl.DateTimeFormat(ownLocale, { hour: '2-digit', minute: '2-digit', timeZone: props.site.timeZone }).format(
    new Date(instant),
  )
/** Each minute of the hour as the clock says it. */
const minutes = computed(() => {
  const now = new Date(data.value?.now ?? 0).getTime()
  return (data.value?.minutes ?? []).map((_, place, { length }) =>
    clock(new Date(now - 60_000 * (length - 1 - place)).toISOString()),
  )
})
const said = computed(() => {
  const came = data.value?.minutes ?? []
  const most = came.indexOf(Math.max(0, ...came))
  const last = came.slice(-5).reduce((sum, n) => sum + n, 0)
  return [
    t('doors.live.lastMinutes', { n: last }, last),
    came[most] ? t('doors.live.most', { n: came[most], at: minutes.value[most] }, came[most]) : '',
  ].join(' ')
})
const { busy, run } = useBusy()
const letIn = (person: string, name: string) =>
  run(async () => {
    const changeList = await take(
      api.POST('/sites/{site}/change-lists', {
        params: { path: { site: id.value } },
        body: { lines: [{ person, verb: 'let-in' }] },
      }),
    )
    done(t('doors.line.did.in', { name }), { site: id.value, entry: changeList.lines[0]?.entry ?? null })
    await refreshSite()
  })
</script>

<template>
  <div class="page">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="data">
      <header>
        <h1>{{ t('doors.live.title') }}</h1>
        <RouterLink v-if="keyDoor" :to="{ name: 'poster', params: { site: id, door: keyDoor.id } }">{{
          t('doors.live.showKey')
        }}</RouterLink>
        <RouterLink :to="{ name: 'doors', params: { site: id } }">{{ t('doors.live.back') }}</RouterLink>
      </header>
      <p class="big nums" role="status">
        <strong>{{ t('doors.live.in', { n: $n(data.numbers.came) }, data.numbers.came) }}</strong>
        <span :class="{ brass: data.mistyping.length }">{{
          t('doors.live.mistyping', { n: data.mistyping.length }, data.mistyping.length)
        }}</span>
        <span :class="{ brass: data.numbers.approval }">{{
          t('doors.live.approval', { n: $n(data.numbers.approval) }, data.numbers.approval)
        }}</span>
        <span v-if="data.numbers.seat">{{
          t('doors.live.line', { n: $n(data.numbers.seat) }, data.numbers.seat)
        }}</span>
      </p>
      <p v-if="!data.came.length && !data.mistyping.length && !data.waiting.length" class="soft">
        {{ t('doors.live.none') }}
      </p>
      <ul v-if="data.mistyping.length" class="fixes">
        <li v-for="(each, index) in data.mistyping" :key="index">
          <strong>{{ each.person?.name ?? t('doors.live.someone') }}</strong>
          {{ ' ' }}<span class="soft">{{ tIn('doors.live.slip', each.slip) }}, {{ clock(each.at) }}</span>
          <Button
            v-if="each.person"
            size="small"
            :disabled="busy"
            :label="t('doors.live.letIn')"
            :aria-label="`${t('doors.live.letIn')}: ${each.person.name}`"
            @click="letIn(each.person.id, each.person.name)"
          />
        </li>
      </ul>
      <WaitingList :waiting="data.waiting" :in-line="data.numbers.seat" :site="site" />
      <ChartOf
        v-if="data.came.length"
        :label="t('doors.live.minutes')"
        :said="said"
        :along="t('doors.live.minute')"
        :places="minutes"
        :series="[{ name: t('doors.live.cameIn'), numbers: data.minutes, as: 'bars', colour: 'spruce' }]"
        :height="150"
      />
      <section v-if="data.came.length">
        <h2>{{ t('doors.live.lastHour') }}</h2>
        <ol class="came">
          <li v-for="each in data.came" :key="each.person.id">
            <span class="num soft">{{ clock(each.at) }}</span> {{ each.person.name }}
          </li>
        </ol>
        <p v-if="data.numbers.came > data.came.length" class="soft">
          {{
            t('doors.live.more', { n: $n(data.numbers.came - data.came.length) }, data.numbers.came - data.came.length)
          }}
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 16px;
  align-content: start;
  overflow: auto;
  flex: 1;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: baseline;
}
h1 {
  margin-right: auto;
}
.big {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  font-family: var(--title);
  font-size: 1.9rem;
}
.fixes {
  list-style: none;
  margin: 0;
  padding: 0;
  border-left: 4px solid var(--brass);
}
.fixes li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 5px 12px;
}
.came {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  columns: 3 220px;
  column-gap: 24px;
}
.came li {
  padding: 2px 0;
  break-inside: avoid;
}
@media (max-width: 640px) {
  .big {
    font-size: 1.4rem;
  }
}
</style>
