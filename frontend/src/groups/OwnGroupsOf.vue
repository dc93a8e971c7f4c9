<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { api, Problem, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refresh } from '@/shared/queries'
import { untilOf } from '@/shared/until'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import PeopleField, { type Named } from '@/roster/PeopleField.vue'
import type { OwnGroup, OwnGroups } from './ownGroups'

/** One way of dividing the people of a site: the groups there are, one's own, and what one may do. */
const props = defineProps<{ own: OwnGroups }>()
const id = useId()
const mine = computed(() => props.own.groups.find((group) => group.id === props.own.group))
const state = computed(() => {
  const at = props.own.closesAt ? untilOf(props.own.closesAt, props.own.timeZone) : ''
  if (props.own.chooses) return t(mine.value ? 'choosing.until' : 'choosing.ask', { at })
  return t(mine.value ? 'choosing.closed' : 'choosing.closedNone')
})
const left = (group: OwnGroup) => (group.most === null ? null : Math.max(0, group.most - group.people))
/** How full it is, and who is in it as far as one sees them. */
function saidOf(group: OwnGroup): string {
  const names = group.members.map(({ name }) => name)
  const others = group.people - names.length
  return names.length
    ? [names.join(', '), others ? t('choosing.others', { n: others }, others) : ''].filter(Boolean).join(' ')
    : t('choosing.people', { n: group.people }, group.people)
}
function roomOf(group: OwnGroup): string {
  const free = left(group)
  return free === null ? '' : t('choosing.room', { n: free }, free)
}

const wrong = ref('')
const { busy, run } = useBusy((thrown) => {
  const error = thrown instanceof Problem ? thrown.document.errors?.[0] : undefined
  wrong.value = error?.detail ?? ''
  if (!error) wentWrong(thrown)
  // What one saw is no longer so.
  void refresh('own-groups')
})
const path = computed(() => ({ path: { split: props.own.split } }))
const choose = (group: OwnGroup | null) =>
  run(async () => {
    await take(api.PUT('/me/groups/{split}', { params: path.value, body: { group: group?.id ?? null } }))
    done(group ? t('choosing.did', { name: group.name }) : t('choosing.didLeave'))
    await refresh('own-groups')
  })
const founding = ref(false)
const name = ref('')
const found = () =>
  run(async () => {
    wrong.value = ''
    await take(api.POST('/me/groups/{split}/found', { params: path.value, body: { name: name.value } }))
    done(t('choosing.didFound', { name: name.value.trim() }))
    founding.value = false
    name.value = ''
    await refresh('own-groups')
  })
const inviting = ref(false)
const people = ref<Named[]>([])
const invite = () =>
  run(async () => {
    wrong.value = ''
    const body = { people: people.value.map((each) => each.id) }
    await take(api.POST('/me/groups/{split}/invitations', { params: path.value, body }))
    done(t('choosing.didInvite', { n: body.people.length }, body.people.length))
    inviting.value = false
    people.value = []
    await refresh('own-groups')
  })
</script>

<template>
  <section :aria-label="`${own.site.name}: ${own.name}`">
    <h2>
      {{ own.name }} <span class="soft">{{ own.site.name }}</span>
    </h2>
    <p :class="{ brass: own.chooses && !mine }">
      <strong v-if="own.chooses && !mine">{{ state }}</strong>
      <template v-else>{{ state }}</template>
    </p>
    <ol>
      <li v-for="group in own.groups" :key="group.id" :class="{ mine: group.id === own.group }">
        <div class="what">
          <p>
            <strong>{{ group.name }}</strong>
            <span v-if="group.id === own.group" class="yours">{{ t('choosing.yours') }}</span>
          </p>
          <p class="members">{{ saidOf(group) }}</p>
          <p v-if="own.chooses && roomOf(group)" class="soft nums">{{ roomOf(group) }}</p>
          <p v-if="group.asks" class="brass">{{ t('choosing.asks', { name: group.asks }) }}</p>
          <p v-if="group.asked.length" class="soft">
            {{ t('choosing.asked', { names: group.asked.map((each) => each.name).join(', ') }) }}
          </p>
        </div>
        <template v-if="own.chooses">
          <button v-if="group.id === own.group" type="button" class="word" :disabled="busy" @click="choose(null)">
            {{ t('choosing.leave') }}<span class="unseen">: {{ group.name }}</span>
          </button>
          <Button
            v-else-if="left(group) !== 0"
            size="small"
            :variant="mine ? 'outlined' : undefined"
            :disabled="busy"
            :label="t(mine ? 'choosing.change' : 'choosing.go')"
            :aria-label="`${t(mine ? 'choosing.change' : 'choosing.go')}: ${group.name}`"
            @click="choose(group)"
          />
        </template>
      </li>
    </ol>
    <template v-if="own.chooses">
      <p class="acts">
        <button
          v-if="own.founds && !founding"
          type="button"
          class="word"
          @click="((founding = true), (inviting = false), (wrong = ''))"
        >
          {{ t('choosing.found') }}
        </button>
        <button
          v-if="mine && left(mine) !== 0 && !inviting"
          type="button"
          class="word"
          @click="((inviting = true), (founding = false), (wrong = ''))"
        >
          {{ t('choosing.invite', { name: mine.name }) }}
        </button>
      </p>
      <form v-if="founding" novalidate @submit.prevent="found">
        <label :for="`${id}-name`">{{ t('choosing.foundName') }}</label>
        <InputText :id="`${id}-name`" v-model="name" maxlength="80" fluid :invalid="!!wrong" />
        <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
        <p class="acts">
          <Button type="submit" size="small" :disabled="busy || !name.trim()" :label="t('choosing.foundGo')" />
          <button type="button" class="word" @click="founding = false">{{ t('parts.cancel') }}</button>
        </p>
      </form>
      <form v-if="inviting" novalidate @submit.prevent="invite">
        <span>{{ t('choosing.inviteWho') }}</span>
        <PeopleField v-model="people" :site="own.site" :label="t('choosing.inviteWho')" />
        <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
        <p class="acts">
          <Button type="submit" size="small" :disabled="busy || !people.length" :label="t('choosing.inviteGo')" />
          <button type="button" class="word" @click="inviting = false">{{ t('parts.cancel') }}</button>
        </p>
      </form>
    </template>
  </section>
</template>

<style scoped>
section,
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  max-width: 620px;
}
h2 {
  font-size: 1.2rem;
}
h2 .soft {
  font-size: 1rem;
  font-weight: 400;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 8px;
}
li {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 64px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 8px 14px;
}
li.mine {
  border-color: var(--spruce);
  background: var(--mint-pale);
}
.what {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 2px;
}
.members {
  overflow-wrap: anywhere;
}
.yours {
  margin-left: 8px;
  color: var(--spruce);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
</style>
