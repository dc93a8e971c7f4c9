<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { RoleRules } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { administers } from '@/shared/me'
import { day, ownZone } from '@/shared/sentences'
import Trouble from '@/ui/Trouble.vue'
import NumberRules from '@/roles/NumberRules.vue'
import OutsideRules from '@/roles/OutsideRules.vue'
import RoleDifferences from '@/roles/RoleDifferences.vue'
import RoleEditor from '@/roles/RoleEditor.vue'
import RoleSentences from '@/roles/RoleSentences.vue'
import ShortNames from '@/roles/ShortNames.vue'
import RulesPreview from '@/roles/RulesPreview.vue'
import { listed, useRules } from '@/roles/rules'

const AdministratorList = defineAsyncComponent(() => import('@/roles/AdministratorList.vue'))
const PlatformLog = defineAsyncComponent(() => import('./PlatformLog.vue'))

/**
 * What holds in every site: roles read as sentences, who gives what, numbers and limits; changed by platform
 * administrators.
 */
const route = useRoute()
const { platform } = usePlatform()
const all = useRules()
const { book, error, refetch, rules, changed, edit, roleName, wrongAt } = all
const part = computed(() => (typeof route.params.part === 'string' && route.params.part ? route.params.part : 'roles'))
const parts = computed(() => [
  'roles',
  'compare',
  'ladder',
  'outside',
  'numbers',
  'names',
  'limits',
  ...(book.value?.mayChange ? ['administrators', 'log'] : []),
])
const editing = ref('')
const LIMITS = {
  sites: ['seats', 'leads', 'changeList', 'removalFew', 'removalShare'],
  care: ['careHome', 'careBeyond', 'cardDays', 'lookups'],
  mail: ['mailOutside', 'mailPerson', 'mailAgain', 'passwordLinks'],
  keep: ['keepMessages', 'keepAddresses', 'keepAnswers'],
} as const
const givers = computed(
  () =>
    rules.value?.roles.map((role) => ({
      role,
      gives: rules
        .value!.roles.filter((each) => each.givenBy.includes(role.code))
        .map((each) => each.name.toLowerCase()),
    })) ?? [],
)
const giveNothing = computed(() =>
  givers.value.filter(({ gives }) => !gives.length).map(({ role }) => role.name.toLowerCase()),
)

function change(role: RoleRules) {
  edit()
  editing.value = role.code
}

function add() {
  const draft = edit()
  let n = 1
  while (draft.roles.some((role) => role.code === `role-${n}`)) n++
  const code = `role-${n}`
  draft.roles.push({
    code,
    name: '',
    standard: 'Member',
    rank: 25,
    permissions: ['enter'],
    for: ['staff'],
    suggestFor: [],
    givenBy: draft.roles.filter((role) => role.lead).map((role) => role.code),
    lead: false,
    takesSeat: false,
    listed: true,
    caution: null,
    learnersOf: null,
    bands: [],
  })
  editing.value = code
}

function remove(role: RoleRules) {
  const draft = edit()
  draft.roles = draft.roles.filter((each) => each.code !== role.code)
  for (const each of draft.roles) each.givenBy = each.givenBy.filter((code) => code !== role.code)
  editing.value = ''
}

function limit(name: (typeof LIMITS)[keyof typeof LIMITS][number], value: string) {
  edit().limits[name] = Number(value) || 0
}
</script>

