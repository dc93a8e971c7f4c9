<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import DockedColumn from '@/ui/DockedColumn.vue'
import { problemSentence, type useRules } from './rules'

/**
 * What would follow from the rules as they were changed: what is wrong with them, and who gains or loses what, before
 * they hold.
 */
const props = defineProps<{ all: ReturnType<typeof useRules> }>()
const { t, n } = useI18n()
const preview = computed(() => props.all.preview.value)
const partOf = (where: string) => {
  const [part, code] = where.split('/')
  return part === 'roles' && code ? props.all.roleName(code) || code : t(`rules.parts.${part}`)
}
</script>

<template>
  <DockedColumn name="rules" :label="t('rules.preview.title')">
    <h2>{{ t('rules.preview.title') }}</h2>
    <p v-if="all.wrong.value" class="clay" role="alert">{{ all.wrong.value.message }}</p>
    <p v-else-if="!preview" class="soft">{{ t('rules.preview.computing') }}</p>
    <template v-else>
      <section v-if="preview.problems.length" role="alert">
        <h3 class="clay">{{ t('rules.preview.wrong') }}</h3>
        <ul>
          <li v-for="(problem, index) in preview.problems" :key="index">
            <strong>{{ partOf(problem.where) }}:</strong> {{ problemSentence(problem, all.roleName) }}
          </li>
        </ul>
      </section>
      <div role="status">
        <ul>
          <li v-for="each in preview.affected" :key="each.permission + each.gain" :class="each.gain ? 'gain' : 'lose'">
            {{
              t(
                each.gain ? 'rules.preview.gain' : 'rules.preview.lose',
                {
                  n: n(each.people),
                  sites: t('rules.preview.sites', { n: n(each.sites) }, each.sites),
                  what: t(`may.${each.permission}`),
                },
                each.people,
              )
            }}
          </li>
          <li v-if="!preview.affected.length">{{ t('rules.preview.nobody') }}</li>
          <li v-for="each in preview.numbers" :key="each.name">
            {{
              t(each.not ? 'rules.preview.numbers' : 'rules.preview.numbersFit', {
                name: each.name,
                fit: n(each.fit),
                not: n(each.not),
                example: each.example ?? '',
              })
            }}
          </li>
          <li v-if="preview.sites.overSeats">
            {{ t('rules.preview.overSeats', { n: n(preview.sites.overSeats) }, preview.sites.overSeats) }}
          </li>
          <li v-if="preview.sites.overLeads">
            {{ t('rules.preview.overLeads', { n: n(preview.sites.overLeads) }, preview.sites.overLeads) }}
          </li>
        </ul>
      </div>
    </template>
    <p class="actions">
      <Button
        size="small"
        :disabled="all.busy.value || all.isFetching.value || !preview || preview.problems.length > 0"
        :label="t('rules.preview.save')"
        @click="all.save"
      />
      <button class="word" @click="all.drop">{{ t('rules.preview.drop') }}</button>
    </p>
  </DockedColumn>
</template>

<style scoped>
.docked {
  --docked: 380px;
  position: sticky;
  top: 0;
  align-self: flex-start;
  min-height: 100%;
  max-height: calc(100vh - 48px);
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.lose {
  border-left: 4px solid var(--clay);
  padding-left: 10px;
}
.gain {
  border-left: 4px solid var(--spruce);
  padding-left: 10px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  position: sticky;
  bottom: 0;
  background: var(--sheet);
  padding: 6px 0;
}
</style>
