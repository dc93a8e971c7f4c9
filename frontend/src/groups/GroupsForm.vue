<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, reactive, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { listName } from '@/shared/sentences'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import DockedColumn from '@/ui/DockedColumn.vue'
import DayField from '@/ui/DayField.vue'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import SizeFields from './SizeFields.vue'
import { refreshGroups, takeMovesBack, type GroupBoard, type Split } from './groups'

/** Names, sizes, leaders and notes of the groups of a split; further groups, and groups that go. */
const props = defineProps<{ site: Site; split: Split; board: GroupBoard }>()
const emit = defineEmits<{ close: [] }>()
const { takesSeat } = usePlatform()
const name = ref(props.split.name)
const least = ref(props.split.least)
const most = ref(props.split.most)
const chooses = ref(!!props.split.choosesUntil)
const from = ref(props.split.choosesFrom ?? '')
const until = ref(props.split.choosesUntil ?? '')
const founds = ref(props.split.founds)
const settles = ref(props.split.settles)
const arrives = ref(props.split.arrives)
const ways = computed(() => {
  const alike = props.split.madeFrom
  return [
    { value: 'none' as const, label: t('groups.form.arrives.none') },
    { value: 'emptiest' as const, label: t('groups.form.arrives.emptiest') },
    ...(alike ? [{ value: 'alike' as const, label: t(`groups.form.arrives.of.${alike}`) }] : []),
    { value: 'wishes' as const, label: t('groups.form.arrives.wishes') },
  ]
})
let made = 0
const drafts = reactive(
  props.split.list.map(({ id, name: called, most: fits, leader, notes, people }) => ({
    key: id,
    id: id as string | null,
    name: called,
    most: fits,
    leader: leader?.id ?? '',
    notes,
    people,
    goes: false,
    open: false,
  })),
)
const add = () =>
  drafts.push({
    key: `new-${++made}`,
    id: null,
    name: '',
    most: null,
    leader: '',
    notes: '',
    people: 0,
    goes: false,
    open: false,
  })

const staff = computed(() => (props.board.roster.rows.value ?? []).filter((row) => !row.standing.roles.some(takesSeat)))
/** Who may lead a group: those in it, staff, and whoever does now. */
function leaders(group: string | null) {
  const inIt = props.board.rows.value.filter(({ person }) => props.board.places.value.get(person.id) === group)
  const options = [...(group ? inIt : []), ...staff.value].map(({ person }) => ({
    value: person.id,
    label: listName(person),
  }))
  const now = props.split.list.find(({ id }) => id === group)?.leader
  if (now && !options.some(({ value }) => value === now.id)) options.unshift({ value: now.id, label: now.name })
  return [{ value: '', label: t('groups.form.nobody') }, ...options]
}

const wrong = ref<Record<string, string>>({})
const kept = computed(() => drafts.filter(({ goes }) => !goes))
const at = (key: string, field: string) =>
  wrong.value[`/groups/${kept.value.findIndex((draft) => draft.key === key)}/${field}`]
const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail }) => [pointer, detail]))
  for (const draft of drafts) draft.open ||= !!(at(draft.key, 'most') ?? at(draft.key, 'leader'))
  if (!errors.length) wentWrong(thrown)
})
const save = () =>
  run(async () => {
    wrong.value = {}
    const params = {
      path: { site: props.site.id, split: props.split.id },
      header: { 'If-Match': `"${props.split.version}"` },
    }
    const answer = await take(
      api.PUT('/sites/{site}/group-splits/{split}', {
        params,
        body: {
          name: name.value,
          least: least.value,
          most: most.value,
          choosesFrom: chooses.value ? from.value || null : null,
          choosesUntil: chooses.value ? until.value || null : null,
          founds: chooses.value && founds.value,
          settles: chooses.value && settles.value,
          arrives: arrives.value,
          groups: kept.value.map((draft) => ({
            id: draft.id,
            name: draft.name,
            most: draft.most,
            leader: draft.leader || null,
            notes: draft.notes,
          })),
        },
      }),
    )
    await refreshGroups()
    const { changeList } = answer
    const out = drafts.filter(({ goes }) => goes).reduce((sum, { people }) => sum + people, 0)
    done(
      changeList ? t('groups.form.didOut', { n: out }, out) : t('groups.form.did'),
      changeList ? { back: () => takeMovesBack(changeList) } : undefined,
    )
    emit('close')
  })
</script>

