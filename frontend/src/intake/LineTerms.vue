<script setup lang="ts">
import type { Platform, Site } from '@/shared/api'
import type { Said } from './pasted'

/** What one line has of its own, instead of what holds for the whole list. */
defineProps<{ said: Said; site: Site; roles: Platform['roles'] }>()
defineEmits<{ say: [more: Said] }>()
</script>

<template>
  <div class="own">
    <label
      >{{ $t('pasted.as') }}
      <select
        class="plain"
        :value="said.role ?? ''"
        @change="$emit('say', { role: ($event.target as HTMLSelectElement).value })"
      >
        <option value="">{{ $t('pasted.likeAll') }}</option>
        <option v-for="each in roles" :key="each.code" :value="each.code">{{ each.name.toLowerCase() }}</option>
      </select></label
    >
    <label v-if="site.sections.length"
      >{{ $t('pasted.section') }}
      <select
        class="plain"
        :value="said.section ?? ''"
        @change="$emit('say', { section: ($event.target as HTMLSelectElement).value })"
      >
        <option value="">{{ $t('pasted.likeAll') }}</option>
        <option v-for="each in site.sections" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select></label
    >
    <label
      >{{ $t('pasted.from') }}
      <input
        type="date"
        :value="said.fromDay ?? ''"
        @change="$emit('say', { fromDay: ($event.target as HTMLInputElement).value })"
    /></label>
    <label
      >{{ $t('pasted.until') }}
      <input
        type="date"
        :value="said.untilDay ?? ''"
        @change="$emit('say', { untilDay: ($event.target as HTMLInputElement).value })"
    /></label>
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
