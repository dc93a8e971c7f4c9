<script setup lang="ts">
import type { Platform, Site } from '@/shared/api'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import { optionsOf } from '@/ui/options'
import { openSections } from '@/roster/sections'
import PickOne from '@/ui/PickOne.vue'
import type { Said } from './pasted'

/** What one line has of its own, instead of what holds for the whole list. */
defineProps<{ said: Said; site: Site; roles: Platform['roles'] }>()
defineEmits<{ say: [more: Said] }>()
const likeAll = { value: '', label: t('pasted.likeAll') }
</script>

<template>
  <div class="own">
    <PickOne
      shown
      :label="t('pasted.as')"
      :model-value="said.role ?? ''"
      :options="[likeAll, ...optionsOf(roles, 'code')]"
      @update:model-value="$emit('say', { role: $event })"
    />
    <PickOne
      v-if="openSections(site).length"
      shown
      :label="t('pasted.section')"
      :model-value="said.section ?? ''"
      :options="[likeAll, ...optionsOf(openSections(site), 'id')]"
      @update:model-value="$emit('say', { section: $event })"
    />
    <DayField
      shown
      :label="t('pasted.from')"
      :model-value="said.fromDay ?? ''"
      @update:model-value="$emit('say', { fromDay: $event })"
    />
    <DayField
      shown
      :label="t('pasted.until')"
      :model-value="said.untilDay ?? ''"
      @update:model-value="$emit('say', { untilDay: $event })"
    />
  </div>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  padding: 6px 0;
}
</style>
