<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { ownZone } from '@/shared/own'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import Trouble from '@/ui/Trouble.vue'
import { placeOf } from './weeks'
import WeekOf from './WeekOf.vue'

/** What meets in a room. */
const route = useRoute()
const router = useRouter()
const { data, error, refetch } = useQuery({ queryKey: ['rooms'], queryFn: () => take(api.GET('/rooms')) })
const text = (value: unknown) => (typeof value === 'string' ? value : '')
const room = computed(() => ({ room: text(route.query.room), building: text(route.query.building) }))
const rooms = computed(() => data.value?.rooms ?? [])
const key = (each: { room: string; building: string }) => each.building + '\n' + each.room
const chosen = computed({
  get: () => key(room.value),
  set: (wanted) => {
    const found = rooms.value.find((each) => key(each) === wanted)
    if (found) void router.replace({ query: { ...found } })
  },
})
const options = computed(() => rooms.value.map((each) => ({ value: key(each), label: placeOf(each) })))
const week = (day: string) => take(api.GET('/rooms/week', { params: { query: { ...room.value, day, zone: ownZone } } }))
</script>

<template>
  <div class="page">
    <h1>{{ t('weeks.rooms.title') }}</h1>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="data && !rooms.length" class="soft">{{ t('weeks.rooms.none') }}</p>
    <template v-else-if="data">
      <PickOne
        v-model="chosen"
        shown
        :label="t('weeks.rooms.pick')"
        :options="options"
        :placeholder="t('weeks.rooms.first')"
      />
      <WeekOf
        v-if="room.room"
        :of="['room', room.room, room.building]"
        :label="placeOf(room)"
        :zone="ownZone"
        :fetch="week"
        kind="room"
      />
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  align-content: start;
}
</style>
