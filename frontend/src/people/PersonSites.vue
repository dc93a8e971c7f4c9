<script setup lang="ts">
import { computed } from 'vue'
import type { PersonPage } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { courseSentence } from '@/shared/sentences'
import ReasonLine from '@/ui/ReasonLine.vue'
import TermsStrip, { type Span } from './TermsStrip.vue'

/**
 * Every site of somebody that one may see: whether they can enter and why, and when they were and will be there, on one
 * scale.
 */
const props = defineProps<{ page: PersonPage }>()
const { platform, roleName } = usePlatform()
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
    <h2>{{ $t('person.sites', { n: page.sites.length }, page.sites.length) }}</h2>
    <div v-if="page.sites.length" class="head"><span /><TermsStrip head :stretches="[]" :span="span" zone="UTC" /></div>
    <article v-for="each in page.sites" :key="each.site.id">
      <div>
        <h3>
          <RouterLink :to="{ name: 'roster', params: { site: each.site.id }, query: { person: page.person.id } }">{{
            each.site.title
          }}</RouterLink>
          {{ ' ' }}<span class="soft">{{ each.site.term.name }}</span>
        </h3>
        <ReasonLine :reason="each.reason" :zone="each.site.timeZone" who="staff" />
      </div>
      <div>
        <TermsStrip :stretches="each.stretches" :span="span" :zone="each.site.timeZone" />
        <p class="soft small">{{ courseSentence(each.stretches, each.site.timeZone, roleName) }}</p>
      </div>
    </article>
    <p v-if="page.elsewhere" class="soft">{{ $t('person.elsewhere', { n: page.elsewhere }, page.elsewhere) }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 4px;
}
article,
.head {
  display: grid;
  grid-template-columns: minmax(260px, 1fr) minmax(300px, 1.1fr);
  gap: 20px;
  align-items: center;
}
article {
  border-top: 1px solid var(--line);
  padding: 7px 0;
}
.small {
  font-size: 0.88rem;
}
@media (max-width: 760px) {
  article,
  .head {
    grid-template-columns: 1fr;
    gap: 4px;
  }
  .head span {
    display: none;
  }
}
</style>
