<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { api, take, type Item, type Site } from '@/shared/api'
import { t } from '@/shared/words'
import DockedColumn from '@/ui/DockedColumn.vue'
import Trouble from '@/ui/Trouble.vue'

/** Who sees an item on a day, and who does not. */
const props = defineProps<{ site: Site; item: Item; says: string; on: string; may: boolean }>()
const emit = defineEmits<{ close: []; say: [] }>()
const { data, error, refetch } = useQuery({
  queryKey: ['items', 'people', computed(() => props.site.id), computed(() => props.item.id), computed(() => props.on)],
  queryFn: () =>
    take(
      api.GET('/sites/{site}/items/{item}/people', {
        params: { path: { site: props.site.id, item: props.item.id }, query: { on: props.on || undefined } },
      }),
    ),
})
</script>

<template>
  <DockedColumn name="items" :label="t('items.who.title', { item: item.title })" closes @close="emit('close')">
    <h2>{{ t('items.who.title', { item: item.title }) }}</h2>
    <p>{{ says }}</p>
    <p v-if="may"><Button size="small" :label="t('items.leak.say', { item: item.title })" @click="emit('say')" /></p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="data">
      <section v-for="list in ['not', 'sees'] as const" :key="list">
        <h3>{{ t(`items.who.${list}`, { n: data[list].length }, data[list].length) }}</h3>
        <ul>
          <li v-for="each in data[list]" :key="each.id">
            <RouterLink :to="{ name: 'roster', params: { site: site.id }, query: { person: each.id } }">{{
              each.name
            }}</RouterLink>
          </li>
        </ul>
      </section>
      <p v-if="data.more" class="soft">{{ t('items.who.more') }}</p>
    </template>
  </DockedColumn>
</template>

<style scoped>
h2 {
  padding-right: 60px;
  overflow-wrap: anywhere;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  columns: 2;
}
</style>
