<script setup lang="ts">
import DayField from '@/ui/DayField.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, take, type RosterChange, type Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { isDay } from '@/shared/days'
import { usePlatform } from '@/shared/platform'
import { download } from '@/shared/csv'
import { inSentence, t } from '@/shared/words'

/** Who came, went or changed between the end of two days. */
const props = defineProps<{ site: Site }>()
const { roleName } = usePlatform()
const LISTS = ['came', 'went', 'changed'] as const
const dayOf = (date: Date) => date.toISOString().slice(0, 10)
const until = ref(dayOf(platformNow()))
const from = ref(dayOf(new Date(platformNow().getTime() - 30 * 86_400_000)))

const { data: changes, error } = useQuery({
  queryKey: ['roster', computed(() => props.site.id), 'changes', from, until],
  enabled: computed(() => isDay(from.value) && isDay(until.value)),
  queryFn: () =>
    take(
      api.GET('/sites/{site}/roster-changes', {
        params: { path: { site: props.site.id }, query: { from: from.value, until: until.value } },
      }),
    ),
  placeholderData: keepPreviousData,
})
const then = (standing: RosterChange['before']) =>
  standing
    ? t('log.is', { role: inSentence(roleName(standing.role)), state: inSentence(t(`state.${standing.state}`)) })
    : ''

function save() {
  const rows = LISTS.flatMap((list) =>
    (changes.value?.[list] ?? []).map((each) => [list, each.person.name, then(each.before), then(each.after)]),
  )
  download(`${props.site.code.toLowerCase()}-${from.value}-${until.value}.csv`, [
    ['', t('roster.col.name'), from.value, until.value],
    ...rows,
  ])
}
</script>

<template>
  <section class="compare">
    <p class="days">
      <DayField v-model="from" shown :label="t('log.between')" :zone="site.timeZone" />
      {{ ' ' }}<DayField v-model="until" shown :label="t('log.and')" :zone="site.timeZone" />
      <Button v-if="changes" size="small" variant="outlined" :label="t('log.csv')" @click="save" />
    </p>
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <div v-else-if="changes" class="lists">
      <div v-for="list in LISTS" :key="list">
        <h3>{{ t(`log.${list}`, { n: changes[list].length }, changes[list].length) }}</h3>
        <ul>
          <li v-for="each in changes[list]" :key="each.person.id">
            <strong>{{ each.person.name }}</strong>
            {{ ' '
            }}<span class="soft">{{
              list === 'came'
                ? then(each.after)
                : list === 'went'
                  ? then(each.before)
                  : `${then(each.before)} → ${then(each.after)}`
            }}</span>
          </li>
        </ul>
      </div>
    </div>
  </section>
</template>

<style scoped>
.compare {
  border-left: 4px solid var(--mint);
  padding: 6px 14px;
  display: grid;
  gap: 10px;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.lists {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 18px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  max-height: 260px;
  overflow: auto;
}
li {
  border-bottom: 1px solid var(--line);
  padding: 3px 0;
}
</style>
