<script setup lang="ts">
import { computed } from 'vue'
import { languageOptions, zoneOptions } from '@/shared/tags'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import type { DivisionSet, PartOfSettings } from './settings'

/** In which language and time zone letters are written, for each division that is part of no other. */
const props = defineProps<PartOfSettings>()
const tops = computed(() => props.settings.divisions.filter(({ parent, retired }) => !parent && !retired))

function set<K extends 'language' | 'timeZone'>(code: string, field: K, value: DivisionSet[K]) {
  props.edit().divisions.find((each) => each.code === code)![field] = value
}
</script>

<template>
  <section v-for="each in tops" :key="each.code">
    <h3 v-if="tops.length > 1">{{ each.name }}</h3>
    <div class="row">
      <PickOne
        stacked
        :label="t('platform.division.language')"
        :options="languageOptions()"
        :model-value="each.language"
        @update:model-value="set(each.code, 'language', $event!)"
      />
      <PickOne
        stacked
        :label="t('platform.division.zone')"
        :options="zoneOptions()"
        :model-value="each.timeZone"
        @update:model-value="set(each.code, 'timeZone', $event!)"
      />
    </div>
    <p v-for="wrong in wrongAt(`divisions/${each.code}`)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 320px));
  gap: 10px 18px;
}
</style>
