<script setup lang="ts">
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import OwnGroupsOf from './OwnGroupsOf.vue'
import { useOwnGroups } from './ownGroups'

/** The groups one chooses, in all one's sites, and what was chosen. */
const { data, error, refetch } = useOwnGroups(true)
</script>

<template>
  <div class="page own-groups">
    <h1>{{ t('choosing.title') }}</h1>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="data && !data.items.length">{{ t('choosing.none') }}</p>
    <p v-else class="soft">{{ t('choosing.more') }}</p>
    <OwnGroupsOf v-for="each in data?.items" :key="each.split" :own="each" />
  </div>
</template>

<style scoped>
.own-groups {
  display: grid;
  gap: 18px;
  align-content: start;
}
</style>
