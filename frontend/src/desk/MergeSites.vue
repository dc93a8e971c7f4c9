<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, onMounted, ref } from 'vue'
import { api, Problem, take, type Site, type SiteMerge, type SiteSummary } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { lineSentences } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { findSites } from '@/sites/findSites'
import DockedColumn from '@/ui/DockedColumn.vue'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import FindBox from '@/ui/FindBox.vue'
import OneOf from '@/ui/OneOf.vue'
import Tick from '@/ui/Tick.vue'
import Trouble from '@/ui/Trouble.vue'
import { afterCarrying, takeCarryingBack } from './carrying'

/** Makes other sites sections of this one: which, what follows for whom, and which role where somebody has two. */
const SHOWN = 8
const props = defineProps<{ site: Site }>()
const emit = defineEmits<{ close: [] }>()
const { roleName } = usePlatform()
const chosen = ref<{ id: string; title: string }[]>([])
const apart = ref(true)
const roles = ref<Record<string, string>>({})
const ids = computed(() => chosen.value.map(({ id }) => id))
const body = computed(() => ({ into: props.site.id, sites: ids.value, apart: apart.value, roles: roles.value }))
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['site-merge', body],
  enabled: computed(() => ids.value.length > 0),
  queryFn: () => take(api.POST('/site-merges', { body: { ...body.value, apply: false } })),
  placeholderData: keepPreviousData,
  retry: false,
})
/** What it would come to; null where it cannot be. */
const merge = computed<SiteMerge | null>(() => (ids.value.length && !error.value ? (data.value ?? null) : null))
onMounted(() => document.getElementById('merge-site')?.focus())

const find = async (q: string) =>
  (await findSites(q)).filter(({ id, state }) => id !== props.site.id && !ids.value.includes(id) && state !== 'closed')
function pick({ id, title }: SiteSummary) {
  chosen.value = [...chosen.value, { id, title }]
}
function leave(id: string) {
  chosen.value = chosen.value.filter((each) => each.id !== id)
}
/** What is wrong with a site, as the server says; of the one that stays under its own name. */
const errors = computed(() => (error.value instanceof Problem ? (error.value.document.errors ?? []) : []))
const wrongAt = (pointer: string) => errors.value.filter((each) => each.pointer === pointer)
const said = (id: string) => merge.value?.sites.find(({ site }) => site.id === id)
const names = (all: string[]) => all.join(', ')
function keepAll() {
  roles.value = {
    ...roles.value,
    ...Object.fromEntries((merge.value?.choices ?? []).map(({ person, roles: [own] }) => [person.id, own!])),
  }
}
/** Those of whom somebody chose stay on the screen, so that it can be chosen again. */
const asked = ref(new Map<string, SiteMerge['choices'][number]>())
const choices = computed(() => {
  for (const choice of merge.value?.choices ?? []) asked.value.set(choice.person.id, choice)
  return [...asked.value.values()].filter(({ person }) => ids.value.length && person.id)
})
const left = computed(() =>
  (merge.value?.review.lines ?? []).filter(
    ({ verdict, reasons }) =>
      !['ready', 'nothing-to-do'].includes(verdict) && !reasons.some(({ code }) => code === 'which-role'),
  ),
)

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const many = ids.value.length
    const { changeList } = await take(api.POST('/site-merges', { body: { ...body.value, apply: true } }))
    emit('close')
    await afterCarrying()
    done(t('sections.merge.did', { n: many, title: props.site.title }, many), {
      back: () => takeCarryingBack('site-merge', changeList!),
    })
  })
</script>

