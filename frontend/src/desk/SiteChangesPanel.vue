<script setup lang="ts">
import InputText from 'primevue/inputtext'
import DockedColumn from '@/ui/DockedColumn.vue'
import DayField from '@/ui/DayField.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { useRested } from '@/shared/rested'
import { lineSentences } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import FindPerson from '@/people/FindPerson.vue'

/** One change for many sites, as a change list: which will change, which cannot and why, before it is applied. */
const props = defineProps<{ sites: string[]; verb: 'open' | 'close' | 'seats' | 'lead' }>()
const emit = defineEmits<{ close: []; applied: [] }>()
const { roleName } = usePlatform()
const on = ref('')
const seats = ref('')
const person = ref('')
const body = computed(() => ({
  sites: props.sites,
  verb: props.verb,
  on: props.verb === 'open' || props.verb === 'close' ? on.value || null : null,
  seats: props.verb === 'seats' && seats.value.trim() ? Number(seats.value) : null,
  person: props.verb === 'lead' ? person.value || null : null,
}))
const complete = computed(() =>
  props.verb === 'lead'
    ? person.value !== ''
    : props.verb !== 'seats' || !seats.value.trim() || Number.isInteger(Number(seats.value)),
)
const { value: asked, isNow } = useRested(() => body.value, 200)
const {
  data: changeList,
  error,
  isFetching,
} = useQuery({
  queryKey: ['site-changes', asked],
  enabled: complete,
  queryFn: () => take(api.POST('/site-changes', { body: { ...asked.value, apply: false } })),
  placeholderData: keepPreviousData,
})
const ready = computed(() => changeList.value?.lines.filter((line) => line.verdict === 'ready').length ?? 0)
const why = (line: NonNullable<typeof changeList.value>['lines'][number]) =>
  line.reason?.line
    ? lineSentences(line.reason.line, line.site.timeZone, roleName).join(' ')
    : (line.reason?.detail ?? '')

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const { lines } = await take(api.POST('/site-changes', { body: { ...body.value, apply: true } }))
    const entries = lines.flatMap((line) => (line.entry ? [{ site: line.site.id, entry: line.entry }] : []))
    const back = async () => {
      const left = (await take(api.POST('/site-changes/undo', { body: { entries } }))).lines.filter(
        (line) => line.verdict === 'refused',
      )
      return left.map((line) => `${line.site.title}: ${why(line)}`).join(' ')
    }
    done(
      tIn(
        body.value.on ? 'siteChangeList.planned' : 'siteChangeList.did',
        props.verb,
        { n: entries.length },
        entries.length,
      ),
      entries.length ? { back } : undefined,
      entries.length < props.sites.length
        ? t('changeList.leftOut', { n: props.sites.length - entries.length }, props.sites.length - entries.length)
        : '',
    )
    await refreshSite()
    emit('applied')
  })
</script>

<template>
  <DockedColumn
    name="site-changes"
    :label="t(`siteChangeList.title.${verb}`, { n: sites.length }, sites.length)"
    closes
    @close="$emit('close')"
  >
    <h2>{{ t(`siteChangeList.title.${verb}`, { n: sites.length }, sites.length) }}</h2>
    <form @submit.prevent="apply">
      <p v-if="verb === 'open' || verb === 'close'">
        <DayField v-model="on" shown :label="t(verb === 'open' ? 'siteChangeList.on' : 'siteChangeList.after')" />
        {{ ' ' }}<span class="soft">{{ t('siteChangeList.now') }}</span>
      </p>
      <label v-if="verb === 'seats'"
        >{{ t('siteChangeList.seats') }} <InputText v-model="seats" size="small" class="figures" inputmode="numeric" />
        {{ ' ' }}<span class="soft">{{ t('siteChangeList.seatsHint') }}</span></label
      >
      <template v-if="verb === 'lead'">
        <p class="soft">{{ t('siteChangeList.who') }}</p>
        <FindPerson :person="person" name="" @pick="person = $event ?? ''" />
      </template>
      <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
      <template v-else-if="complete && changeList">
        <p class="follows" role="status">{{ t('siteChangeList.ready', { n: ready }, ready) }}.</p>
        <p v-if="ready && (verb === 'open' || verb === 'close')">
          {{ t(`siteChangeList.means.${verb}${on ? 'On' : ''}`) }}
        </p>
        <Button
          type="submit"
          size="small"
          :severity="verb === 'close' ? 'danger' : undefined"
          :disabled="busy || !isNow || isFetching || !ready"
          :label="t(`siteChangeList.apply.${verb}`, { n: ready }, ready)"
        />
      </template>
    </form>
    <ol v-if="complete && changeList && !error" class="ledger">
      <li v-for="line in changeList.lines" :key="line.site.id" :class="line.verdict">
        <span class="verdict">{{ t(`siteChangeList.verdict.${line.verdict}`) }}</span>
        <span
          ><strong>{{ line.site.title }}</strong> {{ why(line) }}</span
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
label {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
.short {
  width: 80px;
}
.ledger {
  --verdict: 92px;
}
.ledger .refused .verdict {
  color: var(--clay);
}
</style>
