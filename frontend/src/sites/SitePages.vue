<script setup lang="ts">
import type { Site } from '@/shared/api'
import { t } from '@/shared/words'

/** The pages of a site, as far as one may see them. */
const props = defineProps<{ site: Site }>()
const may = (permission: Site['may'][number]) => props.site.may.includes(permission)
</script>

<template>
  <nav :aria-label="site.title">
    <RouterLink v-if="may('see-roster')" :to="{ name: 'roster', params: { site: site.id } }" exact-active-class="on">{{
      t('site.roster')
    }}</RouterLink>
    <RouterLink
      v-if="may('see-unlisted') && (site.sections.length || may('arrange-sections'))"
      :to="{ name: 'sections', params: { site: site.id } }"
      active-class="on"
      >{{ t('site.sections') }}</RouterLink
    >
    <RouterLink v-if="may('arrange-groups')" :to="{ name: 'groups', params: { site: site.id } }" active-class="on">{{
      t('site.groups')
    }}</RouterLink>
    <RouterLink v-if="may('see-unlisted')" :to="{ name: 'site-week', params: { site: site.id } }" active-class="on">{{
      t('site.week')
    }}</RouterLink>
    <RouterLink
      v-if="may('see-unlisted') || site.seenAs || site.standing"
      :to="{ name: 'items', params: { site: site.id } }"
      active-class="on"
      >{{ t('site.items') }}</RouterLink
    >
    <RouterLink
      v-if="may('keep-doors') && !site.seenAs"
      :to="{ name: 'doors', params: { site: site.id } }"
      active-class="on"
      >{{ t('site.doors') }}</RouterLink
    >
    <RouterLink
      v-if="may('let-in') && !site.seenAs"
      :to="{ name: 'first-day-check', params: { site: site.id } }"
      active-class="on"
      >{{ t('site.firstDayCheck') }}</RouterLink
    >
    <RouterLink v-if="may('see-history')" :to="{ name: 'history', params: { site: site.id } }" active-class="on">{{
      t('site.history')
    }}</RouterLink>
    <RouterLink
      v-if="may('write-to-people') && !site.seenAs"
      :to="{ name: 'messages', params: { part: 'messages' }, query: { site: site.id } }"
      >{{ t('site.messages') }}</RouterLink
    >
    <RouterLink
      v-if="may('run-site') && !site.seenAs"
      :to="{ name: 'settings', params: { site: site.id } }"
      active-class="on"
      >{{ t('site.settings') }}</RouterLink
    >
    <RouterLink v-if="site.seenAs" :to="{ name: 'seen', params: { site: site.id } }" active-class="on">{{
      t('seeAs.inside')
    }}</RouterLink>
    <RouterLink v-else-if="site.standing" :to="{ name: 'landing', params: { site: site.id } }">{{
      t('site.goIn')
    }}</RouterLink>
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
a {
  text-decoration: none;
  color: var(--ink);
  font-weight: 600;
  padding: 3px 0 5px;
  border-bottom: 3px solid transparent;
}
a.on {
  border-color: var(--spruce);
}
@media (max-width: 640px) {
  nav {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  a {
    padding: 7px 0;
  }
  a.on {
    border-color: transparent;
    text-decoration: underline;
    text-decoration-thickness: 3px;
    text-underline-offset: 5px;
  }
}
</style>
