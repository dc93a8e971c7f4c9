<script setup lang="ts">
import { computed } from 'vue'
import type { TermChange, TermChangedSite } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { usePlatform } from '@/shared/platform'
import { day, dayAndTime, lastDay, lineSentences } from '@/shared/sentences'
import { t } from '@/shared/words'

/** What a change of term comes to: for each site who leaves and comes, its dates and doors, and its first day. */
const props = defineProps<{ change: TermChange; term: string; anew: boolean }>()
const { roleName } = usePlatform()
const ALL = ['leave', 'ends', 'stay', 'follow', 'staff', 'come', 'here', 'notYet'] as const
const counts = (site: TermChangedSite) =>
  ALL.filter((what) => site.counts[what]).map((what) => ({ what, n: site.counts[what] }))
function dates(site: TermChangedSite): string {
  const from = site.opensAt && day(site.opensAt, site.timeZone)
  const until = site.closesAt && lastDay(site.closesAt, site.timeZone)
  if (!from) return t('terms.site.draft')
  if (new Date(site.opensAt!) <= platformNow()) return until ? t('terms.site.onUntil', { until }) : t('terms.site.on')
  return until ? t('terms.site.openUntil', { from, until }) : t('terms.site.open', { from })
}
const kept = (site: TermChangedSite) => site.firstDay.groups.reduce((sum, group) => sum + group.people, 0)
const expected = (site: TermChangedSite) => site.firstDay.enter + site.firstDay.look + kept(site)
const inTheWay = computed(() =>
  props.change.review.lines.filter(({ verdict }) => !['ready', 'nothing-to-do'].includes(verdict)),
)
</script>

<template>
  <ol :aria-label="t('terms.becomes')">
    <li v-for="site in change.sites" :key="site.site.id">
      <h3>
        {{
          anew
            ? t('terms.site.made', { title: site.site.title, new: site.title, code: site.code })
            : t('terms.site.goes', { title: site.title, before: site.before ?? t('terms.site.from'), term })
        }}
      </h3>
      <p class="row">
        <span v-for="{ what, n } in counts(site)" :key="what" :class="{ brass: what === 'notYet' }" class="nums">{{
          t(`terms.site.${what}`, { n: $n(n) }, n)
        }}</span>
      </p>
      <p class="row soft">
        <span>{{ dates(site) }}</span>
        <span v-if="site.oldCloses">{{
          t('terms.site.oldCloses', { until: lastDay(site.oldCloses, site.timeZone) })
        }}</span>
        <span v-if="site.doors.length">{{
          t('terms.site.doors', { names: site.doors.join(', ') }, site.doors.length)
        }}</span>
      </p>
      <p v-if="site.left.length" class="brass">
        {{ t('terms.site.left', { names: site.left.join(', ') }, site.left.length) }}
      </p>
      <p class="first" :class="{ all: !kept(site) }">
        {{
          t(
            'terms.site.firstDay',
            {
              at: dayAndTime(site.firstDay.at, site.timeZone),
              enter: $n(site.firstDay.enter + site.firstDay.look),
              n: $n(expected(site)),
            },
            expected(site),
          )
        }}
        <span class="brass">{{
          site.firstDay.groups
            .map((group) => t(`firstDayCheck.cause.${group.reason.causes[0]!.code}`, { n: group.people }, group.people))
            .join(' · ')
        }}</span>
      </p>
    </li>
  </ol>
  <section v-if="inTheWay.length" class="way">
    <h3>{{ t('terms.people') }}</h3>
    <ul>
      <li v-for="each in inTheWay" :key="each.key">
        <strong>{{ each.person.name }}</strong> <span class="soft">{{ each.site.title }}</span>:
        {{ lineSentences(each, each.site.timeZone, roleName).join(' ') }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
ol > li {
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
  display: grid;
  gap: 4px;
}
h3,
p {
  margin: 0;
  overflow-wrap: anywhere;
}
h3 {
  font-size: 1rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.first {
  border-left: 4px solid var(--brass);
  padding-left: 8px;
}
.first.all {
  border-color: var(--spruce);
}
.way {
  display: grid;
  gap: 4px;
}
</style>
