<script setup lang="ts">
import { computed } from 'vue'
import type { ChangeList } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { t, tIn } from '@/shared/words'
import { toneOf } from '@/messages/messages'
import { change, sayLine, type SiteMade } from './changeLists'

/** The lines of a change list, each with what came of it; for a change list of sites its rows. */
const props = defineProps<{
  changeList: ChangeList
  rows: SiteMade[]
  lines: ChangeList['lines']
  sections: ChangeList['sections']
}>()
const several = computed(
  () => !props.changeList.site || props.lines.some(({ site }) => site.id !== props.changeList.site?.id),
)
const { roleName } = usePlatform()
</script>

<template>
  <ol v-if="rows.length" class="lines">
    <li v-for="row in rows" :key="row.number">
      <span class="num soft">{{ row.number }}</span>
      <span :class="{ clay: !row.site, soft: row.gone }">{{
        t(row.gone ? 'changeLists.state.undone' : row.site ? 'makeSites.made' : 'changeLists.verdict.refused')
      }}</span>
      <RouterLink v-if="row.site && !row.gone" :to="{ name: 'roster', params: { site: row.site } }">{{
        row.title
      }}</RouterLink><span v-else>{{ row.title }}</span>
      <span class="num">{{ row.code }}</span>
      <span class="soft">{{ row.problems?.map((problem) => problem.detail).join(' ') }}</span>
    </li>
  </ol>
  <ol v-if="lines.length" class="lines">
    <li v-for="line in lines" :key="line.position">
      <span class="num soft">{{ line.position }}</span>
      <span
        :class="{
          clay: line.verdict === 'refused',
          brass: ['needs-choice', 'waits-for-seat'].includes(line.verdict ?? ''),
          soft: line.verdict === 'nothing-to-do',
        }"
        >{{ line.verdict ? t(`changeLists.verdict.${line.verdict}`) : t('changeLists.verdict.pending') }}</span
      >
      <span
        ><strong>{{ line.person.name }}</strong> {{ ' '
        }}<span v-if="line.text && line.text !== line.person.name" class="soft">“{{ line.text }}”</span></span
      >
      <RouterLink
        v-if="several"
        :to="{ name: 'roster', params: { site: line.site.id }, query: { person: line.person.id } }"
        >{{ line.site.title }}</RouterLink
      >
      <RouterLink v-else :to="{ name: 'roster', params: { site: line.site.id }, query: { person: line.person.id } }">{{
        line.line ? change(line, roleName, sections) : tIn('changeLists.verb', line.verb)
      }}</RouterLink>
      <span
        ><template v-if="line.line && several">{{ change(line, roleName, sections) + ' · ' }}</template
        ><span class="soft">{{ sayLine(line, roleName) }}</span> {{ ' '
        }}<span v-if="line.note" class="soft">{{ line.note }}</span> {{ ' '
        }}<span v-if="line.message" :class="toneOf(line.message.state)">{{
          t(`messages.told.${line.message.state}`)
        }}</span></span
      >
    </li>
  </ol>
</template>

<style scoped>
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
.lines li {
  display: grid;
  grid-template-columns: 46px 120px minmax(180px, 1.4fr) minmax(150px, 1fr) minmax(180px, 2fr);
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
  align-items: baseline;
}
.lines li > :nth-child(2) {
  border-right: 1px solid var(--line);
}
@media (max-width: 760px) {
  .lines li {
    grid-template-columns: 30px 1fr;
  }
  .lines li > * {
    grid-column: 2;
  }
  .lines li > .num {
    grid-column: 1;
    grid-row: 1;
  }
  .lines li > :nth-child(2) {
    border: 0;
  }
}
</style>
