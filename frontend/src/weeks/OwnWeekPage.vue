<script setup lang="ts">
import { api, take } from '@/shared/api'
import { ownZone } from '@/shared/own'
import { t } from '@/shared/words'
import CalendarAddress from './CalendarAddress.vue'
import WeekOf from './WeekOf.vue'

/** One's own week, in all one's sites. */
const week = (day: string) => take(api.GET('/me/week', { params: { query: { day, zone: ownZone } } }))
</script>

<template>
  <div class="page">
    <h1>{{ t('weeks.own') }}</h1>
    <WeekOf
      :of="['me']"
      :label="t('weeks.own')"
      :zone="ownZone"
      :fetch="week"
      kind="person"
      :nothing="t('weeks.noneOwn')"
    />
    <CalendarAddress />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 18px;
  align-content: start;
}
</style>
