<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { day, lastDay } from '@/shared/sentences'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import DayField from '@/ui/DayField.vue'

/** Opens a site or closes it, at once or on a day; asked once more before it is done. */
const props = defineProps<{ site: Site; reload: () => Promise<unknown> }>()
const asking = ref(false)
const busy = ref(false)
const on = ref('')
const wrongDay = ref('')
const next = computed(() => (props.site.state === 'open' ? 'closed' : 'open'))

async function live(state: Site['state'], planned = '') {
  busy.value = true
  wrongDay.value = ''
  try {
    const changed = await take(
      api.PUT('/sites/{site}/life', {
        params: { path: { site: props.site.id }, header: { 'If-Match': `"${props.site.version}"` } },
        body: { state, on: planned || null },
      }),
    )
    asking.value = false
    await refreshSite()
    const when = state === 'open' ? changed.opensAt : changed.closesAt
    done(
      planned
        ? tIn('site.planned', state, {
            title: changed.title,
            day: state === 'open' ? day(when, changed.timeZone) : lastDay(when, changed.timeZone),
          })
        : t(`site.did.${state}`, { title: changed.title }),
      { site: props.site.id, entry: changed.entry },
    )
    on.value = ''
  } catch (thrown) {
    wrongDay.value = (thrown instanceof Problem && thrown.field('on')) || ''
    if (!wrongDay.value) {
      wentWrong(thrown)
      await props.reload()
    }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <span v-if="asking" class="ask" role="alert">
    {{
      on
        ? t(next === 'open' ? 'site.willOpenOn' : 'site.willCloseOn')
        : next === 'open'
          ? t('site.willOpen', { n: site.learners }, site.learners)
          : t('site.willClose')
    }}
    <DayField
      v-model="on"
      shown
      :label="t(next === 'open' ? 'site.onDay' : 'site.afterDay')"
      :zone="site.timeZone"
      :invalid="!!wrongDay"
    />
    {{ ' ' }}<span class="soft">{{ t('card.ask.fromNow') }}</span>
    <span v-if="wrongDay" class="clay">{{ wrongDay }}</span>
    <Button
      size="small"
      :disabled="busy"
      :severity="next === 'open' ? undefined : 'danger'"
      :label="t(`site.sure.${on ? (next === 'open' ? 'openOn' : 'closeOn') : next === 'open' ? 'open' : 'close'}`)"
      @click="live(next, on)"
    />
    <button class="word" @click="asking = false">{{ t('parts.cancel') }}</button>
  </span>
  <button v-if="!asking && site.state === 'draft' && site.opensAt" class="word" :disabled="busy" @click="live('draft')">
    {{ t('site.stayDraft') }}
  </button>
  <button v-if="!asking" class="word" @click="asking = true">
    {{ t(site.state === 'open' ? 'site.close' : site.state === 'draft' ? 'site.open' : 'site.openAgain') }}
  </button>
</template>

<style scoped>
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}
</style>
