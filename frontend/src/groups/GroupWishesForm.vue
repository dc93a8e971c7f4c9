<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { refresh } from '@/shared/queries'
import { fullName } from '@/shared/sentences'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import LabelInput from '@/roster/LabelInput.vue'
import PeopleField, { type Named } from '@/roster/PeopleField.vue'
import { openSections } from '@/roster/sections'
import DockedColumn from '@/ui/DockedColumn.vue'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { useSplits, type GroupBoard, type Split, type Wish, type WishesWanted } from './groups'
import type { components } from '@/shared/schema'

/** Says what the groups are to be like: each wish a sentence, and who is put into them. */
const props = defineProps<{
  site: Site
  split: Split
  wishes: components['schemas']['GroupWishes']
  board: GroupBoard
}>()
const emit = defineEmits<{ close: [] }>()
const { platform } = usePlatform()
const { data: splits } = useSplits(() => props.site)

type Row = Required<Omit<Wish, 'people' | 'split' | 'by'>> & { by: string; people: Named[]; split: string }
const named = (id: string): Named => {
  const row = props.board.roster.byId.value.get(id)
  return { id, name: row ? fullName(row.person) : t('groups.wishes.gone') }
}
const rowOf = (wish: Wish): Row => ({
  kind: wish.kind,
  must: wish.must ?? false,
  by: wish.by ?? '',
  detail: wish.detail ?? '',
  value: wish.value ?? '',
  least: wish.least ?? 0,
  most: wish.most ?? 0,
  people: (wish.people ?? []).map(named),
  split: wish.split ?? '',
})
const rows = reactive<Row[]>((props.wishes.asked.wishes ?? []).map(rowOf))
const who = ref<NonNullable<WishesWanted['who']>>(props.wishes.asked.who ?? 'all')
const keep = ref(new Set(props.wishes.asked.keep))

const sections = computed(() => openSections(props.site))
const others = computed(() => (splits.value ?? []).filter(({ id, awayAt }) => !awayAt && id !== props.split.id))
const details = computed(() => platform.value?.details ?? [])
const KINDS = ['count', 'even', 'mixed', 'together', 'apart', 'met', 'free'] as const
const kinds = computed(() =>
  KINDS.filter((kind) => kind !== 'met' || others.value.length).map((value) => ({
    value,
    label: t(`groups.wishing.kinds.${value}`),
  })),
)
/** What of people it may be about: a number for what is to be even. */
const whats = (kind: Row['kind']) => [
  ...(kind === 'even'
    ? (['level'] as const)
    : (['label', 'level', 'division', ...(sections.value.length ? (['section'] as const) : [])] as const)
  ).map((value) => ({ value: value as string, label: t(`groups.wishes.of.${value}`) })),
  ...details.value.map(({ code, name }) => ({ value: 'detail:' + code, label: name })),
]
const what = (row: Row) => (row.by === 'detail' ? 'detail:' + row.detail : row.by)
function say(row: Row, value: string) {
  const [by = '', detail = ''] = value.split(':')
  Object.assign(row, { by, detail, value: '' })
}
const adding = ref<Row['kind']>()
function add(kind: Row['kind'] | undefined) {
  if (!kind) return
  const by = kind === 'even' ? 'level' : kind === 'mixed' ? 'division' : kind === 'count' ? 'label' : ''
  const most = kind === 'count' ? 1 : 0
  rows.push({ ...rowOf({ kind }), by, least: most, most, split: kind === 'met' ? (others.value[0]?.id ?? '') : '' })
  adding.value = undefined
}
const WAYS = ['all', 'rest', 'few'] as const

const wrong = ref<Record<string, string>>({})
const of = (n: number) =>
  Object.entries(wrong.value).flatMap(([at, said]) => (at.startsWith(`/wishes/${n}/`) ? [said] : []))
const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail }) => [pointer, detail]))
  if (!errors.length) wentWrong(thrown)
})
const save = () =>
  run(async () => {
    wrong.value = {}
    const body: WishesWanted = {
      who: who.value,
      keep: [...keep.value].filter((id) => props.split.list.some((group) => group.id === id)),
      wishes: rows.map((row) => ({
        ...row,
        by: row.by as Wish['by'],
        most: row.kind === 'count' ? (row.most ?? row.least) : (row.most ?? 0),
        least: row.least ?? 0,
        people: row.people.map(({ id }) => id),
        split: row.split || null,
      })),
    }
    const path = { site: props.site.id, split: props.split.id }
    const header = { 'If-Match': `"${props.wishes.version}"` }
    await take(api.PUT('/sites/{site}/group-splits/{split}/wishes', { params: { path, header }, body }))
    await refresh('splits', 'history')
    done(t('groups.wishing.did'))
    emit('close')
  })
