<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { api, take, type Settings } from '@/shared/api'
import { codeFrom } from '@/shared/codes'
import { FOUR_KINDS } from '@/shared/kinds'
import { listed } from '@/shared/lists'
import { inSentence, t, tIn } from '@/shared/words'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { useListed } from './listed'
import type { PartOfSettings } from './settings'

/** Kinds of people beside the four that there always are; one at a time is changed in its place. */
type Kind = Settings['kinds'][number]
const props = defineProps<PartOfSettings>()
const { open, toggle, add: put, remove } = useListed(() => props.edit().kinds)
const kinds = computed(() => props.settings.kinds)
const { data: rules } = useQuery({ queryKey: ['rules'], queryFn: () => take(api.GET('/rules')) })
const rolesOf = (like: string) => (rules.value?.rules.roles ?? []).filter((role) => role.for.includes(like as 'staff'))

function set(index: number, how: Partial<Kind>) {
  const kind = props.edit().kinds[index]!
  const others = kinds.value.map(({ code }) => code).filter((code) => code !== kind.code)
  Object.assign(kind, how)
  // The code of one that is only in the draft follows its name.
  if (how.name !== undefined && !props.known('kinds').has(kind.code)) kind.code = codeFrom(how.name || 'kind', others)
  if (how.like !== undefined) kind.roles = []
}
function add() {
  const code = codeFrom(
    'kind',
    kinds.value.map((each) => each.code),
  )
  put({ code, name: '', like: 'external', roles: [] })
}
const tick = (index: number, role: string, on: boolean) => {
  const { roles } = kinds.value[index]!
  set(index, { roles: on ? [...roles, role] : roles.filter((each) => each !== role) })
}
const likeName = ({ like }: Kind) => inSentence(tIn('platform.starter.kind', like))
const said = (kind: Kind) => {
  const like = likeName(kind)
  const roles = rolesOf(kind.like).filter(({ code }) => kind.roles.includes(code))
  return kind.roles.length
    ? t('platform.kinds.saidSome', { like, roles: listed(roles.map(({ name }) => name)) })
    : t('platform.kinds.said', { like })
}
</script>

<template>
  <p class="soft">{{ t('platform.kinds.more') }}</p>
  <p>
    {{
      t('platform.kinds.four', {
        kinds: listed(FOUR_KINDS.map((kind) => inSentence(t(`platform.starter.kind.${kind}`)))),
      })
    }}
  </p>
  <ul v-if="kinds.length">
    <li v-for="(kind, index) in kinds" :key="index">
      <p class="line">
        <strong>{{ kind.name || '…' }}</strong>
        <span class="soft">{{ said(kind) }}</span>
        <template v-if="mayChange">
          <button
            class="word"
            :aria-expanded="open === index"
            :aria-label="open === index ? undefined : t('platform.editOf', { name: kind.name })"
            @click="toggle(index)"
          >
            {{ t(open === index ? 'platform.close' : 'platform.edit') }}
          </button>
          <button class="word clay" :aria-label="t('platform.takeOf', { name: kind.name })" @click="remove(index)">
            {{ t('platform.take') }}
          </button>
        </template>
      </p>
      <p v-for="wrong in wrongAt('kinds/' + index)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
      <div v-if="mayChange && open === index" class="form">
        <div class="field">
          <label :for="`kind-name-${index}`">{{ t('platform.kinds.name') }}</label>
          <InputText
            :id="`kind-name-${index}`"
            size="small"
            maxlength="40"
            :model-value="kind.name"
            fluid
            @update:model-value="set(index, { name: $event ?? '' })"
          />
          <span class="hint">{{ t('platform.kinds.nameHint') }}</span>
        </div>
        <PickOne
          stacked
          :label="t('platform.kinds.like')"
          :options="optionsIn<string>(FOUR_KINDS, (like) => tIn('platform.starter.kind', like))"
          :model-value="kind.like"
          @update:model-value="set(index, { like: $event! })"
        />
        <fieldset class="roles">
          <legend>{{ t('platform.kinds.roles') }}</legend>
          <Tick
            v-for="role in rolesOf(kind.like)"
            :key="role.code"
            :model-value="kind.roles.includes(role.code)"
            @update:model-value="tick(index, role.code, $event === true)"
            >{{ role.name }}</Tick
          >
          <span class="hint">{{ t('platform.kinds.rolesHint', { like: likeName(kind) }) }}</span>
        </fieldset>
      </div>
    </li>
  </ul>
  <p v-for="wrong in wrongAt('kinds').filter(() => !kinds.length)" :key="wrong" class="clay" role="alert">
    {{ wrong }}
  </p>
  <p v-if="mayChange">
    <Button size="small" variant="outlined" :label="t('platform.kinds.add')" @click="add" />
  </p>
</template>

<style scoped src="./listed.css" />
<style scoped>
.roles {
  grid-column: 1 / -1;
}
</style>
