<script setup lang="ts">
import { computed } from 'vue'
import { untilOf } from '@/shared/until'
import { t } from '@/shared/words'
import AskedHints from '@/ui/AskedHints.vue'
import { useOwnGroups } from './ownGroups'

/** That one may choose a group, or has one. */
const { data } = useOwnGroups()
const all = computed(() => data.value?.items ?? [])
const asked = computed(() =>
  all.value
    .filter(({ chooses, group }) => chooses && !group)
    .map(({ split, site, name, closesAt, timeZone }) => ({
      key: split,
      site: site.name,
      said: t('choosing.hint', { name, at: untilOf(closesAt!, timeZone) }),
      about: name,
    })),
)
</script>

<template>
  <AskedHints
    :title="t('choosing.title')"
    to="/groups"
    :open="t('choosing.open')"
    :asked="asked"
    :others="all.length > asked.length"
  />
</template>
