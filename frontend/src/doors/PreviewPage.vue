<script setup lang="ts">
import { ownLocale } from '@/shared/own'
import { dotted } from '@/shared/lists'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '@/shared/api'
import { findOutWhoIAm, me } from '@/shared/me'
import { day } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'

/** A look into a site without joining it, signed in or not. */
const route = useRoute()
const door = computed(() => String(route.params.door))
if (me.value === undefined) void findOutWhoIAm()
const { data: seen, error } = useQuery({
  queryKey: ['preview', door],
  retry: false,
  queryFn: () => take(api.GET('/previews/{door}', { params: { path: { door: door.value } } })),
})
const sees = computed(() =>
  new Intl.ListFormat(ownLocale).format(
    [
      'always',
      ...(seen.value?.leads ? ['leads'] : []),
      ...(seen.value?.sections ? ['sections'] : []),
      ...(seen.value && seen.value.learners !== null ? ['numbers'] : []),
    ].map((what) => tIn('preview.sees', what)),
  ),
)
const of = (calendar: string) => day(calendar + 'T12:00:00Z', 'UTC')
const term = computed(() => {
  const term = seen.value?.term
  return term && t('preview.term', { name: term.name, from: of(term.startsOn), until: of(term.endsOn) })
})
</script>

<template>
  <div class="page narrow">
    <p v-if="error" class="callout" role="alert">
      {{ error.message }}
      <RouterLink v-if="!me" :to="{ name: 'sign-in', query: { to: route.fullPath } }">{{
        t('signIn.button')
      }}</RouterLink>
    </p>
    <template v-else-if="seen">
      <header>
        <DoorGlyph state="open" />
        <div>
          <h1>{{ seen.site.title }}</h1>
          <p class="soft">
            {{ dotted(seen.kind, seen.division, term) }}
          </p>
        </div>
      </header>
      <p class="callout">{{ t('preview.you', { sees }) }}</p>
      <p v-if="seen.about">{{ seen.about }}</p>
      <section v-if="seen.leads">
        <h2>{{ t('preview.leads') }}</h2>
        <p>{{ seen.leads.join(', ') }}</p>
      </section>
      <section v-if="seen.sections?.length">
        <h2>{{ t('preview.sections') }}</h2>
        <p v-for="section in seen.sections" :key="section.name">
          <strong>{{ section.name }}</strong>: {{ section.meets }}
        </p>
      </section>
      <p v-if="seen.learners !== null" class="nums">
        {{
          seen.seats
            ? t('preview.seats', { n: seen.learners, of: seen.seats })
            : t('preview.learners', { n: seen.learners }, seen.learners)
        }}
      </p>
      <p class="ways">
        <RouterLink v-if="me" to="/sites/open">{{ t('preview.join') }}</RouterLink>
        {{ ' ' }}<RouterLink to="/join">{{ t('openDoors.withKey') }}</RouterLink>
      </p>
    </template>
  </div>
</template>

<style scoped>
.narrow {
  max-width: 640px;
  display: grid;
  gap: 16px;
  align-content: start;
}
header {
  display: flex;
  gap: 14px;
  align-items: center;
  border: 2px solid var(--spruce);
  border-bottom: 0;
  border-radius: 6px 6px 0 0;
  padding: 16px;
  background: var(--sheet);
}
.ways {
  display: flex;
  gap: 22px;
}
</style>
