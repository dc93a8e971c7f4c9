<script setup lang="ts">
import { computed } from 'vue'
import { untilOf } from '@/shared/until'
import { t } from '@/shared/words'
import AskedHints from '@/ui/AskedHints.vue'
import { useOwnWishes } from './ownWishes'

/** That somebody may say which section they would like, or that it was decided. */
const { data } = useOwnWishes()
const all = computed(() => data.value?.items ?? [])
const asked = computed(() =>
  all.value
    .filter(({ asks, saidAt }) => asks && !saidAt)
    .map(({ plan, site, closesAt, timeZone }) => ({
      key: plan,
      site: site.name,
      said: t('plans.own.ask', { at: untilOf(closesAt!, timeZone) }),
      about: site.name,
    })),
)
</script>

<template>
  <AskedHints
    :title="t('plans.own.title')"
    to="/wishes"
    :open="t('plans.own.open')"
    :asked="asked"
    :others="all.length > asked.length"
  />
</template>
