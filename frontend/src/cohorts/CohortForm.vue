<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { api, Problem, take, type Cohort, type CohortFacts } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { me } from '@/shared/me'
import { usePlatform } from '@/shared/platform'
import { refresh } from '@/shared/queries'
import { useRested } from '@/shared/rested'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import ReadPeople from '@/intake/ReadPeople.vue'
import DockedColumn from '@/ui/DockedColumn.vue'
import OneOf from '@/ui/OneOf.vue'
import PickOne from '@/ui/PickOne.vue'
import { useReading } from './reading'
import RulePart from './RulePart.vue'
import { emptyPart, partOf, ruleOf, sentenceOf } from './rules'

/** A cohort is made or changed: its name, its division, and who belongs, counted while it is written. */
const props = defineProps<{ cohort?: Cohort; cohorts: CohortFacts[] }>()
const emit = defineEmits<{ close: []; made: [id: string] }>()
const { platform } = usePlatform()
const WHOLE = ''
const name = ref(props.cohort?.name ?? '')
const kind = ref<'rule' | 'list'>(props.cohort?.kind ?? 'rule')
const mine = computed(() => (platform.value?.divisions ?? []).filter(({ code }) => administersOf(code)))
const administersOf = (code: string) => !!me.value?.platformAdministrator || !!me.value?.divisions.includes(code)
const division = ref(props.cohort ? (props.cohort.division?.code ?? WHOLE) : (me.value?.divisions[0] ?? WHOLE))
const divisions = computed(() => [
  ...(me.value?.platformAdministrator ? [{ value: WHOLE, label: t('cohorts.whole') }] : []),
  ...mine.value.map(({ code, name: own }) => ({ value: code, label: own })),
])
const first = props.cohort?.rule && partOf(props.cohort.rule, props.cohort.names)
/** Whom a list begins with. */
const text = ref('')
const people = ref<string[]>([])
const root = reactive(
  !first
    ? emptyPart('all')
    : first.not || !['all', 'any'].includes(first.kind)
      ? { ...emptyPart('all'), parts: [first] }
      : first,
)
const rule = computed(() => ruleOf(root))
const others = computed(() => props.cohorts.filter(({ id }) => id !== props.cohort?.id))
/** What is chosen has its name; what was there before has it from the cohort. */
const named = computed(() => {
  const names = new Map([...(props.cohort?.names ?? []), ...props.cohorts].map(({ id, name: own }) => [id, own]))
  const walk = (part: typeof root) => {
    if (part.site) names.set(part.site.id, part.site.title)
    part.parts.forEach(walk)
  }
  walk(root)
  return names
})
const reading = useReading((id) => named.value.get(id))
const { key, isNow } = useRested(() => (kind.value === 'rule' && rule.value ? [rule.value, division.value] : null), 300)
const {
  data: look,
  error,
  isFetching,
} = useQuery({
  queryKey: ['cohorts', 'look', props.cohort?.id ?? '', key],
  enabled: computed(() => key.value !== 'null'),
  retry: false,
  queryFn: () =>
    take(
      api.POST('/cohort-looks', {
        body: {
          rule: rule.value!,
          division: division.value || null,
          cohort: props.cohort?.id ?? null,
          sites: !!props.cohort,
        },
      }),
    ),
  placeholderData: keepPreviousData,
})
/** What is wrong, by the part it is about. */
const wrong = computed(() =>
  error.value instanceof Problem
    ? Object.fromEntries((error.value.document.errors ?? []).map(({ pointer, detail }) => [pointer, detail]))
    : {},
)
const settled = computed(() => isNow.value && !isFetching.value)
const { busy, run } = useBusy()
const ready = computed(
  () => !!name.value.trim() && (kind.value === 'list' || (!!rule.value && settled.value && !error.value)),
)
const save = () =>
  run(async () => {
    const body = {
      name: name.value.trim(),
      division: division.value || null,
      rule: kind.value === 'rule' ? rule.value! : null,
    }
    const begins = kind.value === 'list' ? people.value : []
    const path = { cohort: props.cohort?.id ?? '' }
    const saved = await take(
      props.cohort
        ? api.PUT('/cohorts/{cohort}', {
            params: { path, header: { 'If-Match': `"${props.cohort.version}"` } },
            body,
          })
        : api.POST('/cohorts', { body: { ...body, people: begins } }),
    )
    done(t(props.cohort ? 'cohorts.did.changed' : 'cohorts.did.made', { name: saved.name }))
    // Before it is fetched anew: what is shown then is another.
    emit('made', saved.id)
    await refresh('cohorts')
  })
