<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import { ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { day } from '@/shared/sentences'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import { download } from '@/shared/csv'

/** How far everybody is who works here, as a CSV file: a summary, or with every item. */
const props = defineProps<{ site: Site }>()
const { roleName } = usePlatform()
const gone = ref(false)
const busy = ref(false)

async function save(items: boolean) {
  busy.value = true
  try {
    const progress = await take(
      api.GET('/sites/{site}/progress', {
        params: { path: { site: props.site.id }, query: { items: items ? '1' : '0', gone: gone.value ? '1' : '0' } },
      }),
    )
    const head = [
      ...(['name', 'number', 'level', 'role', 'state'] as const).map((column) => t(`roster.col.${column}`)),
      ...(['seen', 'done', 'of', 'mean'] as const).map((column) => t(`export.${column}`)),
      ...(items ? progress.items : []),
    ]
    const rows = progress.people.map((each) => [
      each.person.name,
      each.number ?? '',
      each.level === null ? '' : String(each.level),
      roleName(each.role),
      t(`state.${each.state}`),
      each.lastSeen ? day(each.lastSeen, props.site.timeZone) : t('roster.never'),
      String(each.done),
      String(progress.items.length),
      each.mean === null ? '' : String(each.mean),
      ...each.items.map((item) => (item.mark !== null ? String(item.mark) : item.done ? t('export.notMarked') : '')),
    ])
    const file = `${props.site.code.toLowerCase()}-progress${items ? '-items' : ''}.csv`
    download(file, [head, ...rows])
    done(t('export.progressSaved', { n: rows.length, file }, rows.length))
  } catch (error) {
    wentWrong(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <span class="progress">
    <span class="label">{{ t('export.progress') }}</span>
    <Tick v-model="gone">{{ t('export.gone') }}</Tick>
    <button class="word" :disabled="busy" @click="save(false)">{{ t('export.summary') }}</button>
    <button class="word" :disabled="busy" @click="save(true)">{{ t('export.items') }}</button>
  </span>
</template>

<style scoped>
.progress {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  width: 100%;
  border-top: 1px solid var(--line);
  padding-top: 5px;
}
.label {
  font-weight: 600;
}
</style>
