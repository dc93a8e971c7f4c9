<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, take, type Site } from '@/shared/api'
import { t } from '@/shared/words'
import HelpWord from '@/ui/HelpWord.vue'
import Trouble from '@/ui/Trouble.vue'
import ConnectForm from './ConnectForm.vue'
import LinkRow from './LinkRow.vue'

/** The cohorts and rosters a site is connected to. */
const props = defineProps<{ site: Site }>()
const { data, error, isPending, refetch } = useQuery({
  queryKey: ['cohort-links', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/cohort-links', { params: { path: { site: props.site.id } } })),
})
const route = useRoute()
/** One that was found elsewhere, to be connected here. */
const given = typeof route.query.connect === 'string' ? route.query.connect : ''
const beside = ref<'' | 'connect' | 'share'>(given ? 'connect' : '')
</script>

<template>
  <div class="both">
    <div class="page">
      <header>
        <h1>
          <HelpWord term="cohort">{{ t('cohorts.title') }}</HelpWord>
        </h1>
        <RouterLink :to="{ name: 'doors', params: { site: site.id } }">{{ t('site.doors') }}</RouterLink>
        <RouterLink :to="{ name: 'cohorts' }">{{ t('cohorts.all') }}</RouterLink>
        <button class="word" @click="beside = 'share'">{{ t('cohorts.connect.share') }}</button>
        <Button size="small" :label="t('cohorts.connect.openHere')" @click="beside = 'connect'" />
      </header>
      <p class="soft">{{ t('cohorts.here') }}</p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <ul v-else-if="data?.items.length">
        <LinkRow v-for="link in data.items" :key="link.id" :link="link" of="site" />
      </ul>
      <p v-else-if="isPending" class="skeleton" />
      <p v-else class="empty">{{ t('cohorts.noneHere') }}</p>
    </div>
    <ConnectForm
      v-if="beside"
      :key="beside"
      :site="site"
      :given="given"
      :shares="beside === 'share'"
      @close="beside = ''"
    />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.page {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 10px;
  align-content: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
header h1 {
  margin-right: auto;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
