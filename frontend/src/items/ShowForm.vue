<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import MultiSelect from 'primevue/multiselect'
import { computed, reactive, ref } from 'vue'
import { api, take, type Item, type Items, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { refresh } from '@/shared/queries'
import { useRested } from '@/shared/rested'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import DockedColumn from '@/ui/DockedColumn.vue'
import OneOf from '@/ui/OneOf.vue'
import PickOne from '@/ui/PickOne.vue'
import { draftOf, emptyCondition, sentenceFrom, sentenceOf, type Condition, type ConditionKind } from './visibility'

/** Says who sees one item or several: with a sentence of their own, or with one that has a name. */
const props = defineProps<{ site: Site; items: Item[]; data: Items }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const { platform, roleName } = usePlatform()
const groupName = (id: string) => props.data.groups.find((group) => group.id === id)?.name
const reading = computed(() => ({ site: props.site, roleName, groupName }))
const first = props.items[0]!
const same = props.items.every((item) => JSON.stringify(item.visibility) === JSON.stringify(first.visibility))
const named = ref(props.items.every((item) => item.named === first.named) ? (first.named ?? '') : '')
const draft = reactive(
  (same && first.visibility && draftOf(first.visibility)) || { join: 'all' as const, conditions: [] as Condition[] },
)
const sentence = computed(() => sentenceFrom(draft))
const { data: labels } = useQuery({
  queryKey: ['labels', computed(() => props.site.id), 'all'],
  enabled: computed(() => props.site.may.includes('label-people')),
  queryFn: () => take(api.GET('/sites/{site}/labels', { params: { path: { site: props.site.id } } })),
})
/** What a condition may name; what it names already stays a choice. */
function choices(each: Condition) {
  const known =
    each.kind === 'sections'
      ? props.site.sections.map(({ id, name }) => ({ value: id, label: name }))
      : each.kind === 'groups'
        ? props.data.groups.map(({ id, name: own, split }) => ({
            value: id,
            label: t('items.form.group', { name: own, split }),
          }))
        : each.kind === 'roles'
          ? (platform.value?.roles ?? []).map(({ code, name }) => ({ value: code, label: name }))
          : (labels.value?.items ?? []).map(({ name }) => ({ value: name, label: name }))
  const more = each.names.filter((name) => !known.some(({ value }) => value === name))
  return [...known, ...more.map((name) => ({ value: name, label: name }))]
}
const KINDS: ConditionKind[] = ['sections', 'groups', 'roles', 'labels', 'dates']
const there = (kind: ConditionKind) =>
  kind === 'sections' ? props.site.sections.length > 0 : kind !== 'groups' || props.data.groups.length > 0
/** Groups that people choose by themselves open what they are shown to whoever goes in. */
const chosen = computed(() =>
  props.data.groups.filter(
    ({ id, chosen: own }) => own && draft.conditions.some(({ kind, names }) => kind === 'groups' && names.includes(id)),
  ),
)
const offered = computed(() =>
  KINDS.filter(there).map((kind) => ({
    value: kind,
    label: t(`items.form.part.${kind}`),
  })),
)

const ids = computed(() => props.items.map(({ id }) => id))
const wanted = computed(() =>
  named.value ? { named: named.value } : sentence.value ? { visibility: sentence.value } : undefined,
)
const { key, isNow } = useRested(() => wanted.value ?? null, 200)
const make = (apply: boolean) =>
  take(
    api.PUT('/sites/{site}/items', {
      params: { path: { site: props.site.id }, header: { 'If-Match': `"${props.data.version}"` } },
      body: { items: ids.value, apply, ...wanted.value },
    }),
  )
const {
  data: review,
  error,
  isFetching,
} = useQuery({
  queryKey: ['preview', 'items', computed(() => props.site.id), ids, key],
  enabled: computed(() => key.value !== 'null'),
  queryFn: () => make(false),
  placeholderData: keepPreviousData,
})
const settled = computed(() => isNow.value && !isFetching.value)
const ready = computed(() => review.value?.lines.filter(({ verdict }) => verdict === 'ready') ?? [])
const most = (of: 'sees' | 'will') => Math.max(0, ...(review.value?.lines.map((line) => line[of]) ?? []))

const { busy, run } = useBusy()
const save = () =>
  run(async () => {
    const count = ready.value.length
    const { entry } = await make(true)
    done(t('items.form.did', { n: count, name: `“${ready.value[0]?.title ?? ''}”` }, count), {
      site: props.site.id,
      entry,
    })
    await Promise.all([refreshSite(), refresh('items')])
    emit('saved')
  })

const name = ref('')
const putNames = async (list: { id?: string; name: string; visibility: Items['named'][number]['visibility'] }[]) => {
  await take(
    api.PUT('/sites/{site}/visibilities', {
      params: { path: { site: props.site.id }, header: { 'If-Match': `"${props.data.version}"` } },
      body: { named: list.map(({ id, name, visibility }) => ({ id: id ?? null, name, visibility })) },
    }),
  )
  done(t('items.named.did'))
  await Promise.all([refreshSite(), refresh('items')])
}
const keep = () =>
  run(async () => {
    await putNames([...props.data.named, { name: name.value.trim(), visibility: sentence.value! }])
    name.value = ''
  })
const drop = (id: string) => run(() => putNames(props.data.named.filter((each) => each.id !== id)))
const title = computed(() =>
  t('items.form.title', { n: props.items.length, name: `“${first.title}”` }, props.items.length),
)
</script>

<template>
  <DockedColumn class="form" name="items" :label="title" closes @close="emit('close')">
    <h2>{{ title }}</h2>
    <form @submit.prevent="save">
      <PickOne
        v-if="data.named.length"
        v-model="named"
        stacked
        :label="t('items.form.use')"
        :options="[
          { value: '', label: t('items.form.own') },
          ...data.named.map(({ id, name: own }) => ({ value: id, label: own })),
        ]"
      />
      <template v-if="!named">
        <p class="said" role="status">
          {{ sentence ? sentenceOf(sentence, reading) : '…' }}
        </p>
        <fieldset v-for="(each, index) in draft.conditions" :key="index">
          <legend>{{ t(`items.form.part.${each.kind}`) }}</legend>
          <template v-if="each.kind === 'dates'">
            <DayField v-model="each.from" shown :label="t('items.form.from')" :zone="site.timeZone" />
            <DayField v-model="each.until" shown :label="t('items.form.until')" :zone="site.timeZone" />
          </template>
          <MultiSelect
            v-else
            v-model="each.names"
            size="small"
            :options="choices(each)"
            option-label="label"
            option-value="value"
            :show-toggle-all="false"
            :filter="choices(each).length > 10"
            :aria-label="t(`items.form.part.${each.kind}`)"
            :placeholder="t('items.form.choose')"
            fluid
          />
          <button type="button" class="word clay" @click="draft.conditions.splice(index, 1)">
            {{ t('items.form.take') }}
          </button>
        </fieldset>
        <p v-if="chosen.length" class="brass">
          {{ t('items.form.chosen', { names: chosen.map(({ name: own }) => own).join(', ') }) }}
        </p>
        <div v-if="draft.conditions.length > 1" role="radiogroup" :aria-label="t('items.form.join')" class="join">
          {{ t('items.form.join') }}
          <OneOf v-for="each in ['all', 'any'] as const" :key="each" v-model="draft.join" name="join" :value="each">{{
            t(`items.form.${each}`)
          }}</OneOf>
        </div>
        <PickOne
          :key="draft.conditions.length"
          :label="t('items.form.add')"
          :placeholder="t(draft.conditions.length ? 'items.form.add' : 'items.form.addFirst')"
          :options="offered"
          :model-value="undefined"
          @update:model-value="draft.conditions.push(emptyCondition($event!))"
        />
      </template>
      <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
      <p v-else-if="review && wanted" role="status">
        {{
          ready.length
            ? t('items.form.before', { before: most('sees'), after: most('will') }, items.length)
            : t('items.form.same')
        }}
      </p>
      <p class="acts">
        <Button
          type="submit"
          size="small"
          :disabled="busy || !settled || !ready.length || !wanted"
          :label="t('items.form.save', { n: ready.length }, items.length)"
        />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
    <form v-if="!named && sentence && draft.conditions.length" class="name" @submit.prevent="keep">
      <label for="visibility-name">{{ t('items.form.name') }}</label>
      <span class="acts">
        <InputText id="visibility-name" v-model="name" size="small" maxlength="60" />
        <Button
          type="submit"
          size="small"
          variant="outlined"
          :disabled="busy || !name.trim()"
          :label="t('items.form.keep')"
        />
      </span>
    </form>
    <section v-if="data.named.length">
      <h3>{{ t('items.named.title') }}</h3>
      <ul>
        <li v-for="each in data.named" :key="each.id">
          <strong>{{ each.name }}</strong>: {{ sentenceOf(each.visibility, reading) }}
          <span class="soft small">{{ t('items.named.used', { n: each.items }, each.items) }}</span>
          <button v-if="!each.items" class="word clay" :disabled="busy" @click="drop(each.id)">
            {{ t('items.named.drop') }}
          </button>
        </li>
      </ul>
    </section>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 400px;
}
h2 {
  padding-right: 60px;
  overflow-wrap: anywhere;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.said {
  font-weight: 600;
  border-left: 4px solid var(--mint);
  padding-left: 10px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  width: 100%;
}
legend {
  font-weight: 600;
  padding: 0 0 3px;
}
.join,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.name {
  gap: 4px;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 6px;
}
.small {
  font-size: 0.9rem;
}
</style>
