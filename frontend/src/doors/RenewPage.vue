<script setup lang="ts">
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { done, refreshSite } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import { optionsOf } from '@/ui/options'
import Trouble from '@/ui/Trouble.vue'
import { glyphOf } from './doors'

/** Keys of many sites renewed for another term in one step: the old ones stop, the new ones are here to print. */
const { platform } = usePlatform()
const { data, error, refetch } = useQuery({ queryKey: ['key-doors'], queryFn: () => take(api.GET('/key-doors')) })
const items = computed(() => data.value?.items ?? [])
const chosen = ref<string[]>([])
const fromDay = ref('')
const untilDay = ref('')
const term = ref('')
const WEIGHTS = { site: 2, door: 1.3, state: 0.9, key: 1.6 }
const columns = useColumns('renewals', () =>
  Object.entries(WEIGHTS).map(([key, weight]) => ({
    key,
    label: tIn('doors.renew', key),
    weight,
    always: key === 'site',
  })),
)
function pick(index: number) {
  const id = items.value[index]?.id
  if (!id) return
  chosen.value = chosen.value.includes(id) ? chosen.value.filter((each) => each !== id) : [...chosen.value, id]
}
watch(term, (code) => {
  const of = platform.value?.terms.find((each) => each.code === code)
  if (of) [fromDay.value, untilDay.value] = [of.startsOn, of.endsOn]
})
const renewed = ref(new Set<string>())
const print = () => window.print()
const wrong = ref('')
const { busy, run } = useBusy((thrown) => (wrong.value = thrown instanceof Error ? thrown.message : ''))
const go = () =>
  run(async () => {
    wrong.value = ''
    const { items } = await take(
      api.POST('/key-renewals', {
        body: { doors: chosen.value, fromDay: fromDay.value || null, untilDay: untilDay.value || null },
      }),
    )
    renewed.value = new Set(items.map((each) => each.id))
    done(t('doors.renew.did', { n: items.length }, items.length))
    chosen.value = []
    await refetch()
    await refreshSite()
  })
</script>

<template>
  <div class="page">
    <h1>{{ t('doors.renew.title') }}</h1>
    <p class="soft no-print">{{ t('doors.renew.more') }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="data && !items.length" class="soft">{{ t('doors.renew.none') }}</p>
    <template v-else>
      <form class="asked no-print" @submit.prevent="go">
        <PickOne
          v-model="term"
          shown
          :label="t('doors.renew.term')"
          :placeholder="t('parts.choose')"
          :options="optionsOf(platform?.terms, 'code')"
        />
        <DayField v-model="fromDay" shown :label="t('doors.renew.from')" />
        <DayField v-model="untilDay" shown :label="t('doors.renew.until')" />
        <Button
          type="submit"
          size="small"
          :disabled="busy || !chosen.length"
          :label="t('doors.renew.go', { n: chosen.length }, chosen.length)"
        />
        <button v-if="renewed.size" type="button" class="word" @click="print">{{ t('doors.renew.print') }}</button>
      </form>
      <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
      <DataRows
        :rows="items"
        :key-of="(each) => each.id"
        :columns="columns"
        :name="t('doors.renew.title')"
        :chosen="new Set(chosen)"
        :pick-name="(each) => t('doors.renew.choose', { name: each.name, title: each.site.title })"
        :all-name="t('doors.renew.all')"
        :tone="(each) => (renewed.has(each.id) ? 'fresh' : '')"
        @choose="pick"
        @all="chosen = chosen.length === items.length ? [] : items.map((each) => each.id)"
      >
        <template #cell="{ row, column }">
          <template v-if="column === 'site'"
            ><RouterLink :to="{ name: 'doors', params: { site: row.site.id } }">{{ row.site.title }}</RouterLink>
            {{ ' ' }}<span class="soft">{{ row.term }}</span></template
          >
          <template v-else-if="column === 'door'">{{ row.name }}</template>
          <template v-else-if="column === 'state'"
            ><DoorGlyph :state="glyphOf(row.state)" /> {{ t(`doors.state.${row.state}`) }}</template
          >
          <span v-else class="num">{{ row.key ?? t('doors.lost') }}</span>
        </template>
        <template #card="{ row }">
          <RouterLink :to="{ name: 'doors', params: { site: row.site.id } }">{{ row.site.title }}</RouterLink>
          <p>{{ row.name }} · {{ t(`doors.state.${row.state}`) }}</p>
          <p class="num">{{ row.key ?? t('doors.lost') }}</p>
        </template>
      </DataRows>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  align-content: start;
}
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
}
:deep(.fresh) {
  background: var(--mint-pale);
}
</style>
