<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { api, Problem, take, type PersonPage } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownKinds } from '@/shared/kinds'
import { fullName } from '@/shared/sentences'
import { refresh } from '@/shared/queries'
import { done, refreshSite } from '@/shared/undo'
import { needless } from '@/shared/platform'
import { t } from '@/shared/words'
import LevelField from '@/ui/LevelField.vue'
import { optionsOf } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'

/** Names, level, number and address of somebody, to be corrected. */
const props = defineProps<{ page: PersonPage }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const FIELDS = ['given', 'family', 'preferred', 'ownKind', 'level', 'number', 'email'] as const
type Facts = Record<(typeof FIELDS)[number], string>
const facts = (page: PersonPage): Facts =>
  Object.fromEntries(FIELDS.map((field) => [field, String(page.person[field] ?? '')])) as Facts
const draft = reactive(facts(props.page))
type Further = PersonPage['person']['further'][number]
const further = ref<Further[]>(props.page.person.further.map((name) => ({ ...name })))
const KINDS = ['former', 'passport', 'script', 'stage', 'other'] as const
const namesAre = KINDS.map((value) => ({ value, label: t(`facts.furtherKind.${value}`) }))
/** What stands on the server about the names besides, at the place of each. */
const wrongNames = ref<string[]>([])
const wrong = ref<Partial<Facts>>({})
const { busy, run } = useBusy()
/** The one of the four that they are of, and those of the platform's own that are like it. */
const kinds = computed(() => {
  const { kind } = props.page.person
  const own = ownKinds.value.filter(({ like }) => like === kind)
  return [{ value: '', label: t(`kind.${kind}`) }, ...optionsOf(own, 'code')]
})
const shown = FIELDS.filter(
  (field) =>
    !needless.value.has(field) &&
    (field !== 'level' || props.page.person.kind === 'learner') &&
    (field !== 'ownKind' || kinds.value.length > 1),
)

async function put(facts: Facts, further: Further[], version: number) {
  return take(
    api.PUT('/people/{person}', {
      params: { path: { person: props.page.person.id }, header: { 'If-Match': `"${version}"` } },
      body: {
        given: facts.given,
        family: facts.family,
        preferred: facts.preferred || null,
        further: further.filter(({ given, family }) => given.trim() || family.trim()),
        level: facts.level ? Number(facts.level) : null,
        number: facts.number || null,
        email: facts.email || null,
        ownKind: facts.ownKind || null,
      },
    }),
  )
}
const save = () =>
  run(async () => {
    wrong.value = {}
    wrongNames.value = []
    const before = facts(props.page)
    const namesBefore = props.page.person.further
    try {
      const now = await put(draft, further.value, props.page.version)
      done(t('facts.did', { name: fullName(now.person) }), {
        back: async () => {
          await put(before, namesBefore, now.version)
          // The form is gone by then, and nobody hears it.
          await refresh('person', 'directory')
          return ''
        },
      })
      emit('changed')
      emit('close')
      await refreshSite()
    } catch (thrown) {
      if (!(thrown instanceof Problem) || thrown.kind !== 'invalid') throw thrown
      const errors = thrown.document.errors ?? []
      const at = (pointer: string) => errors.find((error) => error.pointer === pointer)?.detail
      wrong.value = Object.fromEntries(FIELDS.map((field) => [field, at('/' + field)]))
      wrongNames.value = errors.flatMap(({ pointer, detail }) => (pointer.startsWith('/further') ? [detail] : []))
    }
  })
</script>

<template>
  <form class="callout" :aria-label="t('facts.title')" @submit.prevent="save">
    <div v-for="field in shown" :key="field" class="field">
      <PickOne
        v-if="field === 'ownKind'"
        id="facts-ownKind"
        v-model="draft.ownKind"
        stacked
        fluid
        :label="t('facts.ownKind')"
        :options="kinds"
      />
      <label v-else :for="'facts-' + field">{{ t(`facts.${field}`) }}</label>
      <LevelField
        v-if="field === 'level'"
        id="facts-level"
        :label="t('facts.level')"
        :division="page.person.division.code"
        :model-value="draft.level ? Number(draft.level) : null"
        @update:model-value="draft.level = $event ? String($event) : ''"
      />
      <InputText
        v-else-if="field !== 'ownKind'"
        :id="'facts-' + field"
        v-model="draft[field]"
        size="small"
        :required="field === 'given' || field === 'family'"
        maxlength="190"
        :aria-invalid="!!wrong[field]"
        autocomplete="off"
      />
      <span v-if="wrong[field]" class="wrong" role="alert">{{ wrong[field] }}</span>
    </div>
    <fieldset class="names">
      <legend>{{ t('facts.further') }}</legend>
      <p class="hint">{{ t('facts.furtherHint') }}</p>
      <div v-for="(name, index) in further" :key="index" class="name">
        <PickOne v-model="name.kind" :label="t('facts.further')" :options="namesAre" size="small" />
        <InputText
          v-model="name.given"
          size="small"
          maxlength="80"
          autocomplete="off"
          :aria-label="t('facts.furtherGiven')"
          :placeholder="t('facts.furtherGiven')"
        />
        <InputText
          v-model="name.family"
          size="small"
          maxlength="80"
          autocomplete="off"
          :aria-label="t('facts.furtherFamily')"
          :placeholder="t('facts.furtherFamily')"
        />
        <button
          type="button"
          class="word"
          :aria-label="t('facts.furtherOut', { name: [name.given, name.family].join(' ').trim() || `${index + 1}` })"
          @click="further.splice(index, 1)"
        >
          {{ t('facts.furtherOutShort') }}
        </button>
      </div>
      <span v-for="said in wrongNames" :key="said" class="wrong" role="alert">{{ said }}</span>
      <button
        v-if="further.length < 12"
        type="button"
        class="word"
        @click="further.push({ kind: 'former', given: '', family: '' })"
      >
        {{ t('facts.furtherAdd') }}
      </button>
    </fieldset>
    <p class="acts">
      <Button type="submit" size="small" :disabled="busy" :label="t('facts.save')" /><button
        type="button"
        class="word"
        @click="$emit('close')"
      >
        {{ t('parts.cancel') }}
      </button>
    </p>
  </form>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 10px 18px;
  padding: 12px 16px;
}
.acts,
.names {
  grid-column: 1 / -1;
}
.names {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  justify-items: start;
}
.names legend {
  padding: 0;
  font-weight: 600;
}
.name {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}
.name :deep(.p-select) {
  width: 13rem;
}
</style>
