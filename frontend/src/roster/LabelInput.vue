<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, useId } from 'vue'
import { api, take, type Site } from '@/shared/api'

/** A field for a label, completed from those there are. */
const props = defineProps<{ site: Site; label: string }>()
const typed = defineModel<string>({ required: true })
const list = useId()
const slowly = refDebounced(typed, 120)
const { data: found } = useQuery({
  queryKey: ['labels', computed(() => props.site.id), slowly],
  queryFn: () =>
    take(
      api.GET('/sites/{site}/labels', { params: { path: { site: props.site.id }, query: { q: slowly.value.trim() } } }),
    ),
  placeholderData: keepPreviousData,
})
</script>

<template>
  <input
    v-model="typed"
    class="plain"
    :list="list"
    maxlength="40"
    autocomplete="off"
    :aria-label="label"
    :placeholder="$t('label.hint')"
  />
  <datalist :id="list">
    <option v-for="each in found?.items" :key="each.name" :value="each.name">
      {{ $t('label.used', { n: each.people }, each.people) }}
    </option>
  </datalist>
</template>
