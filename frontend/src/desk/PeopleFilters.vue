<script setup lang="ts">
import { computed } from 'vue'
import { usePlatform } from '@/shared/platform'

/** What people are narrowed down by: their kind, division and level. */
defineProps<{ chosen: (filter: string) => string }>()
defineEmits<{ choose: [filters: Record<string, string | undefined>] }>()
const { platform } = usePlatform()
const levels = computed(() =>
  Array.from({ length: platform.value?.highestLevel ?? 0 }, (_, index) => String(index + 1)),
)
</script>

<template>
  <select
    class="plain"
    :aria-label="$t('people.by.kind')"
    :value="chosen('kind')"
    @change="$emit('choose', { kind: ($event.target as HTMLSelectElement).value || undefined })"
  >
    <option value="">{{ $t('people.any.kind') }}</option>
    <option v-for="each in ['learner', 'staff', 'guardian', 'external']" :key="each" :value="each">
      {{ $t('kind.' + each) }}
    </option>
  </select>
  <select
    class="plain"
    :aria-label="$t('people.by.division')"
    :value="chosen('division')"
    @change="$emit('choose', { division: ($event.target as HTMLSelectElement).value || undefined })"
  >
    <option value="">{{ $t('people.any.division') }}</option>
    <option v-for="each in platform?.divisions" :key="each.code" :value="each.code">{{ each.name }}</option>
  </select>
  <select
    class="plain"
    :aria-label="$t('people.by.level')"
    :value="chosen('level')"
    @change="$emit('choose', { level: ($event.target as HTMLSelectElement).value || undefined })"
  >
    <option value="">{{ $t('people.any.level') }}</option>
    <option v-for="each in levels" :key="each" :value="each">{{ $t('level', { n: each }) }}</option>
  </select>
</template>
