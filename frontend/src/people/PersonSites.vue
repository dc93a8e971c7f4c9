<script setup lang="ts">
import { computed, ref } from 'vue'
import type { PersonPage } from '@/shared/api'
import { dotted } from '@/shared/lists'
import { usePlatform } from '@/shared/platform'
import { causeSentence, courseSentence } from '@/shared/sentences'
import { t } from '@/shared/words'
import ReasonLine from '@/ui/ReasonLine.vue'
import TermsStrip, { type Span } from './TermsStrip.vue'

/**
 * Every site of somebody that one may see: whether they can enter and why, and when they were and will be there, on one
 * scale.
 */
const props = defineProps<{ page: PersonPage }>()
const { platform, roleName } = usePlatform()
const opened = ref('')
type Row = PersonPage['sites'][number]
const headline = ({ reason, site }: Row) =>
  causeSentence(reason.causes[0]!, reason.entry, 'staff', site.timeZone, roleName)
/** That they are in on time is what one expects; the rest stands out. */
const tone = ({ reason }: Row) => (reason.entry === 'enter' ? '' : reason.entry === 'no' ? 'clay' : 'brass')
const fold = (row: Row) => (opened.value = opened.value === row.site.id ? '' : row.site.id)
const span = computed<Span>(() => {
  const terms = (platform.value?.terms ?? []).map((term) => ({
    at: new Date(term.startsOn).getTime(),
    ends: new Date(term.endsOn).getTime() + 86_400_000,
    name: term.name,
  }))
  const starts = props.page.sites
    .flatMap((each) => each.stretches.map((stretch) => stretch.from))
    .filter((from): from is string => !!from)
    .map((from) => new Date(from).getTime())
  const from = Math.min(...terms.map((term) => term.at), ...starts)
  return {
    from: from - 6 * 86_400_000,
    until: Math.max(...terms.map((term) => term.ends), from + 86_400_000),
    marks: terms,
  }
})
</script>

<template>
  <section>
    <h2>{{ t('person.sites', { n: page.sites.length }, page.sites.length) }}</h2>
    <div v-if="page.sites.length" class="row head">
      <span /><span /><TermsStrip head :stretches="[]" :span="span" zone="UTC" />
    </div>
    <article v-for="each in page.sites" :key="each.site.id">
      <div class="row">
        <h3>
          <button
            class="word"
            :aria-expanded="opened === each.site.id"
            :aria-label="t('person.more', { title: each.site.title })"
            @click="fold(each)"
          >
            {{ opened === each.site.id ? '–' : '+' }}
          </button>
          <RouterLink :to="{ name: 'roster', params: { site: each.site.id }, query: { person: page.person.id } }">{{
            each.site.title
          }}</RouterLink>
        </h3>
        <span class="line" :class="tone(each)">{{ headline(each) }}</span>
        <TermsStrip :stretches="each.stretches" :span="span" :zone="each.site.timeZone" />
      </div>
      <div v-if="opened === each.site.id" class="more">
        <p class="soft">
          {{ dotted(each.site.term?.name, courseSentence(each.stretches, each.site.timeZone, roleName)) }}
        </p>
        <ReasonLine :reason="each.reason" :zone="each.site.timeZone" who="staff" />
      </div>
    </article>
    <p v-if="page.elsewhere" class="soft">{{ t('person.elsewhere', { n: page.elsewhere }, page.elsewhere) }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 4px;
}
.row {
  display: grid;
  grid-template-columns: minmax(150px, 1.1fr) minmax(150px, 1fr) minmax(200px, 1.3fr);
  gap: 14px;
  align-items: center;
}
article {
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
h3 {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
h3 .word {
  width: 1.7em;
  padding: 0;
  flex: none;
}
.line {
  font-size: 0.93rem;
}
.more {
  display: grid;
  gap: 6px;
  padding: 4px 0 8px 34px;
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 1fr;
    gap: 2px;
  }
  .head {
    display: none;
  }
  .more {
    padding-left: 0;
  }
}
</style>
