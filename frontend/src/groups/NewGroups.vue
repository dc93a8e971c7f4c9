<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, onMounted, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import LabelInput from '@/roster/LabelInput.vue'
import { openSections } from '@/roster/sections'
import DockedColumn from '@/ui/DockedColumn.vue'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import SizeFields from './SizeFields.vue'
import { refreshGroups, takeMovesBack, type NewSplit, type SplitFacts } from './groups'

/** Another way of dividing people: what it is for, and what its groups are made from. */
const props = defineProps<{ site: Site; splits: SplitFacts[] }>()
const emit = defineEmits<{ close: []; made: [split: string] }>()
const { platform } = usePlatform()
type Way = NonNullable<NewSplit['from']>
const name = ref('')
onMounted(() => document.getElementById('split-name')?.focus())
const from = ref<Way>('count')
const section = ref('')
const least = ref<number | null>(null)
const most = ref<number | null>(null)
const count = ref<number | null>(4)
const called = ref('')
const labels = ref<string[]>([])
const label = ref('')
const detail = ref(platform.value?.details[0]?.code ?? '')
const split = ref(props.splits[0]?.id ?? '')
const people = ref(true)

const sections = computed(() => openSections(props.site))
const ways = computed(() =>
  (
    [
      ['count', true],
      ['section', sections.value.length > 0],
      ['level', true],
      ['division', true],
      ['label', props.site.may.includes('label-people')],
      ['detail', !!platform.value?.details.length],
      ['split', props.splits.length > 0],
    ] as [Way, boolean][]
  )
    .filter(([, there]) => there)
    .map(([value]) => ({ value, label: t(`groups.new.ways.${value}`) })),
)
const addLabel = () => {
  const typed = label.value.trim()
  if (typed && !labels.value.includes(typed)) labels.value.push(typed)
  label.value = ''
}

const wrong = ref<Record<string, string>>({})
const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail: said }) => [pointer, said]))
  if (!errors.length) wentWrong(thrown)
})
const make = () =>
  run(async () => {
    wrong.value = {}
    addLabel()
    const body: NewSplit = {
      name: name.value,
      from: from.value,
      section: section.value || null,
      least: least.value,
      most: most.value,
      people: people.value,
      ...(from.value === 'count' ? { count: count.value ?? 0, called: called.value } : {}),
      ...(from.value === 'label' ? { labels: labels.value } : {}),
      ...(from.value === 'detail' ? { detail: detail.value } : {}),
      ...(from.value === 'split' ? { split: split.value } : {}),
    }
    const made = await take(api.POST('/sites/{site}/group-splits', { params: { path: { site: props.site.id } }, body }))
    await refreshGroups()
    const inOne = made.people - made.without
    const { changeList } = made
    done(
      t('groups.new.did', { name: made.name, n: inOne }, inOne),
      changeList ? { back: () => takeMovesBack(changeList) } : undefined,
    )
    emit('made', made.id)
  })
</script>

<template>
  <DockedColumn class="form" name="groups" :label="t('groups.new.title')" closes @close="emit('close')">
    <h2>{{ t('groups.new.title') }}</h2>
    <form novalidate @submit.prevent="make">
      <div class="field">
        <label for="split-name">{{ t('groups.new.name') }}</label>
        <InputText
          id="split-name"
          v-model="name"
          size="small"
          maxlength="80"
          :placeholder="t('groups.new.like')"
          :invalid="!!wrong['/name']"
        />
        <span v-if="wrong['/name']" class="wrong" role="alert">{{ wrong['/name'] }}</span>
      </div>
      <div v-if="sections.length" class="field">
        <PickOne
          v-model="section"
          stacked
          :label="t('groups.new.who')"
          :options="[
            { value: '', label: t('groups.new.whole') },
            ...sections.map((each) => ({ value: each.id, label: each.name })),
          ]"
        />
      </div>
      <div class="field">
        <PickOne v-model="from" stacked :label="t('groups.new.from')" :options="ways" />
        <span v-if="wrong['/from']" class="wrong" role="alert">{{ wrong['/from'] }}</span>
      </div>
      <div v-if="from === 'count'" class="two">
        <div class="field">
          <label for="split-count">{{ t('groups.new.how') }}</label>
          <NumberField id="split-count" v-model="count" :min="0" :max="500" />
          <span v-if="wrong['/count']" class="wrong" role="alert">{{ wrong['/count'] }}</span>
        </div>
        <div class="field">
          <label for="split-called">{{ t('groups.new.called') }}</label>
          <InputText
            id="split-called"
            v-model="called"
            size="small"
            maxlength="60"
            :placeholder="t('groups.new.calledLike')"
          />
        </div>
      </div>
      <div v-else-if="from === 'label'" class="field">
        <strong>{{ t('groups.new.labels') }}</strong>
        <ul v-if="labels.length">
          <li v-for="each in labels" :key="each">
            {{ each }}
            <button type="button" class="word" @click="labels = labels.filter((other) => other !== each)">
              {{ t('groups.form.remove') }}
            </button>
          </li>
        </ul>
        <LabelInput v-model="label" :site="site" :label="t('groups.new.labels')" @keydown.enter.prevent="addLabel" />
        <span v-if="wrong['/labels']" class="wrong" role="alert">{{ wrong['/labels'] }}</span>
      </div>
      <div v-else-if="from === 'detail'" class="field">
        <PickOne
          v-model="detail"
          stacked
          :label="t('groups.new.detail')"
          :options="(platform?.details ?? []).map((each) => ({ value: each.code, label: each.name }))"
        />
        <span v-if="wrong['/detail']" class="wrong" role="alert">{{ wrong['/detail'] }}</span>
      </div>
      <div v-else-if="from === 'split'" class="field">
        <PickOne
          v-model="split"
          stacked
          :label="t('groups.new.split')"
          :options="splits.map((each) => ({ value: each.id, label: each.name }))"
        />
      </div>
      <Tick v-if="from !== 'count'" v-model="people">{{ t('groups.new.people') }}</Tick>
      <SizeFields v-model:least="least" v-model:most="most" :wrong="wrong" />
      <p class="acts">
        <Button type="submit" size="small" :disabled="busy" :label="t('groups.new.apply')" />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 400px;
}
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 14px;
}
.field {
  display: grid;
  gap: 3px;
  align-content: start;
  justify-items: start;
  min-width: 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 12px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
.wrong {
  color: var(--clay);
}
</style>
