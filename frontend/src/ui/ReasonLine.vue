<script setup lang="ts">
import { computed } from 'vue'
import { usePlatform } from '@/shared/platform'
import type { Reason } from '@/shared/api'
import { causeSentence, givers } from '@/shared/sentences'
import { t } from '@/shared/words'

/** Can they enter, and why: one sentence, what else stands in the way, and what would change it. */
const props = defineProps<{ reason: Reason; zone: string; who: 'staff' | 'you' }>()
const { roleName } = usePlatform()
const say = (cause: Reason['causes'][number]) =>
  causeSentence(cause, props.reason.entry, props.who, props.zone, roleName)
/** What would change it, and by whom, where one may not do it oneself. */
const change = (cause: Reason['causes'][number]) =>
  cause.change === 'none'
    ? ''
    : t(`change.${cause.change}`) + (cause.mine ? '' : ' ' + t('change.who', { who: givers(cause.givers, roleName) }))
const first = computed(() => props.reason.causes[0]!)
const others = computed(() => props.reason.causes.slice(1))
</script>

<template>
  <div class="reason" :class="[reason.entry, first.code]">
    <p class="line">{{ say(first) }}</p>
    <p v-if="who === 'staff' && change(first)" class="soft">{{ change(first) }}</p>
    <p v-for="cause in others" :key="cause.code" class="soft">
      {{ t('reason.also', { what: say(cause) }) }}<template v-if="who === 'staff'"> {{ change(cause) }}</template>
    </p>
  </div>
</template>

<style scoped>
.reason {
  border-left: 4px solid var(--spruce);
  background: var(--mint-pale);
  padding: 7px 11px;
  border-radius: 0 4px 4px 0;
}
.reason.no {
  border-color: var(--clay);
  background: var(--clay-pale);
}
.reason.look-only,
.reason.upcoming,
.reason.waiting,
.reason.paused,
.reason.draft {
  border-color: var(--brass);
  background: var(--brass-pale);
}
.line {
  font-weight: 600;
}
p {
  overflow-wrap: anywhere;
}
</style>
