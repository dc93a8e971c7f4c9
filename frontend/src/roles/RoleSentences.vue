<script setup lang="ts">
import { computed } from 'vue'
import type { RoleRules } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { inSentence, t } from '@/shared/words'
import { kindWords, listed, maySentences, mayWords } from './rules'

/** A role, read as sentences. */
const props = defineProps<{ role: RoleRules; roleName: (code: string) => string }>()
const { platform } = usePlatform()
const division = (code: string) => platform.value?.divisions.find((each) => each.code === code)?.name ?? code
const facts = computed(() => {
  const { role } = props
  return [
    t('rules.forWhom', { kinds: kindWords(role.for) }),
    ...(role.learnersOf ? [t('rules.forLevels', { lowest: role.learnersOf[0], highest: role.learnersOf[1] })] : []),
    ...(role.suggestFor.length ? [t('rules.suggested', { kinds: kindWords(role.suggestFor) })] : []),
    ...(role.lead ? [t('rules.lead')] : []),
    ...(role.takesSeat ? [t('rules.seat')] : []),
    ...(role.listed ? [] : [t('rules.unlisted')]),
    t('rules.givenBy', {
      whom: listed([...role.givenBy.map((code) => inSentence(props.roleName(code))), t('change.administrator')]),
    }),
    t('rules.stands', { standard: role.standard }),
  ].join(' ')
})
const bands = computed(() =>
  props.role.bands.map((band) =>
    t('rules.band', {
      name: band.name,
      what: mayWords(band.permissions),
      whom: listed(
        band.divisions.map((code) =>
          band.levels
            ? t('rules.bandLevels', { division: division(code), lowest: band.levels[0], highest: band.levels[1] })
            : division(code),
        ),
      ),
    }),
  ),
)
</script>

<template>
  <h2>{{ role.name }}</h2>
  <p v-for="sentence in maySentences(role.permissions)" :key="sentence">{{ sentence }}</p>
  <p v-for="band in bands" :key="band" class="band">{{ band }}</p>
  <p v-if="role.caution" class="brass">{{ t('rules.caution', { text: role.caution }) }}</p>
  <p class="soft">{{ facts }}</p>
</template>

<style scoped>
.band {
  padding-left: 14px;
  border-left: 3px solid var(--line);
}
p {
  margin-top: 3px;
}
</style>