const title = computed(() => (props.cohort ? t('cohorts.form.change', { name: props.cohort.name }) : t('cohorts.new')))
</script>

<template>
  <DockedColumn class="form" name="cohort" :label="title" closes @close="emit('close')">
    <h2>{{ title }}</h2>
    <form @submit.prevent="save">
      <label for="cohort-name">{{ t('cohorts.form.name') }}</label>
      <InputText id="cohort-name" v-model="name" maxlength="80" fluid :placeholder="t('cohorts.form.example')" />
      <PickOne v-model="division" stacked :label="t('cohorts.form.division')" :options="divisions" />
      <p class="soft small">{{ t('cohorts.form.divisionHow') }}</p>
      <div v-if="!cohort" role="radiogroup" :aria-label="t('cohorts.form.kind')" class="kinds">
        <OneOf v-for="each in ['rule', 'list'] as const" :key="each" v-model="kind" name="kind" :value="each">{{
          t(`cohorts.form.${each}`)
        }}</OneOf>
      </div>
      <template v-if="kind === 'rule'">
        <p class="said" role="status">{{ rule ? sentenceOf(rule, reading) : t('cohorts.form.nothing') }}</p>
        <RulePart :part="root" :deep="1" :cohorts="others" :wrong="wrong" at="/rule" />
        <p v-if="error && !Object.keys(wrong).length" class="clay" role="alert">{{ error.message }}</p>
        <div v-else-if="look && rule && !error" class="look" role="status">
          <p>
            <strong>{{ t('cohorts.look.people', { n: $n(look.people) }, look.people) }}</strong>
            <template v-if="look.later"
              >{{ ' ' }}{{ t('cohorts.look.later', { n: $n(look.later) }, look.later) }}</template
            >
          </p>
          <p v-if="look.some.length" class="soft small">
            {{ look.some.map(({ name: own }) => own).join(', ')
            }}<template v-if="look.people > look.some.length">, …</template>
          </p>
          <p v-if="cohort && (look.come || look.go)">
            {{ t('cohorts.look.change', { come: $n(look.come), go: $n(look.go) }) }}
          </p>
          <ul v-if="look.sites.length">
            <li v-for="each in look.sites" :key="each.site ?? ''">
              <strong>{{ each.title ?? t('cohorts.look.elsewhere') }}</strong>:
              {{ t('cohorts.look.site', { come: $n(each.come), go: $n(each.go) }) }}
              <template v-if="each.stay"
                >{{ ' ' }}{{ t('cohorts.look.stay', { n: $n(each.stay) }, each.stay) }}</template
              >
              <span v-if="each.waits" class="brass">{{ ' ' }}{{ t('cohorts.look.waits') }}</span>
            </li>
          </ul>
        </div>
      </template>
      <ReadPeople
        v-else-if="!cohort"
        v-model:text="text"
        :label="t('cohorts.form.listHow')"
        @people="people = $event"
      />
      <p class="acts">
        <Button
          type="submit"
          size="small"
          :disabled="busy || !ready"
          :label="t(cohort ? 'cohorts.form.save' : 'cohorts.form.make')"
        />
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
  overflow-wrap: anywhere;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
}
form > label {
  font-weight: 600;
  font-size: 0.92rem;
}
.said {
  font-weight: 600;
  border-left: 4px solid var(--mint);
  padding-left: 10px;
  overflow-wrap: anywhere;
}
.kinds,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.look {
  display: grid;
  gap: 4px;
  border-top: 1px solid var(--line);
  padding-top: 8px;
  width: 100%;
}
.look p {
  margin: 0;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
}
.small {
  font-size: 0.9rem;
  margin: 0;
}
</style>
