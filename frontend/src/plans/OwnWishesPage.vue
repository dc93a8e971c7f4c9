<script setup lang="ts">
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import WishList from './WishList.vue'
import { useOwnWishes } from './ownWishes'

/** Which sections one would like to be in, in all one's sites, and what came of it. */
const { data, error, refetch } = useOwnWishes()
</script>

<template>
  <div class="page wishes">
    <h1>{{ t('plans.own.title') }}</h1>
    <p class="soft">{{ t('plans.own.more') }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="data && !data.items.length">{{ t('plans.own.none') }}</p>
    <WishList v-for="each in data?.items" :key="each.plan" :own="each" />
  </div>
</template>

<style scoped>
.wishes {
  display: grid;
  gap: 18px;
  align-content: start;
}
</style>
