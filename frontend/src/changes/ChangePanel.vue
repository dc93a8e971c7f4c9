<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, take, type LineRequest, type MessageKind, type AppliedChanges, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { useRested } from '@/shared/rested'
import { lineSentences, outlookSentence } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { tellBody } from '@/shared/tell'
import { t, tIn } from '@/shared/words'
import TellThem from '@/messages/TellThem.vue'
import { useAsked, type AskingVerb } from '@/roster/asked'
import DockedColumn from '@/ui/DockedColumn.vue'
import AskedFields from '@/roster/AskedFields.vue'
import ClashMeant from '@/roster/ClashMeant.vue'
import { isClash, useClashes } from '@/roster/clashes'

/** One change for many people, as a change list: what changes for whom, for whom not and why, before it is applied. */
const props = defineProps<{ site: Site; people: string[]; verb: AskingVerb; requests?: LineRequest[] }>()
const emit = defineEmits<{ close: []; applied: [] }>()
const { roleName } = usePlatform()
const { asked, request, complete, note } = useAsked(
  () => props.site,
  () => props.verb,
)
const typed = ref('')
/** What those are told for whom this changes something. */
const TOLD: Partial<Record<AskingVerb, MessageKind>> = {
  'change-role': 'role-changed',
  remove: 'removed',
  'bring-back': 'let-in',
}
const tell = ref(false)
const words = ref('')
/** One request for all of them, or to each their own. */
const clashes = useClashes()
const lines = (more: object = {}): LineRequest[] =>
  (props.requests ?? props.people.map((person) => ({ ...request.value, ...more, person }))).map(clashes.asMeant)
const path = computed(() => ({ path: { site: props.site.id } }))
const label = (apply: boolean) =>
  take(
    api.POST('/sites/{site}/labels', {
      params: path.value,
      body: { label: asked.label, on: asked.on, people: props.people, apply },
    }),
  )
const make = (apply: boolean, removing: number | null = null): Promise<AppliedChanges> =>
  props.verb === 'label'
    ? label(apply)
    : take(
        api.POST('/sites/{site}/change-lists', {
          params: path.value,
          body: apply
            ? {
                apply,
                removing,
                lines: lines(props.requests ? {} : { note: note.value }),
                ...tellBody(tell.value, words.value),
              }
            : { apply, lines: lines() },
        }),
      )

const { key, isNow } = useRested(() => (props.verb === 'label' ? [asked.label, asked.on, props.people] : lines()), 200)
/** Nothing is worked out for what is still being typed, and nothing is applied that was not worked out. */
const settled = computed(() => complete.value && isNow.value)
const {
  data: changeList,
  error,
  isFetching,
} = useQuery({
  queryKey: ['preview', computed(() => props.site.id), key],
  enabled: settled,
  queryFn: () => make(false),
  placeholderData: keepPreviousData,
})
const of = (...verdicts: string[]) =>
  computed(() => changeList.value?.lines.filter((line) => verdicts.includes(line.verdict)) ?? [])
const ready = of('ready')
const cannot = of('needs-choice', 'refused', 'waits-for-seat')
const nothing = of('nothing-to-do')
const clashing = computed(() => changeList.value?.lines.filter(isClash).map(({ person }) => person) ?? [])
const said = computed(() => !changeList.value?.removal || Number(typed.value) === changeList.value.removal.people)

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const applied = await make(true, changeList.value?.removal?.people ?? null)
    const count = applied.lines.filter((line) => line.verdict === 'ready').length
    const said =
      props.verb === 'label'
        ? t(`label.did.${asked.on ? 'on' : 'off'}`, { n: count, label: asked.label.trim() }, count)
        : t(`changeList.did.${props.verb}`, { n: count }, count)
    done(
      said,
      {
        site: props.site.id,
        changeList: applied.changeList,
        entry: props.verb === 'label' ? applied.lines.find((line) => line.entry)?.entry : null,
      },
      count < props.people.length
        ? t('changeList.leftOut', { n: props.people.length - count }, props.people.length - count)
        : '',
    )
    await refreshSite()
    emit('applied')
  })
</script>

<template>
  <DockedColumn
    class="no-print"
    name="changes"
    :label="t(`changeList.title.${verb}`, { n: people.length }, people.length)"
    closes
    @close="$emit('close')"
  >
    <h2>{{ t(`changeList.title.${verb}`, { n: people.length }, people.length) }}</h2>
    <form @submit.prevent="apply">
      <AskedFields v-model="asked" :site="site" :verb="verb" :wrong="!!error" />
      <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
      <template v-else-if="complete">
        <p v-if="!changeList" class="soft">{{ t('card.ask.computing') }}</p>
        <template v-else>
          <p class="follows" role="status">
            {{ t('changeList.ready', { n: ready.length }, ready.length)
            }}<template v-if="cannot.length"
              >{{ ' ' }}{{ t('changeList.cannot', { n: cannot.length }, cannot.length) }}</template
            ><template v-if="nothing.length"
              >{{ ' ' }}{{ t('changeList.nothing', { n: nothing.length }, nothing.length) }}</template
            >
          </p>
          <label v-if="changeList.removal" class="callout bad"
            >{{ t('changeList.many', changeList.removal) }}
            <InputText v-model="typed" size="small" class="figures" inputmode="numeric"
          /></label>
          <TellThem
            v-if="TOLD[verb]"
            v-model:tell="tell"
            v-model:words="words"
            :kind="TOLD[verb]!"
            :site="site.id"
            :lines="changeList.lines"
          />
          <ClashMeant :clashes="clashes" :people="clashing" />
          <Button
            type="submit"
            size="small"
            :severity="verb === 'remove' || verb === 'block' ? 'danger' : undefined"
            :disabled="busy || isFetching || !settled || !ready.length || !said"
            :label="t(`changeList.apply.${verb}`, { n: ready.length }, ready.length)"
          />
        </template>
      </template>
    </form>
    <ol v-if="complete && changeList && !error" class="ledger">
      <li v-for="line in [...cannot, ...ready]" :key="line.person.id" :class="line.verdict">
        <span class="verdict">{{ tIn('changeList.verdict', line.verdict) }}</span>
        <span
          ><strong>{{ line.person.name }}</strong> {{ ' '
          }}<template v-if="line.verdict === 'ready' && line.outlook.length">{{
            outlookSentence(line.outlook, site.timeZone, roleName)
          }}</template>
          {{
            lineSentences(line, site.timeZone, roleName)
              .filter((_, index) => line.verdict !== 'ready' || index > 0)
              .join(' ')
          }}<span v-if="tell && line.told" class="soft">{{ ' ' + t(`tell.line.${line.told}`) }}</span></span
        >
      </li>
    </ol>
  </DockedColumn>
</template>

<style scoped>
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.number {
  width: 80px;
}
.ledger {
  --verdict: 96px;
}
.ledger .refused .verdict,
.ledger .waits-for-seat .verdict {
  color: var(--clay);
}
</style>
