<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, take, type CohortLink, type CohortPair } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { refresh } from '@/shared/queries'
import { day } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import PairSays from './PairSays.vue'
import { linkSentence, whySentence } from './links'

/** A connection as a sentence: how many are there by it, who waits and why; changed, and taken back. */
const props = defineProps<{ link: CohortLink; of: 'cohort' | 'site' }>()
const { roleName } = usePlatform()
const doing = ref<'' | 'change' | 'end'>('')
const from = ref(props.link.from ?? '')
const leaves = ref(props.link.leaves)
const days = ref<number | null>(props.link.days || 7)
const path = computed(() => ({ path: { link: props.link.id } }))
const { busy, run } = useBusy()
const all = () => Promise.all([refreshSite(), refresh('cohorts', 'cohort-links')])
const put = (mine: boolean) =>
  run(async () => {
    await take(
      api.PUT('/cohort-links/{link}', {
        params: { ...path.value, header: { 'If-Match': `"${props.link.version}"` } },
        body: {
          from: from.value || null,
          leaves: leaves.value,
          days: leaves.value === 'days' ? days.value : null,
          mine,
        },
      }),
    )
    done(t('cohorts.link.changed'))
    doing.value = ''
    await all()
  })
const agree = () =>
  run(async () => {
    const number = props.link.held
    await take(api.POST('/cohort-links/{link}/yes', { params: path.value, body: { number } }))
    done(t('cohorts.link.agreed', { n: number }, number))
    await all()
  })
const would = ref<CohortPair>()
const stay = ref(false)
const number = ref<number | null>(null)
const look = () =>
  run(async () => {
    doing.value = 'end'
    would.value = await take(
      api.POST('/cohort-links/{link}/end', { params: path.value, body: { stay: stay.value, apply: false } }),
    )
  })
const end = () =>
  run(async () => {
    const ended = await take(
      api.POST('/cohort-links/{link}/end', {
        params: path.value,
        body: { stay: stay.value, number: number.value, apply: true },
      }),
    )
    done(t('cohorts.link.ended', { name: props.link.cohort.name, site: props.link.site.name }), {
      site: props.link.site.id,
      changeList: ended.changeList,
    })
    await all()
  })
</script>

<template>
  <li>
    <p>
      <RouterLink v-if="of === 'cohort'" :to="{ name: 'site-cohorts', params: { site: link.site.id } }">{{
        link.site.name
      }}</RouterLink>
      <RouterLink v-else-if="link.kind !== 'shared'" :to="{ name: 'cohort', params: { cohort: link.cohort.id } }">{{
        link.cohort.name
      }}</RouterLink>
      <strong v-else>{{ link.cohort.name }}</strong>
      <span class="soft">{{ ' ' }}{{ linkSentence(link, roleName) }}</span>
    </p>
    <p class="row">
      <span>{{ t('cohorts.link.here', { n: $n(link.here), people: $n(link.people) }) }}</span>
      <span v-for="each in link.waiting" :key="each.why" class="brass">{{
        t('cohorts.link.waits', { n: each.people, why: whySentence(each.why) }, each.people)
      }}</span>
      <button class="word" :aria-expanded="doing === 'change'" @click="doing = doing === 'change' ? '' : 'change'">
        {{ t('cohorts.change') }}
      </button>
      <button
        class="word clay"
        :disabled="busy"
        :aria-expanded="doing === 'end'"
        @click="doing === 'end' ? (doing = '') : look()"
      >
        {{ t('cohorts.link.end') }}
      </button>
    </p>
    <p v-if="!link.backed" class="callout bad row">
      {{ t('cohorts.link.unbacked', { name: link.keeper?.name ?? '' }) }}
      <button class="word" :disabled="busy" @click="put(true)">{{ t('cohorts.link.mine') }}</button>
    </p>
    <p v-if="link.heldAt" class="callout row">
      {{ t('cohorts.link.held', { n: link.held, since: day(link.heldAt, 'UTC') }, link.held) }}
      <Button
        size="small"
        :disabled="busy"
        :label="t('cohorts.link.yes', { n: link.held }, link.held)"
        @click="agree"
      />
    </p>
    <form v-if="doing === 'change'" class="terms" @submit.prevent="put(false)">
      <DayField v-model="from" shown :label="t('cohorts.connect.from')" />
      <div role="radiogroup" :aria-label="t('cohorts.connect.leaves')" class="row">
        {{ t('cohorts.connect.leaves') }}
        <OneOf
          v-for="each in ['at-once', 'days', 'term'] as const"
          :key="each"
          v-model="leaves"
          :name="'leaves' + link.id"
          :value="each"
          >{{ t(`cohorts.leaves.${each}`) }}</OneOf
        >
        <NumberField
          v-if="leaves === 'days'"
          v-model="days"
          :label="t('cohorts.connect.days')"
          :figures="3"
          :min="1"
          :max="366"
        />
      </div>
      <p class="row">
        <Button type="submit" size="small" :disabled="busy" :label="t('cohorts.form.save')" />
        <button type="button" class="word" @click="doing = ''">{{ t('parts.cancel') }}</button>
      </p>
    </form>
    <form v-else-if="doing === 'end' && would" class="terms" @submit.prevent="end">
      <PairSays :pair="would" />
      <div role="radiogroup" :aria-label="t('cohorts.link.endHow')" class="row">
        <OneOf v-model="stay" :name="'stay' + link.id" :value="false">{{ t('cohorts.link.go') }}</OneOf>
        <OneOf v-model="stay" :name="'stay' + link.id" :value="true">{{ t('cohorts.link.stay') }}</OneOf>
      </div>
      <label v-if="!stay && would.asks !== null" class="row"
        >{{ t('cohorts.link.number', { n: would.asks }) }}
        <NumberField v-model="number" :label="t('cohorts.link.number', { n: would.asks })" :figures="5" :min="0"
      /></label>
      <p class="row">
        <Button type="submit" size="small" severity="danger" :disabled="busy" :label="t('cohorts.link.endNow')" />
        <button type="button" class="word" @click="doing = ''">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </li>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
  display: grid;
  gap: 6px;
}
p {
  margin: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.terms {
  border-left: 4px solid var(--mint);
  padding-left: 10px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
</style>
