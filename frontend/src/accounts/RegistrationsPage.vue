<script setup lang="ts">
import { api, take, type Registration } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { useLevels } from '@/shared/levels'
import { dotted } from '@/shared/lists'
import { ownZone } from '@/shared/own'
import { usePlatform } from '@/shared/platform'
import { queries, refresh } from '@/shared/queries'
import { day } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import AnswerButtons from '@/people/AnswerButtons.vue'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'
import { REGISTRATIONS, useRegistrations } from './registrations'

/** Who registered in one's divisions and waits for an account. */
const { platform } = usePlatform()
const { levelName } = useLevels()
const { items, error, isPending, refetch } = useRegistrations()
const nameOf = (code: string) => platform.value?.divisions.find((each) => each.code === code)?.name ?? code
const who = ({ given, family }: Registration) => `${given} ${family}`
const known = (item: Registration) =>
  item.known ? t('registrations.known', { name: item.known.name, kind: t(`kind.${item.known.kind}`) }) : ''
const facts = ({ division, level, number }: Registration) =>
  dotted(nameOf(division), level ? levelName(level, division) : '', number)
const columns = useColumns('registrations', () => [
  { key: 'who', label: t('registrations.who'), weight: 1.4, always: true },
  { key: 'email', label: t('registrations.email'), weight: 1.6 },
  { key: 'facts', label: t('registrations.facts'), weight: 1.4 },
  { key: 'asked', label: t('registrations.asked'), weight: 0.8 },
  { key: 'answer', label: t('registrations.answer'), weight: 1.3, always: true, unseen: true },
])
const { busy, run } = useBusy()
const answer = (one: Registration, yes: boolean) =>
  run(async () => {
    const params = { path: { registration: one.id } }
    const left = await take(api.PUT('/registrations/{registration}', { params, body: { yes } }))
    queries.setQueryData(REGISTRATIONS, left)
    await refresh('people')
    done(t(yes ? 'registrations.did.yes' : 'registrations.did.no', { name: who(one) }))
  })
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ t('registrations.title') }}</h1>
      <p class="soft">{{ t('registrations.more') }}</p>
    </header>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="isPending" class="skeleton" />
    <p v-else-if="!items.length" class="empty">{{ t('registrations.none') }}</p>
    <DataRows v-else :rows="items" :key-of="({ id }) => id" :columns="columns" :name="t('registrations.title')">
      <template #cell="{ row: item, column }">
        <template v-if="column === 'who'"
          >{{ who(item) }}<br v-if="item.known" /><span v-if="item.known" class="soft">{{
            known(item)
          }}</span></template
        >
        <template v-else-if="column === 'email'">{{ item.email }}</template>
        <template v-else-if="column === 'facts'">{{ facts(item) }}</template>
        <template v-else-if="column === 'asked'">{{ day(item.askedAt, ownZone) }}</template>
        <AnswerButtons v-else :who="who(item)" :busy="busy" @answer="answer(item, $event === 'yes')" />
      </template>
      <template #card="{ row: item }">
        <p>
          <strong>{{ who(item) }}</strong> <span class="soft">{{ item.email }}</span>
        </p>
        <p v-if="item.known" class="soft">{{ known(item) }}</p>
        <p class="soft">{{ facts(item) }}, {{ day(item.askedAt, ownZone) }}</p>
        <AnswerButtons :who="who(item)" :busy="busy" @answer="answer(item, $event === 'yes')" />
      </template>
    </DataRows>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
</style>
