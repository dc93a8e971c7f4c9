<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone } from '@/shared/own'
import { day, fullName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import Trouble from '@/ui/Trouble.vue'
import HelpWord from '@/ui/HelpWord.vue'

const { levelName } = useLevels()

/** People who are likely in the directory twice, side by side: merged, or told apart. */
const { data, error, refetch } = useQuery({
  queryKey: ['duplicates'],
  queryFn: () => take(api.GET('/duplicates')),
  retry: false,
})
const { busy, run } = useBusy()
const apart = (one: string, other: string) =>
  run(async () => {
    const path = { params: { path: { one, other } } }
    await take(api.PUT('/duplicates/{one}/{other}', path))
    done(t('duplicates.apart'), {
      back: async () => {
        await take(api.DELETE('/duplicates/{one}/{other}', path))
        await refetch()
        return ''
      },
    })
    await refetch()
  })
</script>

<template>
  <div class="page">
    <p>
      <RouterLink to="/people">{{ t('person.all') }}</RouterLink>
    </p>
    <h1>
      <HelpWord term="merge">{{ t('duplicates.title') }}</HelpWord>
    </h1>
    <p class="soft">{{ t('duplicates.more') }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="!data" class="skeleton" />
    <p v-else-if="!data.items.length" class="empty">{{ t('duplicates.none') }}</p>
    <template v-else>
      <p class="follows">{{ t('duplicates.count', { n: $n(data.total) }, data.total) }}</p>
      <article v-for="pair in data.items" :key="pair.people.map((each) => each.person.id).join()">
        <div v-for="each in pair.people" :key="each.person.id">
          <h2>
            <RouterLink :to="{ name: 'person', params: { person: each.person.id } }">{{
              fullName(each.person)
            }}</RouterLink>
          </h2>
          <p>
            {{ kindName(each.person)
            }}<template v-if="each.person.level"
              >, {{ levelName(each.person.level, each.person.division.code) }}</template
            >
            ·
            {{ each.person.division.name }}
          </p>
          <p>
            <span :class="{ num: each.person.number }">{{ each.person.number ?? t('duplicates.noNumber') }}</span> ·
            {{ each.person.email ?? t('duplicates.noAddress') }}
          </p>
          <p class="soft">
            {{ t('duplicates.sites', { n: each.sites }, each.sites) }} ·
            {{
              each.account
                ? each.usedAt
                  ? t('person.used', { day: day(each.usedAt, ownZone) })
                  : t('person.neverUsed')
                : t('person.noAccount')
            }}
          </p>
        </div>
        <div class="why">
          <p>{{ pair.evidence.map((code) => t(`duplicates.evidence.${code}`)).join(', ') }}</p>
          <p class="acts">
            <RouterLink
              :to="{ name: 'merge', query: { stays: pair.people[0]!.person.id, goes: pair.people[1]!.person.id } }"
              >{{ t('duplicates.merge') }}</RouterLink><button
              class="word"
              :disabled="busy"
              @click="apart(pair.people[0]!.person.id, pair.people[1]!.person.id)"
            >
              {{ t('duplicates.two') }}
            </button>
          </p>
        </div>
      </article>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
article {
  display: grid;
  grid-template-columns: 1fr 1fr 260px;
  gap: 24px;
  border-top: 1px solid var(--line);
  padding: 10px 0;
}
article > div:nth-child(2) {
  border-left: 3px solid var(--mint);
  padding-left: 20px;
}
h2 {
  font-size: 1.05rem;
}
.why {
  display: grid;
  gap: 6px;
  align-content: start;
}
.empty {
  padding: 20px 0;
  font-size: 1.05rem;
}
@media (max-width: 860px) {
  article {
    grid-template-columns: 1fr;
    gap: 8px;
  }
}
</style>
