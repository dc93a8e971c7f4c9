<script setup lang="ts">
import DockedColumn from '@/ui/DockedColumn.vue'
import Tick from '@/ui/Tick.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { me } from '@/shared/me'
import { day, fullName, lineSentences, furtherNames } from '@/shared/sentences'
import { useSeeAs } from '@/sites/seeAs'
import ReasonLine from '@/ui/ReasonLine.vue'
import Trouble from '@/ui/Trouble.vue'
import { tellEach } from '@/shared/tell'
import { useLevels } from '@/shared/levels'
import { inSentence, t } from '@/shared/words'
import { detailWords } from '@/shared/details'
import { kindName } from '@/shared/kinds'
import ActionPanel from './ActionPanel.vue'
import ClashAsk from './ClashAsk.vue'
import { useChanges } from './changes'
import PersonGrants from './PersonGrants.vue'
import PersonSections from './PersonSections.vue'
import PersonLabels from './PersonLabels.vue'
import RoleChoice from './RoleChoice.vue'
import HelpWord from '@/ui/HelpWord.vue'

const { levelName } = useLevels()

/**
 * One person in this site, docked beside their row: who they are, whether they can enter and why, and what one may do.
 */
const props = defineProps<{ site: Site; person: string }>()
defineEmits<{ close: [] }>()
const { roleName } = usePlatform()
const { seeAs } = useSeeAs(() => props.site.id)
const { change, busy, wrongDay, clash, changeAllTheSame } = useChanges(() => props.site)
const asking = ref<'' | 'role' | 'remove' | 'pause' | 'change-dates' | 'block'>('')

const {
  data: card,
  error,
  refetch,
} = useQuery({
  queryKey: ['card', computed(() => props.site.id), computed(() => props.person)],
  queryFn: () =>
    take(api.GET('/sites/{site}/roster/{person}', { params: { path: { site: props.site.id, person: props.person } } })),
  placeholderData: keepPreviousData,
})
const zone = computed(() => props.site.timeZone)
const here = computed(() => ['current', 'paused', 'upcoming', 'waiting'].includes(card.value?.standing?.state ?? ''))
const may = computed(() => !!card.value?.options.length && !props.site.seenAs)
const blocked = computed(() => card.value?.standing?.state === 'blocked')
const paused = computed(() => card.value?.standing?.state === 'paused')
const back = computed(() => card.value?.bringBack)
const kept = computed(() => card.value?.details.filter(({ value }) => value) ?? [])
const myself = computed(() => card.value?.person.id === me.value?.id)

watch(asking, () => (wrongDay.value = ''))

async function act(request: Parameters<typeof change>[1]) {
  if (!card.value) return
  const asked = asking.value
  const changed = await change(card.value.person, { ...request, version: card.value.version })
  // What was opened while this one was under way stays open.
  if (changed && asking.value === asked) asking.value = ''
}
</script>

