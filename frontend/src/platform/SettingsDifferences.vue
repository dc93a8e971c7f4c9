<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { SettingsPreview } from '@/shared/api'
import { listed } from '@/shared/lists'
import { differenceLines } from './settings'

/** What other settings would change: things with their fields, who administers more or less, sites that follow. */
const props = defineProps<{ preview: SettingsPreview }>()
const { t, n } = useI18n()
/** What is only being named yet is no change to tell of; the look and the mail have no name. */
const NAMELESS: readonly string[] = ['look', 'mail', 'letterhead', 'labels', 'details']
const differences = computed(() =>
  props.preview.differences.filter(({ of, which }) => which || NAMELESS.includes(of)).map(differenceLines),
)
</script>

<template>
  <ul>
    <li v-for="({ sentence, fields }, index) in differences" :key="index">
      {{ sentence }}
      <span v-for="field in fields" :key="field" class="field-line">{{ field }}</span>
    </li>
    <li v-if="!differences.length">{{ t('platform.preview.nothing') }}</li>
    <template v-for="each in preview.reach" :key="each.name">
      <li v-if="each.also.length" class="gain">
        {{ t('platform.preview.also', { name: each.name, divisions: listed(each.also) }) }}
      </li>
      <li v-if="each.not.length" class="lose">
        {{ t('platform.preview.not', { name: each.name, divisions: listed(each.not) }) }}
      </li>
    </template>
    <template v-for="each in preview.starters" :key="each.site">
      <li v-if="each.come" class="gain">
        {{ t('platform.preview.come', { n: n(each.come), site: each.site }, each.come) }}
      </li>
      <li v-if="each.go" class="lose">
        {{ t('platform.preview.go', { n: n(each.go), site: each.site }, each.go) }}
      </li>
    </template>
    <li v-for="each in preview.touched" :key="each.how + each.name" :class="{ lose: each.how === 'detail-gone' }">
      {{ t(`platform.preview.touched.${each.how}`, { n: n(each.people), name: each.name }, each.people) }}
    </li>
    <li v-if="preview.sites">{{ t('platform.preview.sites', { n: n(preview.sites) }, preview.sites) }}</li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.lose {
  border-left: 4px solid var(--clay);
  padding-left: 10px;
}
.gain {
  border-left: 4px solid var(--spruce);
  padding-left: 10px;
}
.field-line {
  display: block;
  color: var(--soft);
  overflow-wrap: anywhere;
}
</style>
