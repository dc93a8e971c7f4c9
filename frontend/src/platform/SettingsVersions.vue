<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/shared/api'
import { ownZone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import SettingsFile from './SettingsFile.vue'

/** Who put which settings in force, the last first; those of before can be put in force again. */
defineProps<{ version: number; mayChange: boolean }>()
defineEmits<{ putBack: [version: number] }>()
const { data, error, refetch } = useQuery({
  queryKey: ['settings-versions'],
  queryFn: () => take(api.GET('/settings/versions')),
})
</script>

<template>
  <p class="soft">{{ t('platform.version.more') }}</p>
  <Trouble v-if="error" :error="error" @again="refetch()" />
  <p v-else-if="data && !data.items.length">{{ t('platform.version.empty') }}</p>
  <ul v-else-if="data">
    <li v-for="each in data.items" :key="each.version">
      <span>{{
        each.madeBy
          ? t('platform.version.line', { version: each.version, day: day(each.madeAt, ownZone), who: each.madeBy })
          : t('platform.version.first', { version: each.version })
      }}</span>
      <span v-if="each.version === version" class="soft">{{ t('platform.version.holds') }}</span>
      <button v-else-if="mayChange" class="word" @click="$emit('putBack', each.version)">
        {{ t('platform.version.putBack', { version: each.version }) }}
      </button>
    </li>
  </ul>
  <SettingsFile v-if="mayChange" />
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  border-bottom: 1px solid var(--line);
  padding: 6px 0;
}
</style>
