<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type Item, type Leak, type Site } from '@/shared/api'
import { isDay } from '@/shared/days'
import { lookAt } from '@/shared/lookedAt'
import { usePlatform } from '@/shared/platform'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import DayField from '@/ui/DayField.vue'
import Trouble from '@/ui/Trouble.vue'
import { sentenceOf } from './visibility'

const ShowForm = defineAsyncComponent(() => import('./ShowForm.vue'))
const WhoSees = defineAsyncComponent(() => import('./WhoSees.vue'))

/** What a site has and who sees it: for staff all of it, with what is hardly meant; for others what they see. */
const props = defineProps<{ site: Site }>()
const route = useRoute()
const router = useRouter()
const { roleName } = usePlatform()
const narrow = useMediaQuery('(max-width: 760px)')
const on = computed(() => (typeof route.query.on === 'string' && isDay(route.query.on) ? route.query.on : ''))
const { data, error, refetch } = useQuery({
  queryKey: ['items', computed(() => props.site.id), on],
  queryFn: () =>
    take(
      api.GET('/sites/{site}/items', {
        params: { path: { site: props.site.id }, query: { on: on.value || undefined } },
      }),
    ),
  placeholderData: keepPreviousData,
})
const staff = computed(() => data.value?.people !== null && data.value?.people !== undefined)
const byId = computed(() => new Map(data.value?.items.map((item) => [item.id, item]) ?? []))
const title = (id: string | null) => byId.value.get(id ?? '')?.title ?? ''
const groupName = (id: string) => data.value?.groups.find((group) => group.id === id)?.name
const who = (item: Item) => {
  const named = data.value?.named.find(({ id }) => id === item.named)
  return named?.name ?? (item.visibility ? sentenceOf(item.visibility, { site: props.site, roleName, groupName }) : '')
}
const says = (item: Item, column: string) =>
  ({
    title: item.title,
    kind: t(`items.kind.${item.kind}`),
    who: who(item),
    sees: t('items.sees', { n: item.sees ?? 0, of: data.value?.people ?? 0 }),
  })[column] ?? ''
const columns = useColumns('items', () =>
  (staff.value ? (['title', 'kind', 'who', 'sees'] as const) : (['title', 'kind'] as const)).map((key) => ({
    key,
    label: t(`items.col.${key}`),
    weight: { title: 2.2, kind: 1, who: 2.2, sees: 1.2 }[key],
    sortable: false,
    always: key === 'title',
    optional: false,
  })),
)

const chosen = ref(new Set<string>())
/** The items whose sentence is written, or the one of whom it is asked who sees it. */
const saying = ref<string[]>([])
const asking = ref('')
const items = computed(() => data.value?.items ?? [])
function choose(index: number) {
  const id = items.value[index]?.id
  if (!id) return
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}
function chooseAll() {
  const all = items.value.every(({ id }) => chosen.value.has(id))
  chosen.value = new Set(all ? [] : items.value.map(({ id }) => id))
}
function say(...ids: string[]) {
  asking.value = ''
  saying.value = ids
}
function open(item: Item) {
  if (!staff.value) return
  saying.value = []
  asking.value = item.id
}
const leakSentence = (leak: Leak) =>
  t(
    `items.leak.${leak.code}`,
    {
      item: title(leak.item),
      other: title(leak.other),
      section: props.site.sections.find(({ id }) => id === leak.section)?.name ?? '',
      n: leak.people,
    },
    leak.people,
  )
/** Since when it is so, where that is still to come. */
const since = (leak: Leak) =>
  leak.at && data.value?.at && leak.at > data.value.at
    ? t('items.leak.from', { day: day(leak.at, props.site.timeZone) })
    : ''
</script>

