<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import Tick from '@/ui/Tick.vue'
import Trouble from '@/ui/Trouble.vue'
import type { Plan } from './plans'

/** Which other sites are planned in one go, so that whoever is in several has a place in each, at different hours. */
const props = defineProps<{ site: Site; plan: Plan; mayChange: boolean }>()
const choosing = ref(false)
const chosen = ref<string[]>([])
const { data, error, refetch } = useQuery({
  queryKey: ['plan', computed(() => props.site.id), 'with'],
  queryFn: () => take(api.GET('/sites/{site}/plan/with', { params: { path: { site: props.site.id } } })),
  enabled: choosing,
})
watch(data, (near) => {
  chosen.value = near?.items.filter((each) => each.with).map((each) => each.site.id) ?? []
})
const open = () => {
  chosen.value = data.value?.items.filter((each) => each.with).map((each) => each.site.id) ?? []
  choosing.value = true
}
/** Whose plan is not the one that was computed with this. */
const changed = computed(() =>
  props.plan.state === 'computed' ? props.plan.with.filter(({ state }) => state === 'set') : [],
)
const hidden = computed(() => props.plan.with.filter(({ site }) => !site).length)
const { busy, run } = useBusy()
const save = () =>
  run(async () => {
    const params = { path: { site: props.site.id }, header: { 'If-Match': `"${props.plan.version}"` } }
    await take(api.PUT('/sites/{site}/plan/with', { params, body: { sites: chosen.value } }))
    choosing.value = false
    done(t('plans.with.did'))
    await refreshSite()
  })
</script>

<template>
  <section v-if="mayChange || plan.with.length" :aria-label="t('plans.with.title')">
    <p>
      <template v-if="!plan.with.length">{{ t('plans.with.none') }}</template>
      <template v-else>
        {{ t('plans.with.title') }}
        <template v-for="({ site: other }, n) in plan.with.filter((each) => each.site)" :key="other!.id"
          >{{ n ? ', ' : ''
          }}<RouterLink :to="{ name: 'plan', params: { site: other!.id } }">{{ other!.name }}</RouterLink></template
        >
        <template v-if="hidden">
          {{ hidden === plan.with.length ? '' : '+' }} {{ t('plans.with.hidden', { n: hidden }, hidden) }}</template
        >.
      </template>
      {{ ' ' }}
      <button v-if="mayChange && !choosing" class="word" :disabled="plan.state === 'computing'" @click="open">
        {{ t('plans.with.choose') }}
      </button>
    </p>
    <p v-if="changed.length" class="brass">{{ t('plans.with.changed') }}</p>
    <form v-if="choosing" @submit.prevent="save">
      <p>{{ t('plans.with.how') }}</p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="data">
        <ul>
          <li v-for="each in data.items" :key="each.site.id">
            <Tick v-model="chosen" :value="each.site.id" :disabled="!each.planned">{{ each.site.name }}</Tick>
            <span class="more">
              <span class="soft">{{ t('plans.with.people', { n: each.people }, each.people) }}</span>
              <RouterLink v-if="!each.planned" :to="{ name: 'plan', params: { site: each.site.id } }">{{
                t('plans.with.begin')
              }}</RouterLink>
            </span>
          </li>
        </ul>
        <p v-if="!data.items.length">{{ t('plans.with.nobody') }}</p>
      </template>
      <p class="acts">
        <Button v-if="data?.items.length" type="submit" size="small" :disabled="busy" :label="t('plans.with.save')" />
        <button type="button" class="word" @click="choosing = false">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </section>
</template>

<style scoped>
section,
form {
  display: grid;
  gap: 8px;
}
form {
  border-left: 4px solid var(--line);
  padding-left: 12px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  min-height: 34px;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
@media (max-width: 760px) {
  li {
    padding-bottom: 8px;
  }
  .more {
    width: 100%;
    padding-left: 21px;
  }
}
</style>
