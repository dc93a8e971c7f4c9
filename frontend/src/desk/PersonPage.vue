<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '@/shared/api'
import { ownZone as zone } from '@/shared/own'
import { fullName, furtherNames } from '@/shared/sentences'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import HistoryEntries from '@/history/HistoryEntries.vue'
import MessageList from '@/messages/MessageList.vue'
import HelpWord from '@/ui/HelpWord.vue'
import Trouble from '@/ui/Trouble.vue'
import PersonAccount from '@/accounts/PersonAccount.vue'
import PersonErase from '@/accounts/PersonErase.vue'
import PersonCohorts from '@/cohorts/PersonCohorts.vue'
import PersonDetails from '@/people/PersonDetails.vue'
import PersonFacts from '@/people/PersonFacts.vue'
import PersonNotes from '@/people/PersonNotes.vue'
import PersonSites from '@/people/PersonSites.vue'

const { levelName } = useLevels()

/**
 * Somebody, whatever site: who they are, how they sign in, where they are and why, what they were told, what happened,
 * and what staff wrote down.
 */
const route = useRoute()
const id = computed(() => String(route.params.person))
const {
  data: page,
  error,
  refetch,
} = useQuery({
  queryKey: ['person', id],
  queryFn: () => take(api.GET('/people/{person}', { params: { path: { person: id.value } } })),
})
const { data: log } = useQuery({
  queryKey: ['history', 'of', id],
  queryFn: () => take(api.GET('/people/{person}/history', { params: { path: { person: id.value } } })),
})
const correcting = ref(false)
watch(id, () => (correcting.value = false))
const LATELY = 6
const messages = computed(() => ({ person: id.value }))
</script>

<template>
  <div class="page">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="page">
      <p>
        <RouterLink to="/people">{{ t('person.all') }}</RouterLink>
      </p>
      <header>
        <h1>{{ fullName(page.person) }}</h1>
        <p>
          <HelpWord v-if="page.person.kind === 'external' && !page.person.ownKind" term="external" /><template v-else>{{
            kindName(page.person)
          }}</template
          ><template v-if="page.person.level">, {{ levelName(page.person.level, page.person.division.code) }}</template>
          · {{ page.person.division.name }} <span class="num">{{ page.person.number }}</span>
          <span v-if="page.person.preferred" class="soft"> · {{ page.person.given }} {{ page.person.family }}</span
          ><span v-if="page.person.further.length" class="soft"> · {{ furtherNames(page.person).join(', ') }}</span>
        </p>
        <p v-if="page.labels.length" class="soft">{{ page.labels.join(', ') }}</p>
        <p v-if="!page.gone" class="acts">
          <RouterLink :to="{ name: 'people', query: { person: id } }">{{ t('people.oneElsewhere') }}</RouterLink>
          <RouterLink :to="{ name: 'person-week', params: { person: id } }">{{ t('person.week') }}</RouterLink>
          <RouterLink :to="{ name: 'person-forecast', params: { person: id } }">{{ t('person.toCome') }}</RouterLink>
          <button v-if="page.administers" class="word" :aria-expanded="correcting" @click="correcting = !correcting">
            {{ t('facts.title') }}
          </button>
        </p>
      </header>
      <p v-if="page.gone" class="callout">
        {{ t(`person.gone.${page.gone}`) }}
        <RouterLink v-if="page.into" :to="{ name: 'person', params: { person: page.into } }">{{
          t('person.intoWhom')
        }}</RouterLink>
      </p>
      <PersonFacts v-if="correcting" :page="page" @close="correcting = false" @changed="refetch()" />
      <div class="columns">
        <div class="main">
          <PersonSites :page="page" />
          <section>
            <h2>{{ t('person.messages') }}</h2>
            <MessageList :query="messages" bare />
          </section>
          <section>
            <h2>{{ t('person.happened') }}</h2>
            <p v-if="log && !log.items.length" class="soft">{{ t('log.empty') }}</p>
            <HistoryEntries
              v-else-if="log"
              :entries="log.items.slice(0, LATELY)"
              :zone="zone"
              :may-undo="() => false"
            />
            <p v-if="log && (log.items.length > LATELY || log.next)">
              <RouterLink :to="{ name: 'person-history', params: { person: id } }">{{
                t('person.history')
              }}</RouterLink>
            </p>
          </section>
        </div>
        <aside>
          <PersonAccount v-if="page.gone !== 'erased'" :page="page" @changed="refetch()" />
          <PersonCohorts v-if="!page.gone" :person="id" />
          <PersonDetails v-if="page.details.length" :page="page" />
          <PersonNotes v-if="!page.gone && page.looksAfter" :page="page" @changed="refetch()" />
          <PersonErase v-if="page.administers && !page.gone" :page="page" />
        </aside>
      </div>
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 22px;
  align-content: start;
}
header {
  display: grid;
  gap: 2px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(280px, 350px);
  gap: 22px 40px;
  align-items: start;
}
.main,
aside {
  display: grid;
  gap: 22px;
  align-content: start;
}
aside {
  border-left: 4px solid var(--mint);
  padding-left: 18px;
}
section {
  display: grid;
  gap: 8px;
}
@media (max-width: 960px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  /* How they sign in is asked for more often than what happened long ago. */
  aside {
    order: 0;
  }
}
</style>