<template>
  <div class="both">
    <div class="page">
      <div class="top">
        <h1>{{ $t('rules.title') }}</h1>
        <RouterLink v-if="administers" to="/security-log">{{ $t('security.open') }}</RouterLink>
      </div>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="book && rules">
        <p class="soft">
          {{
            $t(book.madeBy ? 'rules.by' : 'rules.more', {
              version: book.version,
              day: day(book.madeAt, ownZone),
              who: book.madeBy ?? '',
            })
          }}
        </p>
        <nav :aria-label="$t('rules.title')">
          <RouterLink
            v-for="each in parts"
            :key="each"
            :to="`/rules/${each}`"
            :class="{ on: each === part }"
            :aria-current="each === part ? 'page' : undefined"
            >{{ $t('rules.parts.' + each) }}</RouterLink
          >
        </nav>

        <template v-if="part === 'roles'">
          <article v-for="role in rules.roles" :key="role.code">
            <RoleEditor
              v-if="editing === role.code && all.draft.value"
              :role="role"
              :rules="rules"
              :book="book"
              :wrong-at="wrongAt"
              @done="editing = ''"
              @remove="remove(role)"
            />
            <template v-else>
              <RoleSentences :role="role" :role-name="roleName" />
              <p v-for="sentence in wrongAt('roles/' + role.code)" :key="sentence" class="clay" role="alert">
                {{ sentence }}
              </p>
              <button
                v-if="book.mayChange"
                class="word"
                :aria-label="`${$t('rules.edit')}: ${role.name}`"
                @click="change(role)"
              >
                {{ $t('rules.edit') }}
              </button>
            </template>
          </article>
          <p v-if="book.mayChange">
            <button class="word" @click="add">{{ $t('rules.new') }}</button>
          </p>
        </template>

        <RoleDifferences v-else-if="part === 'compare'" :roles="rules.roles" />

        <ol v-else-if="part === 'ladder'" class="ladder">
          <li>{{ $t('rules.givesAll') }}</li>
          <template v-for="{ role, gives } in givers" :key="role.code"
            ><li v-if="gives.length">
              {{ $t('rules.gives', { role: role.name.toLowerCase(), roles: listed(gives) }) }}
            </li></template
          >
          <li v-if="giveNothing.length" class="soft">{{ $t('rules.givesNone', { roles: listed(giveNothing) }) }}</li>
        </ol>

        <OutsideRules
          v-else-if="part === 'outside'"
          :rules="rules"
          :divisions="platform?.divisions ?? []"
          :may-change="book.mayChange"
          :edit="edit"
        />

        <NumberRules
          v-else-if="part === 'numbers'"
          :rules="rules"
          :may-change="book.mayChange"
          :wrong-at="wrongAt"
          :edit="edit"
        />

        <ShortNames
          v-else-if="part === 'names'"
          :rules="rules"
          :may-change="book.mayChange"
          :wrong-at="wrongAt"
          :edit="edit"
        />

        <div v-else-if="part === 'limits'" class="limits">
          <template v-if="book.mayChange">
            <fieldset v-for="(names, group) in LIMITS" :key="group">
              <legend>{{ $t('rules.limitsOf.' + group) }}</legend>
              <div v-for="name in names" :key="name" class="field">
                <label :for="'limit-' + name">{{ $t('rules.limit.' + name) }}</label>
                <input
                  :id="'limit-' + name"
                  class="plain"
                  inputmode="numeric"
                  :value="rules.limits[name]"
                  @input="limit(name, ($event.target as HTMLInputElement).value)"
                />
                <span v-for="sentence in wrongAt('limits/' + name)" :key="sentence" class="wrong" role="alert">{{
                  sentence
                }}</span>
              </div>
            </fieldset>
          </template>
          <ul v-else>
            <li v-for="name in ['seats', 'leads', 'changeList'] as const" :key="name">
              {{ $t('rules.limits.' + name, { n: $n(rules.limits[name]) }) }}
            </li>
            <li v-for="name in ['careHome', 'careBeyond', 'cardDays'] as const" :key="name">
              {{ $t('rules.limits.' + name, { n: $n(rules.limits[name]) }) }}
            </li>
            <li>
              {{ $t('rules.limits.removal', { few: rules.limits.removalFew, share: rules.limits.removalShare }) }}
            </li>
          </ul>
        </div>

        <AdministratorList v-else-if="part === 'administrators'" :divisions="platform?.divisions ?? []" />
        <PlatformLog v-if="part === 'log'" :version="book.version" @put-back="all.putBack" />
      </template>
      <span v-else class="skeleton" style="display: block; width: 300px; height: 24px" />
    </div>
    <RulesPreview v-if="changed" :all="all" />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 12px;
  align-content: start;
  max-width: 980px;
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  border-bottom: 1px solid var(--line);
}
nav a {
  text-decoration: none;
  color: var(--ink);
  font-weight: 600;
  padding: 3px 0 5px;
  border-bottom: 3px solid transparent;
}
nav a.on {
  border-color: var(--spruce);
}
article {
  border-bottom: 1px solid var(--line);
  padding: 4px 0 12px;
}
.ladder {
  margin: 0;
  padding-left: 0;
  list-style: none;
  display: grid;
  gap: 10px;
}
.ladder li {
  border-left: 4px solid var(--mint);
  padding: 2px 12px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: baseline;
  justify-content: space-between;
}
.limits {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(380px, 100%), 1fr));
  gap: 14px 40px;
  align-items: start;
}
.limits fieldset {
  border: 0;
  border-top: 2px solid var(--line);
  margin: 0;
  padding: 10px 0 0;
  display: grid;
  gap: 12px;
}
.limits legend {
  font-weight: 700;
  padding: 0 10px 0 0;
}
.limits input {
  width: 130px;
}
ul {
  padding-left: 20px;
  display: grid;
  gap: 6px;
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
  }
}
</style>
