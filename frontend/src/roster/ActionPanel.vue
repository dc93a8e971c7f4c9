<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, ref, watch } from 'vue'
import { api, take, type LineRequest, type PersonCard, type Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { fullName, lineSentences, outlookSentence } from '@/shared/sentences'
import { t } from '@/shared/words'
import { useAsked } from './asked'
import AskedFields from './AskedFields.vue'
import ClashMeant from './ClashMeant.vue'
import { isClash, useClashes } from './clashes'

/** Asks what a change needs, and says what would follow from it before it is made. */
const props = defineProps<{
  site: Site
  card: PersonCard
  verb: 'remove' | 'pause' | 'change-dates' | 'block'
  busy: boolean
  wrongDay: string
}>()
const emit = defineEmits<{ act: [request: Omit<LineRequest, 'person'>]; close: []; instead: [verb: 'block'] }>()
const { roleName } = usePlatform()
const { asked, request, complete, note } = useAsked(
  () => props.site,
  () => props.verb,
)
const slowly = refDebounced(request, 200)
/** That the site will have no lead from a day on, said on purpose. */
const meant = ref(false)
const clashes = useClashes()
const onPurpose = computed(() => ({
  ...(meant.value ? { leadEnds: true } : {}),
  ...(clashes.said.value.size ? { clash: true, note: clashes.why.value.trim() } : {}),
}))
watch(request, () => (meant.value = false))
const { data: line, error } = useQuery({
  queryKey: [
    'preview',
    computed(() => props.site.id),
    computed(() => props.card.person.id),
    computed(() => props.card.version),
    slowly,
    onPurpose,
  ],
  enabled: complete,
  queryFn: async () =>
    (
      await take(
        api.POST('/sites/{site}/change-lists', {
          params: { path: { site: props.site.id } },
          body: { apply: false, lines: [{ ...slowly.value, ...onPurpose.value, person: props.card.person.id }] },
        }),
      )
    ).lines[0]!,
  placeholderData: keepPreviousData,
})
const ready = computed(() => complete.value && !error.value && line.value?.verdict === 'ready')
const comesBack = computed(
  () => props.verb === 'remove' && line.value?.cautions.some((note) => note.code === 'comes-back-through'),
)
const asksLead = computed(() => meant.value || line.value?.reasons.some((note) => note.code === 'lead-ends'))
const asksClash = computed(() => (line.value && isClash(line.value) ? [line.value.person] : []))
const go = () => emit('act', { ...request.value, note: note.value, ...onPurpose.value })
</script>

<template>
  <form class="asking" @submit.prevent="go">
    <AskedFields v-model="asked" :site="site" :verb="verb" :wrong="!!error || !!wrongDay" />
    <p v-if="wrongDay || error" class="clay" role="alert">{{ wrongDay || error?.message }}</p>
    <template v-else-if="complete">
      <p v-if="!line" class="soft">{{ t('card.ask.computing') }}</p>
      <template v-else>
        <p v-if="line.verdict === 'ready'" class="follows">
          {{ outlookSentence(line.outlook, site.timeZone, roleName) }}
        </p>
        <p v-for="sentence in lineSentences(line, site.timeZone, roleName)" :key="sentence">{{ sentence }}</p>
        <label v-if="asksLead" class="meant"
          ><Checkbox v-model="meant" binary input-id="lead-ends" /> {{ t('card.leadEnds') }}</label
        >
        <ClashMeant :clashes="clashes" :people="asksClash" />
        <button v-if="comesBack" type="button" class="word" @click="$emit('instead', 'block')">
          {{ t('card.bringsBack') }}
        </button>
      </template>
    </template>
    <p class="actions">
      <Button
        v-if="ready"
        type="submit"
        size="small"
        :severity="verb === 'remove' || verb === 'block' ? 'danger' : undefined"
        :disabled="busy"
        :label="t(`card.ask.sure.${verb}`, { name: fullName(card.person) })"
      />
      <button type="button" class="word" @click="$emit('close')">{{ t('parts.cancel') }}</button>
    </p>
  </form>
</template>

<style scoped>
.asking {
  border-left: 4px solid var(--brass);
  padding: 4px 12px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.meant {
  display: flex;
  gap: 8px;
  align-items: center;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
