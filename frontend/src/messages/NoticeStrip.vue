<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Message from 'primevue/message'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { me } from '@/shared/me'
import { queries } from '@/shared/queries'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { useBusy } from '@/shared/busy'
import { t, tIn } from '@/shared/words'

/** What others did to one's account since one was here last. It stays until it is read. */
const key = computed(() => ['notices', me.value?.id])
const { data } = useQuery({
  queryKey: key,
  queryFn: () => take(api.GET('/me/notices')),
  enabled: computed(() => !!me.value),
})
const items = computed(() => data.value?.items ?? [])
const said = (notice: (typeof items.value)[number]) =>
  tIn('notices', notice.code, { ...notice.values, by: notice.by || t('notices.somebody') })
const { busy, run } = useBusy()
const read = () =>
  run(async () => {
    const left = await take(api.PUT('/me/notices', { body: { notices: items.value.map(({ id }) => id) } }))
    queries.setQueryData(key.value, left)
  })
</script>

<template>
  <Message v-if="items.length" severity="warn" class="notices no-print" :closable="false">
    <div>
      <strong>{{ t('notices.title') }}</strong>
      <ul>
        <li v-for="notice in items" :key="notice.id">
          {{ said(notice) }} <span class="soft">{{ dayAndTime(notice.at, zone) }}</span>
        </li>
      </ul>
      <p>{{ t('notices.unexpected') }}</p>
      <Button size="small" variant="outlined" :disabled="busy" :label="t('notices.read')" @click="read" />
    </div>
  </Message>
</template>

<style scoped>
.notices {
  margin: 12px clamp(14px, 3.1vw, 40px) 0;
  color: var(--ink);
  background: var(--brass-pale);
  outline: none;
}
.notices {
  border: 1px solid var(--line);
  border-left: 4px solid var(--brass);
  box-shadow: none;
}
ul {
  margin: 4px 0;
  padding-left: 20px;
}
p {
  margin: 4px 0 8px;
}
</style>
