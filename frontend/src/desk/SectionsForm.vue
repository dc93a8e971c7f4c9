<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { reactive, ref } from 'vue'
import { api, Problem, take, type Sections, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import DockedColumn from '@/ui/DockedColumn.vue'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'

/** Makes, renames, orders and retires sections, and says whether they see one another. */
const props = defineProps<{ site: Site; sections: Sections }>()
const emit = defineEmits<{ close: []; empty: [section: string]; out: [section: string] }>()

interface Draft {
  id: string | null
  name: string
  seats: number | null
  from: string
  until: string
  meets: string
  retired: boolean
  people: number
}
let made = 0
const drafts = reactive<(Draft & { key: string })[]>(
  props.sections.sections.map((section) => ({
    ...section,
    key: section.id,
    from: section.from ?? '',
    until: section.until ?? '',
  })),
)
const apart = ref(props.sections.apart)
const several = ref(props.sections.several)
const runs = props.site.may.includes('run-site')
const wrong = ref<Record<string, string>>({})

function add() {
  drafts.push({
    id: null,
    key: `new-${++made}`,
    name: '',
    seats: null,
    from: '',
    until: '',
    meets: '',
    retired: false,
    people: 0,
  })
}
if (!drafts.length) add()
/** Where a section comes among the others: first, or after one of them. */
const places = (index: number) => [
  { value: -1, label: t('sections.form.first') },
  ...drafts
    .map((draft, place) => ({ value: place, label: t('sections.form.after', { name: draft.name || '…' }) }))
    .filter(({ value }) => value !== index),
]
function put(index: number, after: number) {
  const [moved] = drafts.splice(index, 1)
  drafts.splice(after > index ? after : after + 1, 0, moved!)
}

const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail }) => [pointer, detail]))
  if (!errors.length) wentWrong(thrown)
})
const save = () =>
  run(async () => {
    wrong.value = {}
    const answer = await take(
      api.PUT('/sites/{site}/sections', {
        params: { path: { site: props.site.id }, header: { 'If-Match': `"${props.sections.version}"` } },
        body: {
          apart: apart.value,
          several: several.value,
          sections: drafts.map(({ id, name, seats, from, until, meets, retired }) => ({
            id,
            name,
            seats,
            from: from || null,
            until: until || null,
            meets,
            retired,
          })),
        },
      }),
    )
    if (answer.entry) done(t('sections.form.did'), { site: props.site.id, entry: answer.entry })
    await refreshSite()
    emit('close')
  })
const at = (index: number, field: string) => wrong.value[`/sections/${index}/${field}`]
</script>

<template>
  <DockedColumn class="form" name="sections" :label="t('sections.edit')" closes @close="emit('close')">
    <h2>{{ t('sections.edit') }}</h2>
    <form novalidate @submit.prevent="save">
      <fieldset v-for="(draft, index) in drafts" :key="draft.key" :class="{ retired: draft.retired }">
        <legend class="unseen">{{ draft.name || t('sections.form.new') }}</legend>
        <div class="field wide">
          <label :for="`${draft.key}-name`">{{ t('sections.form.name') }}</label>
          <InputText
            :id="`${draft.key}-name`"
            v-model="draft.name"
            size="small"
            maxlength="80"
            :invalid="!!at(index, 'name')"
          />
          <span v-if="at(index, 'name')" class="wrong" role="alert">{{ at(index, 'name') }}</span>
        </div>
        <template v-if="!draft.retired">
          <div class="field">
            <label :for="`${draft.key}-seats`">{{ t('sections.form.seats') }}</label>
            <NumberField :id="`${draft.key}-seats`" v-model="draft.seats" :min="1" :max="100000" />
            <span v-if="at(index, 'seats')" class="wrong" role="alert">{{ at(index, 'seats') }}</span>
          </div>
          <div class="field">
            <PickOne
              stacked
              :label="t('sections.form.place')"
              :options="places(index)"
              :model-value="index - 1"
              @update:model-value="put(index, $event!)"
            />
          </div>
          <div class="field">
            <label :for="`${draft.key}-from`">{{ t('sections.form.from') }}</label>
            <DayField :id="`${draft.key}-from`" v-model="draft.from" :label="t('sections.form.from')" />
            <span v-if="at(index, 'from')" class="wrong" role="alert">{{ at(index, 'from') }}</span>
          </div>
          <div class="field">
            <label :for="`${draft.key}-until`">{{ t('sections.form.until') }}</label>
            <DayField :id="`${draft.key}-until`" v-model="draft.until" :label="t('sections.form.until')" />
            <span v-if="at(index, 'until')" class="wrong" role="alert">{{ at(index, 'until') }}</span>
          </div>
          <div class="field wide">
            <label :for="`${draft.key}-meets`">{{ t('sections.form.meets') }}</label>
            <InputText
              :id="`${draft.key}-meets`"
              v-model="draft.meets"
              size="small"
              maxlength="120"
              :placeholder="t('sections.form.meetsLike')"
            />
          </div>
        </template>
        <p class="acts">
          <button v-if="draft.id && draft.people" type="button" class="word" @click="emit('empty', draft.id)">
            {{ t('sections.form.empty', { n: draft.people }, draft.people) }}
          </button>
          <button v-if="draft.id && runs && !draft.retired" type="button" class="word" @click="emit('out', draft.id)">
            {{ t('sections.out.open') }}
          </button>
          <button v-if="draft.id" type="button" class="word clay" @click="draft.retired = !draft.retired">
            {{ t(draft.retired ? 'sections.form.bringBack' : 'sections.form.retire') }}
          </button>
          <button v-else type="button" class="word clay" @click="drafts.splice(index, 1)">
            {{ t('sections.form.drop') }}
          </button>
          <span v-if="draft.retired" class="soft small">{{ t('sections.form.retired') }}</span>
        </p>
        <p v-if="at(index, 'retired')" class="wrong" role="alert">{{ at(index, 'retired') }}</p>
      </fieldset>
      <p><Button size="small" variant="outlined" :label="t('sections.form.add')" @click="add" /></p>
      <div class="whole">
        <Tick v-model="apart" :disabled="!runs">{{ t('sections.form.apart') }}</Tick>
        <p class="soft small">{{ t('sections.form.apartMore') }}</p>
        <Tick v-model="several" :disabled="!runs">{{ t('sections.form.several') }}</Tick>
      </div>
      <p class="acts">
        <Button type="submit" size="small" :disabled="busy" :label="t('sections.form.save')" />
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
form {
  display: grid;
  gap: 12px;
}
fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
  border: 0;
  border-bottom: 1px solid var(--line);
  padding: 0 0 10px;
  margin: 0;
}
fieldset.retired {
  opacity: 0.85;
}
.field {
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
}
.wide,
.acts,
fieldset > .wrong {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.whole {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.wrong {
  color: var(--clay);
}
.small {
  font-size: 0.9rem;
}
@media (max-width: 400px) {
  fieldset {
    grid-template-columns: 1fr;
  }
}
</style>
