<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { ref, watch } from 'vue'
import type { RosterCounts, Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import KeptViews from './KeptViews.vue'
import FurtherWords from './FurtherWords.vue'
import { FURTHER, STATES, type RosterView } from './roster'

/** How many are here, and the sentence that says whom the roster shows; each of its words is changed in its place. */
const props = defineProps<{
  site: Site
  counts: RosterCounts | undefined
  view: RosterView
  filtered: boolean
  any: boolean
  may: (permission: Site['may'][number]) => boolean
}>()
const emit = defineEmits<{ look: [change: Record<string, string>] }>()
const away = defineModel<boolean>('away', { required: true })
const { platform } = usePlatform()
const typed = ref(props.view.q)
const words = refDebounced(typed, 150)
watch(words, (q) => emit('look', { q: q.trim() }))
watch(
  () => props.view.q,
  (q) => q !== words.value.trim() && (typed.value = q),
)

function clear() {
  typed.value = ''
  emit('look', { q: '', role: '', state: 'here', ...Object.fromEntries(FURTHER.map((name) => [name, ''])) })
}
</script>

<template>
  <div class="filters no-print">
    <span v-if="counts" class="nums counts" role="status">
      {{ $t('roster.count.learners', { n: $n(counts.learners) }, counts.learners) }},
      {{ $t('roster.count.staff', { n: $n(counts.staff) }, counts.staff)
      }}<template v-if="counts.others"
        >, {{ $t('roster.count.others', { n: $n(counts.others) }, counts.others) }}</template
      ><template v-if="counts.unlisted"
        >, {{ $t('roster.count.unlisted', { n: $n(counts.unlisted) }, counts.unlisted) }}:
        <button class="word" @click="emit('look', { unlisted: view.unlisted === '1' ? '0' : '1' })">
          {{ $t(view.unlisted === '1' ? 'roster.hide' : 'roster.show') }}
        </button></template
      >
    </span>
    <span class="sentence">
      <select
        class="plain"
        :aria-label="$t('sites.filterBy.state')"
        :value="view.state"
        @change="emit('look', { state: ($event.target as HTMLSelectElement).value })"
      >
        <option v-for="state in may('see-unlisted') ? STATES : (['here'] as const)" :key="state" :value="state">
          {{ $t('roster.inState') }} {{ $t('roster.states.' + state) }}
        </option>
      </select>
      <select
        class="plain"
        :aria-label="$t('roster.col.role')"
        :value="view.role"
        @change="emit('look', { role: ($event.target as HTMLSelectElement).value })"
      >
        <option value="">{{ $t('roster.every') }}</option>
        <option v-for="role in platform?.roles" :key="role.code" :value="role.code">
          {{ $t('roster.only', { role: role.name.toLowerCase() }) }}
        </option>
      </select>
      <FurtherWords :site="site" :view="view" :helps="may('see-unlisted')" @look="emit('look', $event)" />
      <InputText
        v-model="typed"
        size="small"
        :placeholder="$t('roster.find')"
        :aria-label="$t('roster.find')"
        maxlength="200"
      />
      <KeptViews v-if="may('see-unlisted') && !site.seenAs" :site="site" :filtered="filtered" />
      <button v-if="filtered" class="word" @click="clear">{{ $t('roster.clear') }}</button>
      <span v-if="counts && filtered" class="soft nums">{{
        $t('roster.shown', { n: $n(counts.shown) }, counts.shown)
      }}</span>
    </span>
    <label v-if="may('see-unlisted')" class="day"
      >{{ $t('roster.on') }}
      <input type="date" :value="view.asOf" @change="emit('look', { asOf: ($event.target as HTMLInputElement).value })"
    /></label>
    <button v-if="any" class="word away" :aria-expanded="away" @click="away = !away">{{ $t('export.open') }}</button>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 7px 2px;
}
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.sentence .p-inputtext {
  width: 172px;
}
.sentence select {
  padding: 3px 4px;
  max-width: 150px;
}
.away {
  margin-left: auto;
}
.day {
  white-space: nowrap;
}
.day input {
  padding: 2px 4px;
  width: 138px;
}
.counts {
  font-weight: 600;
}
</style>