<template>
  <DockedColumn
    class="no-print"
    name="person"
    :label="card ? fullName(card.person) : t('roster.loading')"
    closes
    @close="$emit('close')"
  >
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="card">
      <header>
        <h2>{{ fullName(card.person) }}</h2>
        <p v-if="card.person.preferred || card.person.further.length" class="soft">
          <template v-if="card.person.preferred">{{ card.person.given }} {{ card.person.family }}</template>
          {{ furtherNames(card.person).join(', ') }}
        </p>
        <p>
          <HelpWord v-if="card.person.kind === 'external' && !card.person.ownKind" term="external" /><template v-else>{{
            kindName(card.person)
          }}</template
          ><template v-if="card.person.level">, {{ levelName(card.person.level, card.person.division.code) }}</template>
          ·
          {{ card.person.division.name }}
          <span v-if="card.person.number" class="num">{{ card.person.number }}</span>
        </p>
        <p v-if="card.person.login || card.person.email" class="soft small">
          <span v-if="card.person.login">{{ card.person.login }}</span><template v-if="card.person.email">
            · {{ card.person.email }}</template
          >
        </p>
      </header>

      <div v-if="card.standing" class="standing">
        <p>
          <strong>{{
            here ? roleName(card.standing.role) : t('card.was', { role: inSentence(roleName(card.standing.role)) })
          }}</strong>
          <template v-if="card.band"> · {{ inSentence(card.band) }}</template>
        </p>
        <PersonSections v-if="site.sections.length && here" :site="site" :card="card" :busy="busy" @act="act" />
        <p v-if="card.groups.length">
          {{ t(here ? 'roster.inGroups' : 'roster.inGroupsAgain', { names: card.groups.join(', ') }) }}
        </p>
        <p v-if="card.work">
          {{ t('card.work', card.work)
          }}<template v-if="card.work.mean !== null">{{ t('card.mean', { mean: card.work.mean }) }}</template>
        </p>
        <p class="soft">
          <HelpWord :term="card.standing.state">{{
            t(`state.${card.reason.causes[0]?.code === 'waits-for-approval' ? 'approval' : card.standing.state}`)
          }}</HelpWord>
          · {{ t(here ? 'card.since' : 'card.came', { day: day(card.standing.since, zone) }) }} ·
          {{ card.lastSeen ? t('card.lastSeen', { day: day(card.lastSeen, zone) }) : t('card.neverSeen') }}
        </p>
      </div>

      <ClashAsk
        v-if="clash && clash.person.id === card.person.id"
        :sentence="clash.sentence"
        :busy="busy"
        @act="changeAllTheSame"
        @close="clash = null"
      />
      <ReasonLine :reason="card.reason" :zone="zone" who="staff" />
      <p v-if="kept.length" class="kept">
        <span v-for="each in kept" :key="each.code"
          ><span class="soft">{{ each.name }}:</span> {{ detailWords(each, each.value) }}</span
        >
      </p>
      <div v-if="asking === 'role'" class="asking">
        <h3>
          <HelpWord term="role">{{ t('card.chooseRole') }}</HelpWord>
        </h3>
        <RoleChoice
          :options="card.options"
          :zone="zone"
          :present="card.standing?.role"
          :busy="busy"
          @choose="act({ verb: 'change-role', role: $event })"
        />
        <button class="word" @click="asking = ''">{{ t('parts.cancel') }}</button>
      </div>
      <ActionPanel
        v-else-if="asking"
        :key="asking"
        :site="site"
        :card="card"
        :verb="asking"
        :busy="busy"
        :wrong-day="wrongDay"
        @act="act"
        @close="asking = ''"
        @instead="asking = $event"
      />
      <p v-else class="actions">
        <Button v-if="here && may" size="small" :label="t('card.changeRole')" @click="asking = 'role'" />
        <Button
          v-if="here && may"
          size="small"
          variant="outlined"
          :label="t('card.changeDates')"
          @click="asking = 'change-dates'"
        />
        <Button
          v-if="paused && may"
          size="small"
          :disabled="busy"
          :label="t('card.resume')"
          @click="act({ verb: 'resume' })"
        />
        <Button
          v-else-if="here && may"
          size="small"
          variant="outlined"
          :label="t('card.pause')"
          @click="asking = 'pause'"
        />
        <Button
          v-if="card.remove && !site.seenAs"
          size="small"
          variant="outlined"
          :label="t(myself ? 'card.leave' : 'card.remove')"
          @click="asking = 'remove'"
        />
        <Button
          v-if="back?.verdict === 'ready' && !site.seenAs"
          size="small"
          :disabled="busy"
          :label="t('card.bringBack', { role: inSentence(roleName(back.after?.role)) })"
          @click="act({ verb: 'bring-back' })"
        />
        <Button
          v-if="blocked && may"
          size="small"
          :disabled="busy"
          :label="t('card.unblock')"
          @click="act({ verb: 'unblock' })"
        />
        <Button
          v-else-if="may && !myself"
          size="small"
          variant="outlined"
          :label="t('card.block')"
          @click="asking = 'block'"
        />
      </p>
      <p v-if="back && back.verdict !== 'ready'" class="soft">{{ lineSentences(back, zone, roleName).join(' ') }}</p>

      <p v-if="may && !site.seenAs && card.person.email && (asking === 'role' || asking === 'remove')">
        <Tick v-model="tellEach" class="soft small">{{ t('tell.each') }}</Tick>
      </p>
      <p v-if="!site.seenAs && !asking" class="actions small">
        <button
          v-if="card.standing && !myself && site.may.includes('see-as')"
          class="word"
          @click="seeAs(`person:${card.person.id}`)"
        >
          {{ t('seeAs.person', { name: card.person.preferred ?? card.person.given }) }}
        </button>
        <RouterLink
          v-if="site.may.includes('see-history')"
          :to="{ name: 'history', params: { site: site.id }, query: { person: card.person.id } }"
          >{{ t('card.history') }}</RouterLink
        >
        <RouterLink
          v-if="site.may.includes('let-in') && !site.seenAs"
          :to="{ name: 'people', query: { person: card.person.id } }"
          >{{ t('people.oneElsewhere') }}</RouterLink
        >
        <RouterLink v-if="card.page && !site.seenAs" :to="{ name: 'person', params: { person: card.person.id } }">{{
          t('person.link')
        }}</RouterLink>
        <RouterLink
          v-if="card.page && !site.seenAs"
          :to="{ name: 'person-week', params: { person: card.person.id } }"
          >{{ t('person.week') }}</RouterLink
        >
      </p>
      <PersonLabels
        v-if="site.may.includes('label-people') && !site.seenAs"
        :key="card.person.id"
        :site="site"
        :card="card"
      />

      <PersonGrants :card="card" :site="site" :may="may" :busy="busy" @act="act" />
    </template>
    <span v-else class="skeleton" style="width: 60%; height: 20px" />
  </DockedColumn>
</template>

<style scoped>
.kept {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.docked {
  --docked: 380px;
  --edge: var(--mint);
}
header h2 {
  font-size: 1.25rem;
  padding-right: 60px;
  overflow-wrap: anywhere;
}
header p {
  overflow-wrap: anywhere;
}
.small {
  font-size: 0.9rem;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.asking {
  border-left: 4px solid var(--brass);
  padding: 4px 12px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
@media (max-width: 760px) {
  .docked {
    border-left: 0;
    border-top: 6px solid var(--mint);
  }
}
</style>
