<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { api, take, type ChangeList } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import PlainTable from '@/ui/PlainTable.vue'
import Trouble from '@/ui/Trouble.vue'
import { takeMovesBack } from './groups'

/** What a change list of moves between groups did, and how it is taken back. */
const props = defineProps<{ changeList: ChangeList }>()
const { data, error, refetch } = useQuery({
  queryKey: ['changeLists', 'moves', computed(() => props.changeList.id)],
  queryFn: () => take(api.GET('/group-lists/{changeList}', { params: { path: { changeList: props.changeList.id } } })),
})
const { busy, run } = useBusy()
const back = () => run(async () => done(await takeMovesBack(props.changeList.id)))
const named = (group: string | null) => group ?? t('groups.moved.none')
const site = computed(() => props.changeList.site?.id ?? '')
</script>

<template>
  <Trouble v-if="error" :error="error" @again="refetch()" />
  <template v-else-if="data">
    <p class="acts">
      <Button
        v-if="!changeList.undoneBy"
        size="small"
        variant="outlined"
        :disabled="busy"
        :label="t('groups.moved.undo')"
        @click="back"
      />
      <RouterLink v-if="site" :to="{ name: 'groups', params: { site, split: data.split } }">{{ data.name }}</RouterLink>
    </p>
    <PlainTable
      :name="t('groups.moved.title')"
      :head="[t('groups.moved.person'), t('groups.moved.from'), t('groups.moved.to')]"
      :rows="data.lines.map(({ person, from, to }) => [person.name, named(from), named(to)])"
    />
  </template>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
