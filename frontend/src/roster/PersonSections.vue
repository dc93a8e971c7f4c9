<script setup lang="ts">
import MultiSelect from 'primevue/multiselect'
import { computed } from 'vue'
import type { PersonCard, Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import type { useChanges } from './changes'
import { openSections, sectionNames } from './sections'

/** In which sections somebody is, changed in its place by who may. */
const props = defineProps<{ site: Site; card: PersonCard; busy: boolean }>()
const emit = defineEmits<{ act: [request: Parameters<ReturnType<typeof useChanges>['change']>[1]] }>()
const { takesSeat } = usePlatform()
const own = computed(() => props.card.standing?.sections ?? [])
const may = computed(
  () => props.site.may.includes('arrange-sections') && !props.site.seenAs && openSections(props.site).length > 0,
)
const learns = computed(() => takesSeat(props.card.standing?.role))
const many = computed(() => props.site.several || !learns.value || own.value.length > 1)
// What somebody is in stays a choice, also where it is offered no more.
const options = computed(() =>
  props.site.sections
    .filter(({ id, retired }) => !retired || own.value.includes(id))
    .map(({ id, name }) => ({ value: id, label: name })),
)
const put = (sections: string[]) => emit('act', { verb: 'change-sections', sections })
</script>

<template>
  <p class="sections">
    <template v-if="!may">{{
      own.length ? t('card.section', { name: sectionNames(site, own) }) : t('card.noSection')
    }}</template>
    <template v-else-if="many">
      <label :id="`sections-${card.person.id}`">{{ t('roster.col.section') }}</label>
      <MultiSelect
        size="small"
        :model-value="own"
        :options="options"
        option-label="label"
        option-value="value"
        :show-toggle-all="false"
        :aria-labelledby="`sections-${card.person.id}`"
        :placeholder="t('card.noSection')"
        :disabled="busy"
        @update:model-value="put"
      />
    </template>
    <PickOne
      v-else
      shown
      :label="t('roster.col.section')"
      :options="[{ value: '', label: t('card.noSection') }, ...options]"
      :model-value="own[0] ?? ''"
      :disabled="busy"
      @update:model-value="put($event ? [$event] : [])"
    />
  </p>
</template>

<style scoped>
.sections {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
</style>