<template>
  <DockedColumn class="form" name="groups" :label="t('groups.form.title')" closes @close="emit('close')">
    <h2>{{ t('groups.form.title') }}</h2>
    <form novalidate @submit.prevent="save">
      <div class="field">
        <label for="form-name">{{ t('groups.form.name') }}</label>
        <InputText id="form-name" v-model="name" size="small" fluid maxlength="80" :invalid="!!wrong['/name']" />
        <span v-if="wrong['/name']" class="wrong" role="alert">{{ wrong['/name'] }}</span>
      </div>
      <SizeFields v-model:least="least" v-model:most="most" :wrong="wrong" />
      <fieldset class="choose">
        <Tick v-model="chooses">{{ t('groups.form.chooses') }}</Tick>
        <template v-if="chooses">
          <p class="two">
            <span class="field">
              <label for="form-from">{{ t('groups.form.from') }}</label>
              <DayField
                id="form-from"
                v-model="from"
                :label="t('groups.form.from')"
                :placeholder="t('groups.form.fromNow')"
                :zone="site.timeZone"
              />
              <span v-if="wrong['/choosesFrom']" class="wrong" role="alert">{{ wrong['/choosesFrom'] }}</span>
            </span>
            <span class="field">
              <label for="form-until">{{ t('groups.form.until') }}</label>
              <DayField
                id="form-until"
                v-model="until"
                :label="t('groups.form.until')"
                :invalid="!!wrong['/choosesUntil']"
                :zone="site.timeZone"
              />
              <span v-if="wrong['/choosesUntil']" class="wrong" role="alert">{{ wrong['/choosesUntil'] }}</span>
            </span>
          </p>
          <Tick v-model="founds">{{ t('groups.form.founds') }}</Tick>
          <Tick v-model="settles">{{ t('groups.form.settles') }}</Tick>
        </template>
      </fieldset>
      <div class="field">
        <PickOne v-model="arrives" stacked :label="t('groups.form.arrives.label')" :options="ways" />
        <span v-if="wrong['/arrives']" class="wrong" role="alert">{{ wrong['/arrives'] }}</span>
      </div>
      <fieldset v-for="draft in drafts" :key="draft.key">
        <legend class="unseen">{{ draft.name || t('groups.form.group') }}</legend>
        <p v-if="draft.goes" class="one">
          <s>{{ draft.name }}</s>
          <span class="brass">{{ t('groups.form.removed', { n: draft.people }, draft.people) }}</span>
          <button type="button" class="word" @click="draft.goes = false">{{ t('groups.form.keep') }}</button>
        </p>
        <template v-else>
          <p class="one">
            <InputText
              v-model="draft.name"
              size="small"
              maxlength="80"
              :aria-label="t('groups.form.groupName')"
              :invalid="!!at(draft.key, 'name')"
            />
            <button type="button" class="word" :aria-expanded="draft.open" @click="draft.open = !draft.open">
              {{ t('groups.form.further') }}
            </button>
            <button
              type="button"
              class="word clay"
              @click="draft.id ? (draft.goes = true) : drafts.splice(drafts.indexOf(draft), 1)"
            >
              {{ t('groups.form.remove') }}
            </button>
          </p>
          <span v-if="at(draft.key, 'name')" class="wrong" role="alert">{{ at(draft.key, 'name') }}</span>
          <div v-if="draft.open" class="two">
            <div class="field">
              <label :for="`${draft.key}-most`">{{ t('groups.form.most') }}</label>
              <NumberField :id="`${draft.key}-most`" v-model="draft.most" :min="1" :max="1000" />
              <span v-if="at(draft.key, 'most')" class="wrong" role="alert">{{ at(draft.key, 'most') }}</span>
            </div>
            <div class="field">
              <PickOne v-model="draft.leader" stacked :label="t('groups.form.leader')" :options="leaders(draft.id)" />
              <span v-if="at(draft.key, 'leader')" class="wrong" role="alert">{{ at(draft.key, 'leader') }}</span>
            </div>
            <div class="field wide">
              <label :for="`${draft.key}-notes`">{{ t('groups.form.notes') }}</label>
              <Textarea :id="`${draft.key}-notes`" v-model="draft.notes" rows="2" fluid maxlength="500" />
            </div>
          </div>
        </template>
      </fieldset>
      <p><Button size="small" variant="outlined" :label="t('groups.form.add')" @click="add" /></p>
      <p class="acts">
        <Button type="submit" size="small" :disabled="busy" :label="t('groups.form.save')" />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 430px;
}
h2 {
  padding-right: 60px;
}
form,
fieldset {
  display: grid;
  gap: 10px;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--line);
  padding: 8px 0 0;
  margin: 0;
}
.one,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.two {
  align-items: end;
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 10px 12px;
}
.field {
  display: grid;
  gap: 3px;
  align-content: start;
  justify-items: start;
  min-width: 0;
}
.wide {
  grid-column: 1 / -1;
  justify-items: stretch;
}
.wrong {
  color: var(--clay);
}
</style>
