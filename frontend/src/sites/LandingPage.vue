<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type Site } from '@/shared/api'
import { dotted } from '@/shared/lists'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { done, refreshSite } from '@/shared/undo'
import { inSentence, t } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import ReasonLine from '@/ui/ReasonLine.vue'
import Trouble from '@/ui/Trouble.vue'
import HelpWord from '@/ui/HelpWord.vue'

/** What somebody finds behind the door; in a site's frame, what those find through whose eyes one looks. */
const props = defineProps<{ site?: Site }>()
const route = useRoute()
const id = computed(() => String(route.params.site))
const { roleName } = usePlatform()
const {
  data: landing,
  error,
  refetch,
} = useQuery({
  queryKey: ['landing', id, computed(() => props.site?.seenAs?.as ?? '')],
  staleTime: 0,
  queryFn: () => take(api.POST('/sites/{site}/visits', { params: { path: { site: id.value } } })),
})
const inside = computed(() => landing.value?.reason.entry !== 'no')
const router = useRouter()
const sure = ref(false)
const { busy, run } = useBusy()
/** Whoever a key brought goes again. */
const leave = () =>
  run(async () => {
    const title = landing.value?.site.title ?? ''
    const { still } = await take(api.POST('/sites/{site}/leave', { params: { path: { site: id.value } } }))
    done(t(still ? 'landing.leftStill' : 'landing.left', { title }))
    await refreshSite()
    await router.push('/sites/in')
  })
const administers = computed(() => landing.value?.role == null && !!landing.value?.may.includes('see-roster'))
</script>

<template>
  <div class="page narrow">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="landing">
      <header :class="landing.site.state">
        <DoorGlyph :state="landing.site.state" />
        <div>
          <h1>{{ landing.site.title }}</h1>
          <p class="soft">{{ dotted(landing.site.division.name, landing.site.term?.name) }}</p>
        </div>
      </header>
      <p v-if="administers" class="callout">{{ t('landing.asAdmin') }}</p>
      <ReasonLine
        v-else-if="landing.reason.entry !== 'enter'"
        :reason="landing.reason"
        :zone="landing.site.timeZone"
        who="you"
      />
      <template v-if="inside">
        <p v-if="landing.role">{{ t('landing.as', { role: inSentence(roleName(landing.role)) }) }}</p>
        <section>
          <h2>
            <HelpWord term="lead">{{ t('landing.leads') }}</HelpWord>
          </h2>
          <p>{{ landing.leads.length ? landing.leads.join(', ') : t('landing.nothing') }}</p>
        </section>
        <section v-if="landing.sections.length">
          <h2>
            <HelpWord term="section">{{ t('landing.section') }}</HelpWord>
          </h2>
          <p v-for="each in landing.sections" :key="each.name">
            <strong>{{ each.name }}</strong><template v-if="each.meets">: {{ each.meets }}</template
            ><template v-if="each.leads.length"
              >. {{ t('landing.sectionLeads', { names: each.leads.join(', ') }) }}</template
            >
          </p>
        </section>
      </template>
      <p v-if="!props.site?.seenAs" class="ways">
        <RouterLink v-if="landing.may.includes('see-roster')" :to="{ name: 'roster', params: { site: id } }">{{
          t('landing.roster')
        }}</RouterLink>
        <RouterLink v-if="inside && landing.may.includes('see-roster')" :to="{ name: 'items', params: { site: id } }">{{
          t('landing.items')
        }}</RouterLink>
        <RouterLink to="/sites/in">{{ t('landing.back') }}</RouterLink>
        <button v-if="landing.mayLeave && !sure" class="word" @click="sure = true">{{ t('landing.leave') }}</button>
      </p>
      <p v-if="sure" class="callout" role="alert">
        {{ t('landing.leaveSure') }}
        <Button size="small" severity="danger" :disabled="busy" :label="t('landing.leaveYes')" @click="leave" />
        {{ ' ' }}<button class="word" @click="sure = false">{{ t('landing.leaveNo') }}</button>
      </p>
    </template>
    <span v-else class="skeleton" style="width: 260px; height: 26px" />
  </div>
</template>

<style scoped>
.narrow {
  max-width: 640px;
  display: grid;
  gap: 16px;
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
header.draft {
  border-color: var(--brass);
}
header.closed {
  border-color: var(--soft);
}
.ways {
  display: flex;
  gap: 22px;
  flex-wrap: wrap;
}
</style>
