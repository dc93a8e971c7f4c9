<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { seenAs } from '@/shared/seenAs'
import type { Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { inSentence, t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import ReasonLine from '@/ui/ReasonLine.vue'
import HelpWord from '@/ui/HelpWord.vue'
import { useSplits } from '@/shared/splits'
import { useSeeAs } from './seeAs'

/** Inside the door frame: through whose eyes one looks, in one sentence; or the choice of whose. */
const props = defineProps<{ site: Site }>()
const choosing = defineModel<boolean>('choosing', { required: true })
const { platform } = usePlatform()
const { seeAs, back } = useSeeAs(() => props.site.id)
const mine = computed(() => platform.value?.roles.find((role) => role.code === props.site.standing?.role)?.rank ?? 0)
const roles = computed(
  () => platform.value?.roles.filter((role) => props.site.administrator || role.rank <= mine.value) ?? [],
)
const kind = computed(() => seenAs.value?.as.split(':')[0])
const route = useRoute()
const picked = ref('')
const { data: splits } = useSplits(
  () => props.site,
  () => choosing.value,
)
const groups = computed(() =>
  (props.site.seesAll ? (splits.value ?? []) : [])
    .filter(({ awayAt }) => !awayAt)
    .flatMap(({ name: split, names }) => names.map((group) => ({ ...group, split }))),
)
const NAMED = { role: 'seeAs.isRole', section: 'seeAs.isSection', group: 'seeAs.isGroup' } as const
const named = computed(() => (kind.value && kind.value in NAMED ? NAMED[kind.value as keyof typeof NAMED] : 'seeAs.is'))
const choices = computed(() => [
  ...roles.value.map(({ code, name }) => ({
    value: 'role:' + code,
    label: t('seeAs.one', { name: inSentence(name) }),
    group: t('seeAs.role'),
  })),
  ...props.site.sections.map(({ id, name }) => ({
    value: 'section:' + id,
    label: t('seeAs.one', { name }),
    group: t('seeAs.section'),
  })),
  ...groups.value.map(({ id, name, split }) => ({
    value: 'group:' + id,
    label: t('seeAs.one', { name }),
    group: split,
  })),
])

async function go() {
  if (!picked.value) return
  choosing.value = false
  await seeAs(picked.value)
}
</script>

<template>
  <div v-if="site.seenAs" class="seen" role="status">
    <strong
      ><HelpWord term="see-as">{{
        t(named, {
          name: kind === 'role' ? inSentence(site.seenAs.name) : site.seenAs.name,
        })
      }}</HelpWord></strong
    >
    {{ t('seeAs.only') }}
    <button class="word" @click="back">{{ t('seeAs.back') }}</button>
    <ReasonLine
      v-if="kind === 'person' && site.seenAs.reason.entry !== 'enter' && route.name !== 'seen'"
      :reason="site.seenAs.reason"
      :zone="site.timeZone"
      who="you"
    />
  </div>
  <form v-else-if="choosing" class="seen" @submit.prevent="go" @keydown.esc="choosing = false">
    <PickOne v-model="picked" shown :label="t('seeAs.title')" :options="choices" />
    <button class="word" :disabled="!picked">{{ t('seeAs.start') }}</button>
    <button type="button" class="word" @click="choosing = false">{{ t('parts.cancel') }}</button>
  </form>
</template>

<style scoped>
.seen {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  border-top: 1px dashed var(--brass);
  padding: 5px 0;
}
.seen .reason {
  width: 100%;
}
</style>
