<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import InputText from 'primevue/inputtext'
import { computed, reactive } from 'vue'
import { api, take, type Settings } from '@/shared/api'
import { useForm } from '@/shared/busy'
import { queries } from '@/shared/queries'
import { languageOptions } from '@/shared/tags'
import { t } from '@/shared/words'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { inOrder, type PartOfSettings } from './settings'

/** In which divisions people register themselves, who may, and what is asked. */
type Registration = Settings['registrations'][number]
const props = defineProps<PartOfSettings>()
const FOR = ['nobody', 'domains', 'code', 'anybody'] as const
const ASKS = ['number', 'level'] as const
const divisions = computed(() =>
  inOrder(props.settings.divisions)
    .map(({ division }) => division)
    .filter(({ retired }) => !retired),
)
const indexOf = (division: string) => props.settings.registrations.findIndex((each) => each.division === division)
const none = (division: string): Registration => ({
  division,
  for: 'nobody',
  domains: [],
  approved: true,
  asks: [],
  language: '',
})
const of = (division: string) => props.settings.registrations[indexOf(division)] ?? none(division)

function set<K extends keyof Registration>(division: string, field: K, value: Registration[K]) {
  const all = props.edit().registrations
  const place = indexOf(division)
  if (place < 0) all.push({ ...none(division), [field]: value })
  else if (field === 'for' && value === 'nobody') all.splice(place, 1)
  else all[place]![field] = value
}
const words = (text: string) => text.split(/[\s,;]+/).filter(Boolean)
const toggle = (division: string, ask: (typeof ASKS)[number]) => {
  const asks = of(division).asks
  set(division, 'asks', asks.includes(ask) ? asks.filter((each) => each !== ask) : [...asks, ask])
}

const KEY = ['registration-codes']
const { data } = useQuery({
  queryKey: KEY,
  enabled: () => props.mayChange,
  queryFn: () => take(api.GET('/registration-codes')),
})
const typed = reactive<Record<string, string>>({})
const codeOf = (division: string) => typed[division] ?? data.value?.codes[division] ?? ''
const { busy, wrong, run } = useForm()
const keep = (division: string) =>
  run(async () => {
    const params = { path: { division } }
    const now = await take(api.PUT('/registration-codes/{division}', { params, body: { code: codeOf(division) } }))
    queries.setQueryData(KEY, now)
    delete typed[division]
  })
</script>

<template>
  <p class="soft">{{ t('platform.register.more') }}</p>
  <section v-for="{ code, name } in divisions" :key="code">
    <h2>{{ name }}</h2>
    <template v-if="mayChange">
      <div class="row">
        <PickOne
          stacked
          :label="t('platform.register.who')"
          :options="optionsIn(FOR, (each) => t(`platform.register.for.${each}`))"
          :model-value="of(code).for"
          @update:model-value="set(code, 'for', $event!)"
        />
        <div v-if="of(code).for === 'domains'" class="field">
          <label :for="`register-domains-${code}`">{{ t('platform.register.domains') }}</label>
          <InputText
            :id="`register-domains-${code}`"
            size="small"
            :placeholder="t('platform.register.domainsLike')"
            :model-value="of(code).domains.join(', ')"
            @change="set(code, 'domains', words(($event.target as HTMLInputElement).value))"
          />
        </div>
        <div v-if="of(code).for === 'code'" class="field">
          <label :for="`register-code-${code}`">{{ t('platform.register.code') }}</label>
          <span class="pair">
            <InputText
              :id="`register-code-${code}`"
              size="small"
              maxlength="120"
              autocomplete="off"
              :model-value="codeOf(code)"
              @update:model-value="typed[code] = $event ?? ''"
            />
            <button v-if="typed[code] !== undefined" class="word" :disabled="busy" @click="keep(code)">
              {{ t('platform.register.keep') }}
            </button>
          </span>
          <span v-if="typed[code] !== undefined && wrong" class="wrong" role="alert">{{ wrong }}</span>
        </div>
        <PickOne
          v-if="of(code).for !== 'nobody'"
          stacked
          :label="t('platform.division.language')"
          :options="[{ value: '', label: t('platform.register.asDivision') }, ...languageOptions()]"
          :model-value="of(code).language"
          @update:model-value="set(code, 'language', $event ?? '')"
        />
      </div>
      <p v-if="of(code).for !== 'nobody'" class="ticks">
        <Tick :model-value="of(code).approved" @update:model-value="set(code, 'approved', !of(code).approved)">{{
          t('platform.register.approved')
        }}</Tick>
        <Tick
          v-for="ask in ASKS"
          :key="ask"
          :model-value="of(code).asks.includes(ask)"
          @update:model-value="toggle(code, ask)"
          >{{ t(`platform.register.asks.${ask}`) }}</Tick
        >
      </p>
    </template>
    <p v-else>{{ t(`platform.register.for.${of(code).for}`) }}</p>
    <p
      v-for="each in indexOf(code) < 0 ? [] : wrongAt(`registrations/${indexOf(code)}`)"
      :key="each"
      class="clay"
      role="alert"
    >
      {{ each }}
    </p>
  </section>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--line);
  padding: 4px 0 12px;
  display: grid;
  gap: 8px;
}
h2 {
  font-size: 1rem;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
  gap: 10px 18px;
  align-items: start;
}
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
.pair {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
