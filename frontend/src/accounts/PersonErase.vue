<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type PersonPage } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { queries } from '@/shared/queries'
import { fullName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { csvFile } from '@/shared/csv'
import { saveAs } from '@/shared/saveAs'
import { t } from '@/shared/words'

/** All that is held about somebody, to hand out; and erasing who left, which says what goes and cannot be undone. */
const props = defineProps<{ page: PersonPage }>()
const router = useRouter()
const path = computed(() => ({ params: { path: { person: props.page.person.id } } }))
const review = ref<{
  refusal: string | null
  sentence: string | null
  counts: Record<'messages' | 'labels' | 'notes' | 'entries' | 'sites', number>
} | null>(null)
const typed = ref('')
const name = computed(() => fullName(props.page.person))
const { busy, run } = useBusy()

function keep(text: string, type: string, ending: string) {
  saveAs(
    `${props.page.person.family}-${props.page.person.given}.${ending}`.toLowerCase().replace(/[^a-z0-9.-]+/g, '-'),
    text,
    type,
  )
}
const handOut = (as: 'json' | 'csv') =>
  run(async () => {
    const all = await take(api.POST('/people/{person}/export', path.value))
    if (as === 'json')
      keep(
        JSON.stringify(
          Object.fromEntries(
            all.parts.map((part) => [
              part.name,
              part.rows.map((row) => Object.fromEntries(part.columns.map((column, at) => [column, row[at]]))),
            ]),
          ),
          null,
          2,
        ),
        'application/json',
        'json',
      )
    else
      keep(
        csvFile([
          ['part', 'row', 'field', 'value'],
          ...all.parts.flatMap((part) =>
            part.rows.flatMap((row, n) =>
              part.columns.map((column, at) => [part.name, String(n + 1), column, row[at] ?? '']),
            ),
          ),
        ]),
        'text/csv',
        'csv',
      )
    done(t('erase.taken', { name: name.value }))
  })
const look = () =>
  run(
    async () =>
      (review.value = await take(api.POST('/people/{person}/erasure', { ...path.value, body: { apply: false } }))),
  )
const erase = () =>
  run(async () => {
    await take(api.POST('/people/{person}/erasure', { ...path.value, body: { apply: true } }))
    done(t('erase.did'))
    queries.clear()
    await router.push('/people')
  })
</script>

<template>
  <section>
    <h2>{{ t('erase.title') }}</h2>
    <p class="acts">
      <span>{{ t('erase.everything') }}</span>
      <button class="word" :disabled="busy" @click="handOut('json')">{{ t('erase.json') }}</button>
      <button class="word" :disabled="busy" @click="handOut('csv')">{{ t('erase.csv') }}</button>
      <button v-if="!review" class="word" :disabled="busy" @click="look">{{ t('erase.open') }}</button>
    </p>
    <div v-if="review" class="callout bad">
      <p v-if="review.refusal" class="follows">{{ review.sentence }}</p>
      <template v-else>
        <p class="follows">{{ t('erase.forGood', { name }) }}</p>
        <p>{{ t('erase.goes', review.counts) }}</p>
        <p>{{ t('erase.stays', review.counts) }}</p>
        <p>
          <label
            >{{ t('erase.type', { name: page.person.family }) }}
            <InputText v-model="typed" size="small" autocomplete="off"
          /></label>
        </p>
      </template>
      <p class="acts">
        <Button
          v-if="!review.refusal"
          size="small"
          severity="danger"
          :disabled="busy || typed.trim() !== page.person.family"
          :label="t('erase.now')"
          @click="erase"
        /><button class="word" @click="review = null">{{ t('parts.cancel') }}</button>
      </p>
    </div>
  </section>
</template>

<style scoped>
section,
.callout {
  display: grid;
  gap: 8px;
}
</style>
