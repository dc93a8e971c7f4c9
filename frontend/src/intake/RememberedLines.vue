<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { queries } from '@/shared/queries'
import { ownZone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'

/** What is remembered of lines that were settled by hand in a site, to be looked at and forgotten. */
const props = defineProps<{ site: string }>()
const { data } = useQuery({
  queryKey: ['settled-lines', computed(() => props.site)],
  queryFn: () => take(api.GET('/sites/{site}/settled-lines', { params: { path: { site: props.site } } })),
})

async function forget(gist: string) {
  try {
    const left = await take(
      api.DELETE('/sites/{site}/settled-lines', { params: { path: { site: props.site }, query: { gist } } }),
    )
    queries.setQueryData(['settled-lines', props.site], left)
    await queries.invalidateQueries({ queryKey: ['intake', 'pasted'] })
  } catch (thrown) {
    wentWrong(thrown)
  }
}
</script>

<template>
  <details v-if="data?.items.length">
    <summary>{{ t('pasted.remembered', { n: data.items.length }, data.items.length) }}</summary>
    <p class="soft">{{ t('pasted.rememberedMore') }}</p>
    <ul>
      <li v-for="each in data.items" :key="each.gist">
        “{{ each.text }}” —
        {{ t('pasted.rememberedIs', { name: each.person.name, by: each.by, day: day(each.at, ownZone) }) }}
        <button class="word" :aria-label="`${t('pasted.forget')}: ${each.text}`" @click="forget(each.gist)">
          {{ t('pasted.forget') }}
        </button>
      </li>
    </ul>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--spruce);
}
ul {
  padding-left: 18px;
  margin: 4px 0;
}
</style>