<template>
  <div class="below">
    <div class="items">
      <div class="top no-print">
        <p v-if="data && staff" class="nums" role="status">
          <strong>{{ t('items.count', { n: items.length }, items.length) }}</strong>,
          {{ t('items.people', { n: $n(data.people ?? 0) }, data.people ?? 0) }}
        </p>
        <h2 v-else-if="data">{{ site.seenAs ? t('items.seenAs', { name: site.seenAs.name }) : t('items.seen') }}</h2>
        <DayField
          v-if="staff || site.seenAs"
          shown
          :label="t('items.on')"
          :placeholder="t('items.onToday')"
          :zone="site.timeZone"
          :model-value="on"
          @update:model-value="(value) => (!value || isDay(value)) && lookAt(router, { on: value || undefined })"
        />
      </div>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="data">
        <section v-if="staff" class="leaks" :class="{ fine: !data.leaks.length }" :aria-label="t('items.title')">
          <h2>{{ t('items.leak.title', { n: data.leaks.length }, data.leaks.length) }}</h2>
          <p v-if="!data.leaks.length" class="soft">{{ t('items.leak.none') }}</p>
          <ul v-else>
            <li v-for="leak in data.leaks" :key="leak.code + leak.item + leak.other + leak.section">
              {{ leakSentence(leak) }} {{ since(leak) }}
              <button v-if="data.may && leak.item" class="word" @click="say(leak.item)">
                {{ t('items.leak.say', { item: title(leak.item) }) }}
              </button>
              <button v-if="data.may && leak.code === 'names-hidden'" class="word" @click="say(leak.other!)">
                {{ t('items.leak.say', { item: title(leak.other) }) }}
              </button>
            </li>
          </ul>
        </section>
        <p v-if="chosen.size" class="picked no-print" role="status">
          <strong>{{ t('items.chosen', { n: chosen.size }, chosen.size) }}</strong>
          <button class="word" @click="say(...chosen)">{{ t('items.say', { n: chosen.size }, chosen.size) }}</button>
          <button class="word" @click="chosen = new Set()">{{ t('items.nobody') }}</button>
        </p>
        <p v-if="!items.length" class="empty">{{ t('items.none') }}</p>
        <DataRows
          v-else
          :opens="staff"
          :rows="items"
          :key-of="(item) => item.id"
          :columns="columns"
          :aside="narrow ? ['kind'] : []"
          :name="t('items.list')"
          :total="items.length"
          :chosen="data.may ? chosen : undefined"
          :pick-name="(item) => t('items.pick', { name: item.title })"
          :all-name="t('items.pickAll')"
          :shown="asking"
          @open="open"
          @hide="asking = ''"
          @choose="choose"
          @all="chooseAll"
        >
          <template #cell="{ row, column }">
            <span :class="{ inside: column === 'title' && row.unit, few: column === 'sees' && !row.sees }">{{
              says(row, column)
            }}</span>
          </template>
          <template #card="{ row }">
            <span class="line"
              ><strong :class="{ inside: row.unit }">{{ row.title }}</strong
              ><span v-if="staff" class="nums">{{ says(row, 'sees') }}</span></span
            >
            <span class="line soft"
              ><span :class="{ inside: row.unit }">{{ staff ? who(row) : says(row, 'kind') }}</span></span
            >
          </template>
        </DataRows>
      </template>
    </div>
    <ShowForm
      v-if="data && saying.length"
      :key="saying.join()"
      :site="site"
      :items="saying.map((id) => byId.get(id)!).filter(Boolean)"
      :data="data"
      @close="saying = []"
      @saved="((saying = []), (chosen = new Set()))"
    />
    <WhoSees
      v-else-if="data && asking && byId.get(asking)"
      :key="asking"
      :site="site"
      :item="byId.get(asking)!"
      :says="who(byId.get(asking)!)"
      :on="on"
      :may="data.may"
      @close="asking = ''"
      @say="say(asking)"
    />
  </div>
</template>

<style scoped>
.items {
  flex: 1;
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 2px 0;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
}
.top h2 {
  font-size: 1.15rem;
}
.leaks {
  border-left: 4px solid var(--brass);
  background: var(--brass-pale);
  padding: 6px 12px;
  flex: none;
  max-height: 150px;
  overflow: auto;
}
.leaks.fine {
  border-color: var(--mint);
  background: transparent;
}
.leaks h2 {
  font-size: 1.02rem;
}
.leaks ul {
  margin: 2px 0 0;
  padding-left: 18px;
  display: grid;
  gap: 4px;
}
.inside {
  padding-left: 18px;
}
.few {
  color: var(--clay);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.empty {
  padding: 26px 10px;
}
:deep(td.of-title) {
  font-weight: 600;
}
</style>
