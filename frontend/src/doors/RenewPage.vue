<script setup lang="ts">
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { done, refreshSite } from '@/shared/undo'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import { optionsOf } from '@/ui/options'
import Trouble from '@/ui/Trouble.vue'
import { glyphOf } from './doors'

/** Keys of many sites renewed for another term in one step: the old ones stop, the new ones are here to print. */
const { t } = useI18n()
const { platform } = usePlatform()
const { data, error, refetch } = useQuery({ queryKey: ['key-doors'], queryFn: () => take(api.GET('/key-doors')) })
const items = computed(() => data.value?.items ?? [])
const chosen = ref<string[]>([])
const fromDay = ref('')
const untilDay = ref('')
const term = ref('')
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
    <h1>{{ $t('doors.renew.title') }}</h1>
    <p class="soft no-print">{{ $t('doors.renew.more') }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="data && !items.length" class="soft">{{ $t('doors.renew.none') }}</p>
    <template v-else>
      <form class="asked no-print" @submit.prevent="go">
        <PickOne
          v-model="term"
          shown
          :label="$t('doors.renew.term')"
          :placeholder="$t('form.choose')"
          :options="optionsOf(platform?.terms, 'code')"
        />
        <DayField v-model="fromDay" shown :label="$t('doors.renew.from')" />
        <DayField v-model="untilDay" shown :label="$t('doors.renew.until')" />
        <Button
          type="submit"
          size="small"
          :disabled="busy || !chosen.length"
          :label="$t('doors.renew.go', { n: chosen.length }, chosen.length)"
        />
        <button v-if="renewed.size" type="button" class="word" @click="print">{{ $t('doors.renew.print') }}</button>
      </form>
      <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
      <table>
        <thead>
          <tr>
            <th class="no-print">
              <input
                type="checkbox"
                :checked="chosen.length === items.length && items.length > 0"
                :aria-label="$t('doors.renew.all')"
                @change="chosen = chosen.length === items.length ? [] : items.map((each) => each.id)"
              />
            </th>
            <th v-for="head in ['site', 'door', 'state', 'key']" :key="head">{{ $t('doors.renew.' + head) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in items" :key="each.id" :class="{ fresh: renewed.has(each.id) }">
            <td class="no-print">
              <input
                v-model="chosen"
                type="checkbox"
                :value="each.id"
                :aria-label="$t('doors.renew.choose', { name: each.name, title: each.site.title })"
              />
            </td>
            <td>
              <RouterLink :to="{ name: 'doors', params: { site: each.site.id } }">{{ each.site.title }}</RouterLink>
              {{ ' ' }}<span class="soft">{{ each.term }}</span>
            </td>
            <td>{{ each.name }}</td>
            <td><DoorGlyph :state="glyphOf(each.state)" /> {{ $t('doors.state.' + each.state) }}</td>
            <td class="num">{{ each.key ?? $t('doors.lost') }}</td>
          </tr>
        </tbody>
      </table>
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
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-size: 0.88rem;
  color: var(--soft);
  border-bottom: 2px solid var(--line);
  padding: 4px 8px;
}
td {
  padding: 7px 8px;
  border-bottom: 1px solid var(--line);
  vertical-align: baseline;
}
.fresh {
  background: var(--mint-pale);
}
</style>