<template>
  <DockedColumn class="form" name="merge" :label="t('sections.merge.title')" closes @close="emit('close')">
    <h2>{{ t('sections.merge.title') }}</h2>
    <p class="soft">{{ t('sections.merge.more', { title: site.title }) }}</p>
    <FindBox
      id="merge-site"
      :label="t('sections.merge.find')"
      :placeholder="t('sections.merge.hint')"
      :find="find"
      :called="(each) => each.title"
      :none="t('sections.merge.nothing')"
      :from="0"
      @pick="pick"
    >
      <template #default="{ found }"
        ><DoorGlyph :state="found.state" /> {{ found.title }} <span class="num soft">{{ found.code }}</span></template
      >
    </FindBox>
    <ul v-if="chosen.length" class="sites">
      <li v-for="(each, index) in chosen" :key="each.id">
        <p class="line">
          <strong>{{ each.title }}</strong>
          <button class="word" :aria-label="t('sections.merge.leave', { title: each.title })" @click="leave(each.id)">
            {{ t('sections.merge.drop') }}
          </button>
        </p>
        <p v-for="wrong in wrongAt(`/sites/${index}`)" :key="wrong.code" class="clay" role="alert">
          {{ wrong.detail }}
        </p>
        <p v-if="said(each.id)" class="soft">
          {{ t('sections.merge.people', { n: said(each.id)!.people }, said(each.id)!.people) }}
          <template v-if="said(each.id)!.both">{{
            t('sections.merge.both', { n: said(each.id)!.both }, said(each.id)!.both)
          }}</template>
          {{ t('sections.merge.into', { names: names(said(each.id)!.sections) }, said(each.id)!.sections.length) }}
          <template v-if="said(each.id)!.doors.length">{{
            t('sections.merge.doors', { names: names(said(each.id)!.doors) }, said(each.id)!.doors.length)
          }}</template>
        </p>
      </li>
    </ul>
    <p v-for="wrong in wrongAt('/into')" :key="wrong.code" class="clay" role="alert">{{ wrong.detail }}</p>
    <Trouble v-if="error && !errors.length" :error="error" @again="refetch()" />
    <template v-if="merge">
      <p v-if="merge.own">{{ t('sections.merge.own', { name: merge.own }) }}</p>
      <p v-if="merge.seats">{{ t('sections.merge.seats', { n: $n(merge.seats) }) }}</p>
      <p v-else-if="site.seats" class="brass">{{ t('sections.merge.noSeats') }}</p>
      <p v-if="merge.several">{{ t('sections.merge.several') }}</p>
      <Tick v-model="apart">{{ t('sections.form.apart') }}</Tick>
      <fieldset v-for="choice in choices" :key="choice.person.id" class="callout">
        <legend class="follows">{{ t('sections.merge.whichRole', { name: choice.person.name }) }}</legend>
        <OneOf
          v-for="role in choice.roles"
          :key="role"
          :name="choice.person.id"
          :value="role"
          :model-value="roles[choice.person.id] ?? null"
          @update:model-value="roles = { ...roles, [choice.person.id]: role }"
          >{{ roleName(role) }}</OneOf
        >
      </fieldset>
      <p v-if="merge.choices.length > 1">
        <button class="word" @click="keepAll">
          {{ t('sections.merge.keep', { n: merge.choices.length }, merge.choices.length) }}
        </button>
      </p>
      <ul v-if="merge.notes.length" class="brass">
        <li v-for="note in merge.notes.slice(0, SHOWN)" :key="note.person.id + note.code">
          {{ t(`sections.merge.note.${note.code}`, { name: note.person.name }) }}
        </li>
        <li v-if="merge.notes.length > SHOWN">
          {{ t('sections.merge.andMore', { n: merge.notes.length - SHOWN }, merge.notes.length - SHOWN) }}
        </li>
      </ul>
      <ul v-if="left.length" class="clay">
        <li v-for="line in left.slice(0, SHOWN)" :key="line.key">
          {{ t('sections.merge.cannot', { name: line.person.name }) }}
          {{ lineSentences(line, line.site.timeZone, roleName).join(' ') }}
        </li>
        <li v-if="left.length > SHOWN">
          {{ t('sections.merge.andMore', { n: left.length - SHOWN }, left.length - SHOWN) }}
        </li>
      </ul>
    </template>
    <p class="acts">
      <Button
        size="small"
        :disabled="busy || isFetching || !merge?.ready"
        :label="t('sections.merge.apply', { n: ids.length }, ids.length)"
        @click="apply"
      />
      <span v-if="!ids.length" class="soft">{{ t('sections.merge.first') }}</span>
      <span v-else-if="isFetching" class="soft" role="status">{{ t('card.ask.computing') }}</span>
    </p>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 430px;
}
h2 {
  padding-right: 60px;
}
.form > :deep(*) {
  margin-bottom: 10px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.sites {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 8px;
}
.sites li {
  border-left: 4px solid var(--mint);
  padding: 2px 10px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
fieldset {
  border-width: 0 0 0 4px;
  margin: 0;
  display: grid;
  gap: 4px;
}
legend {
  padding: 0;
  float: left;
}
</style>
