<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { RoleRules } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { administers } from '@/shared/me'
import { ownZone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'
import PageParts from '@/ui/PageParts.vue'
import Trouble from '@/ui/Trouble.vue'
import KindRules from '@/roles/KindRules.vue'
import LimitRules from '@/roles/LimitRules.vue'
import NumberRules from '@/roles/NumberRules.vue'
import OutsideRules from '@/roles/OutsideRules.vue'
import RoleDifferences from '@/roles/RoleDifferences.vue'
import RoleEditor from '@/roles/RoleEditor.vue'
import RoleSentences from '@/roles/RoleSentences.vue'
import ShortNames from '@/roles/ShortNames.vue'
import RulesPreview from '@/roles/RulesPreview.vue'
import WhoGivesWhat from '@/roles/WhoGivesWhat.vue'
import HelpWord from '@/ui/HelpWord.vue'
import { useRules } from '@/roles/rules'

const ReadyRoles = defineAsyncComponent(() => import('@/roles/ReadyRoles.vue'))
const AdministratorList = defineAsyncComponent(() => import('@/roles/AdministratorList.vue'))
const RolesTable = defineAsyncComponent(() => import('@/roles/RolesTable.vue'))
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
  'table',
  'compare',
  'ladder',
  'outside',
  'kinds',
  'numbers',
  'names',
  'limits',
  ...(book.value?.mayChange ? ['administrators', 'log'] : []),
])
const links = computed(() =>
  parts.value.map((each) => ({ to: `/rules/${each}`, words: tIn('rules.parts', each), on: each === part.value })),
)
const editing = ref('')
const ready = ref(false)

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
</script>

<template>
  <div class="both">
    <div class="page">
      <div class="top">
        <h1>
          <HelpWord term="rules">{{ t('rules.title') }}</HelpWord>
        </h1>
        <RouterLink v-if="administers" to="/security-log">{{ t('security.open') }}</RouterLink>
      </div>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="book && rules">
        <p class="soft">
          {{
            t(book.madeBy ? 'rules.by' : 'rules.more', {
              version: book.version,
              day: day(book.madeAt, ownZone),
              who: book.madeBy ?? '',
            })
          }}
        </p>
        <PageParts :label="t('rules.title')" :parts="links" />

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
                :aria-label="`${t('rules.edit')}: ${role.name}`"
                @click="change(role)"
              >
                {{ t('rules.edit') }}
              </button>
            </template>
          </article>
          <template v-if="book.mayChange">
            <p>
              <button class="word" @click="add">{{ t('rules.new') }}</button>
            </p>
            <details @toggle="ready = ($event.target as HTMLDetailsElement).open">
              <summary>{{ t('rules.ready.open') }}</summary>
              <p class="soft">{{ t('rules.ready.more') }}</p>
              <ReadyRoles v-if="ready" :rules="rules" :edit="edit" />
            </details>
          </template>
        </template>

        <RolesTable v-else-if="part === 'table'" :roles="rules.roles" :book="book" />

        <RoleDifferences v-else-if="part === 'compare'" :roles="rules.roles" />

        <WhoGivesWhat v-else-if="part === 'ladder'" :rules="rules" />

        <OutsideRules
          v-else-if="part === 'outside'"
          :rules="rules"
          :divisions="platform?.divisions ?? []"
          :may-change="book.mayChange"
          :edit="edit"
        />

        <KindRules
          v-else-if="part === 'kinds'"
          :rules="rules"
          :known="book.rules.siteKinds.map((kind) => kind.code)"
          :may-change="book.mayChange"
          :wrong-at="wrongAt"
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

        <LimitRules
          v-else-if="part === 'limits'"
          :rules="rules"
          :usual="book.usualLimits"
          :may-change="book.mayChange"
          :wrong-at="wrongAt"
          :edit="edit"
        />

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
article {
  border-bottom: 1px solid var(--line);
  padding: 4px 0 12px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: baseline;
  justify-content: space-between;
}
summary {
  cursor: pointer;
  color: var(--spruce);
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
  }
}
</style>