</script>

<template>
  <DockedColumn class="form" name="groups" :label="t('groups.wishing.title')" closes @close="emit('close')">
    <h2>{{ t('groups.wishing.title') }}</h2>
    <form novalidate @submit.prevent="save">
      <fieldset v-for="(row, n) in rows" :key="n">
        <legend>{{ t(`groups.wishing.kinds.${row.kind}`) }}</legend>
        <div class="parts">
          <template v-if="row.kind === 'count'">
            <NumberField v-model="row.least" :label="t('groups.wishing.least')" :min="0" :max="1000" :figures="2" />
            {{ t('groups.wishing.most') }}
            <NumberField v-model="row.most" :label="t('groups.wishing.most')" :min="0" :max="1000" :figures="2" />
            {{ t('groups.wishing.in') }}
          </template>
          <span v-if="row.kind === 'count'" class="soft">{{ t('groups.wishing.by') }}</span>
          <PickOne
            v-if="['count', 'even', 'mixed'].includes(row.kind)"
            :model-value="what(row)"
            :label="t('groups.wishing.by')"
            :options="whats(row.kind)"
            @update:model-value="say(row, String($event))"
          />
          <template v-if="row.kind === 'count' || (row.kind === 'mixed' && row.by === 'label')">
            <LabelInput v-if="row.by === 'label'" v-model="row.value" :site="site" :label="t('groups.wishing.value')" />
            <PickOne
              v-else-if="row.by === 'section' || row.by === 'division'"
              v-model="row.value"
              :label="t('groups.wishing.value')"
              :placeholder="t('groups.wishing.value')"
              :options="
                (row.by === 'section' ? sections : (platform?.divisions ?? [])).map(({ name }) => ({
                  value: name,
                  label: name,
                }))
              "
            />
            <InputText
              v-else
              v-model="row.value"
              size="small"
              maxlength="80"
              class="value"
              :aria-label="t('groups.wishing.value')"
            />
          </template>
          <PeopleField
            v-if="row.kind === 'together' || row.kind === 'apart'"
            v-model="row.people"
            class="people"
            :site="site"
            :label="`${t('groups.wishing.people')}, ${n + 1}`"
          />
          <template v-if="row.kind === 'met'">
            <PickOne
              v-model="row.split"
              :label="t('groups.wishing.split')"
              :options="others.map(({ id, name }) => ({ value: id, label: name }))"
            />
            {{ t('groups.wishing.again') }}
            <NumberField v-model="row.most" :label="t('groups.wishing.again')" :min="0" :max="1000" :figures="2" />
          </template>
        </div>
        <p v-for="said in of(n)" :key="said" class="wrong" role="alert">{{ said }}</p>
        <p class="acts">
          <Tick v-if="row.kind !== 'even'" v-model="row.must">{{ t('groups.wishing.must') }}</Tick>
          <button type="button" class="word" @click="rows.splice(n, 1)">{{ t('groups.wishing.drop') }}</button>
        </p>
      </fieldset>
      <PickOne
        v-model="adding"
        stacked
        fluid
        :label="t('groups.wishing.add')"
        :placeholder="t('groups.wishing.choose')"
        :options="kinds"
        @update:model-value="add"
      />
      <PickOne
        v-model="who"
        stacked
        fluid
        :label="t('groups.wishing.who')"
        :options="WAYS.map((value) => ({ value, label: t(`groups.wishing.ways.${value}`) }))"
      />
      <fieldset v-if="split.list.length && who !== 'rest'" class="keep">
        <legend>{{ t('groups.wishing.keep') }}</legend>
        <Tick
          v-for="group in split.list"
          :key="group.id"
          :model-value="keep.has(group.id)"
          @update:model-value="$event ? keep.add(group.id) : keep.delete(group.id)"
          >{{ group.name }}</Tick
        >
      </fieldset>
      <p class="acts">
        <Button type="submit" size="small" :disabled="busy" :label="t('groups.wishing.save')" />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 440px;
}
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 14px;
}
fieldset {
  border: 0;
  border-left: 3px solid var(--line);
  margin: 0;
  padding: 0 0 0 10px;
  display: grid;
  gap: 6px;
  min-width: 0;
}
legend {
  font-weight: 600;
  padding: 0;
}
.parts,
.acts,
.keep {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.keep legend {
  width: 100%;
}
.people {
  flex: 1;
  min-width: 0;
}
.value {
  width: 12ch;
}
.wrong {
  color: var(--clay);
}
</style>
