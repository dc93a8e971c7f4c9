<script setup lang="ts">
import { computed } from 'vue'
import { useHouse } from '@/app/house'
import type { Reason } from '@/app/api'
import { causeSentence, givers } from '@/app/sentences'

/** Can they enter, and why: one sentence, what else stands in the way, and what would change it. */
const props = defineProps<{ reason: Reason; zone: string; who: 'staff' | 'you' }>()
const { roleName } = useHouse()
const say = (cause: Reason['causes'][number]) => causeSentence(cause, props.reason.entry, props.who, props.zone, roleName)
const first = computed(() => props.reason.causes[0]!)
const others = computed(() => props.reason.causes.slice(1))
</script>

<template>
  <div class="reason" :class="[reason.entry, first.code]">
    <p class="line">{{ say(first) }}</p>
    <p v-for="cause in others" :key="cause.code" class="soft">{{ $t('reason.also', { what: say(cause) }) }}</p>
    <p v-if="who === 'staff' && first.change !== 'none'" class="soft">
      {{ $t('change.' + first.change) }} <template v-if="!first.mine">{{ $t('change.who', { who: givers(first.givers, roleName) }) }}</template>
    </p>
  </div>
</template>

<style scoped>
.reason { border-left: 4px solid var(--spruce); background: var(--mint-pale); padding: 7px 11px; border-radius: 0 4px 4px 0; }
.reason.no { border-color: var(--clay); background: var(--clay-pale); }
.reason.look-only, .reason.upcoming, .reason.waiting, .reason.paused, .reason.draft { border-color: var(--brass); background: var(--brass-pale); }
.line { font-weight: 600; }
p { overflow-wrap: anywhere; }
</style>
