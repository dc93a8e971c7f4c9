<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { reactive, ref } from 'vue'
import { api, Problem, take, type Platform } from '@/shared/api'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import FindPerson from '@/people/FindPerson.vue'
import Trouble from '@/ui/Trouble.vue'
import { listed } from './rules'

/** Who administers the platform and its divisions. */
const props = defineProps<{ divisions: Platform['divisions'] }>()
const client = useQueryClient()
const { data, error, refetch } = useQuery({
  queryKey: ['administrators'],
  queryFn: () => take(api.GET('/administrators')),
})
const person = ref('')
const name = ref('')
type Request = { platform: boolean; divisions: string[]; numbers: boolean; numbersOf: string[] }
const nothing = (): Request => ({ platform: false, divisions: [], numbers: false, numbersOf: [] })
const request = reactive(nothing())
const wrong = ref('')
const adding = ref(false)
const division = (code: string) => props.divisions.find((each) => each.code === code)?.name ?? code
const some = (everything: boolean, divisions: string[]) =>
  listed([...(everything ? [t('rules.admin.everything')] : []), ...divisions.map(division)])
const of = (each: Request) =>
  [
    some(each.platform, each.divisions),
    each.numbers || each.numbersOf.length
      ? t('rules.admin.numbersOf', { divisions: some(each.numbers, each.numbersOf) })
      : '',
  ]
    .filter(Boolean)
    .join(' · ')
const copyOf = ({ platform, divisions, numbers, numbersOf }: Request): Request => ({
  platform,
  divisions: [...divisions],
  numbers,
  numbersOf: [...numbersOf],
})

function start(id: string, called: string, has: Request) {
  person.value = id
  name.value = called
  Object.assign(request, copyOf(has))
  wrong.value = ''
  adding.value = false
}

/** Somebody who administers nothing yet: who is meant can still be changed. */
function add(id: string | undefined) {
  start(id ?? '', '', nothing())
  adding.value = true
}

function stop() {
  person.value = ''
  adding.value = false
}

async function put(id: string, body: Request) {
  client.setQueryData(
    ['administrators'],
    await take(api.PUT('/administrators/{person}', { params: { path: { person: id } }, body })),
  )
  await client.invalidateQueries({ queryKey: ['platform-log'] })
  return ''
}

async function save() {
  const before = data.value?.items.find((each) => each.person.id === person.value)
  const id = person.value
  try {
    await put(id, copyOf(request))
    done(t('rules.admin.did', { name: name.value || t('rules.parts.administrators') }), {
      back: () => put(id, copyOf(before ?? nothing())),
    })
    stop()
  } catch (thrown) {
    wrong.value = (thrown instanceof Problem && (thrown.field('platform') ?? thrown.field('divisions'))) || ''
    if (!wrong.value) wentWrong(thrown)
  }
}
</script>

<template>
  <p class="soft">{{ t('rules.admin.more') }} {{ t('rules.admin.moreNumbers') }}</p>
  <Trouble v-if="error" :error="error" @again="refetch()" />
  <ul v-else>
    <li v-for="each in data?.items" :key="each.person.id">
      <strong>{{ each.person.name }}</strong> {{ of(each)
      }}<em v-if="each.closed" class="clay"> {{ t('rules.admin.closed') }}</em>
      <button
        class="word"
        :aria-label="`${t('rules.admin.change')}: ${each.person.name}`"
        @click="start(each.person.id, each.person.name, each)"
      >
        {{ t('rules.admin.change') }}
      </button>
    </li>
  </ul>
  <div v-if="adding" class="adding">
    <FindPerson :person="person" name="" @pick="add($event)" />
  </div>
  <form v-if="person" class="request" @submit.prevent="save">
    <strong v-if="name">{{ name }}</strong>
    <fieldset>
      <legend>{{ t('rules.admin.administering') }}</legend>
      <Tick v-model="request.platform">{{ t('rules.admin.platform') }}</Tick>
      <Tick v-for="each in divisions" :key="each.code" v-model="request.divisions" :value="each.code">{{
        t('rules.admin.divisions', { division: each.name })
      }}</Tick>
    </fieldset>
    <fieldset>
      <legend>{{ t('rules.admin.reading') }}</legend>
      <Tick v-model="request.numbers">{{ t('rules.admin.allNumbers') }}</Tick>
      <Tick v-for="each in divisions" :key="each.code" v-model="request.numbersOf" :value="each.code">{{
        t('rules.admin.numbers', { division: each.name })
      }}</Tick>
    </fieldset>
    <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
    <p class="row">
      <Button type="submit" size="small" :label="t('rules.admin.save')" /><button
        type="button"
        class="word"
        @click="stop"
      >
        {{ t('parts.cancel') }}
      </button>
    </p>
  </form>
  <p v-else-if="!adding">
    <button class="word" @click="adding = true">{{ t('rules.admin.add') }}</button>
  </p>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
li button {
  margin-left: 12px;
}
.adding {
  max-width: 460px;
}
.request {
  border-left: 4px solid var(--brass);
  padding: 6px 14px;
  display: grid;
  gap: 8px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
legend {
  padding: 0 0 4px;
  font-weight: 600;
}
.row {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
