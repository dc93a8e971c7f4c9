<script setup lang="ts">
import { computed } from 'vue'
import type { Site } from '@/shared/api'
import { t } from '@/shared/words'
import { useSplits } from '@/shared/splits'

/** Into groups of what whoever comes is put, too, by a door or by a list; while people choose, they choose as well. */
const props = defineProps<{ site: Site }>()
const { data } = useSplits(() => props.site)
const names = computed(() =>
  (data.value ?? [])
    .filter(({ arrives, awayAt, chooses }) => arrives !== 'none' && !awayAt && !chooses)
    .map(({ name }) => name),
)
</script>

<template>
  <p v-if="names.length" class="soft">{{ t('tell.groups', { names: names.join(', ') }) }}</p>
</template>
