<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CohortPair } from '@/shared/api'
import { t } from '@/shared/words'
import { whySentence } from './links'

/** What becomes of one site by one cohort: how many, and who, those first for whom something stands in the way. */
const props = defineProps<{ pair: CohortPair; named?: boolean }>()
const again = defineModel<string[]>('again', { default: () => [] })
const ALL = ['come', 'later', 'here', 'waits', 'removed', 'blocked', 'refused', 'goes', 'stays'] as const
const counts = computed(() =>
  ALL.filter((what) => props.pair.counts[what]).map((what) => ({ what, n: props.pair.counts[what] })),
)
const open = ref(false)
const IN_THE_WAY = ['removed', 'blocked', 'refused', 'waits', 'goes']
const people = computed(() =>
  props.pair.people.filter(({ what, clash }) => open.value || IN_THE_WAY.includes(what) || clash).slice(0, 60),
)
const pick = (id: string) =>
  (again.value = again.value.includes(id) ? again.value.filter((each) => each !== id) : [...again.value, id])
</script>

<template>
  <div class="says" role="status">
    <p v-if="named">
      <strong>{{ t('cohorts.pair.of', { name: pair.cohort.name, site: pair.site.name }) }}</strong>
    </p>
    <p v-if="counts.length" class="counts">
      <span
        v-for="{ what, n } in counts"
        :key="what"
        :class="{ brass: IN_THE_WAY.includes(what) && what !== 'goes' }"
        >{{ t(`cohorts.pair.${what}`, { n: $n(n) }, n) }}</span
      >
    </p>
    <p v-else class="soft">{{ t('cohorts.pair.nobody') }}</p>
    <p v-if="pair.seats !== null" :class="{ clay: pair.held > pair.seats }">
      {{ t('cohorts.pair.seats', { held: $n(pair.held), seats: $n(pair.seats) }) }}
    </p>
    <p v-if="pair.left" class="soft">{{ t('cohorts.pair.left', { n: $n(pair.left) }, pair.left) }}</p>
    <ul v-if="people.length">
      <li v-for="each in people" :key="each.id">
        {{ each.name }}
        <span class="soft"
          >{{ t(`cohorts.pair.is.${each.what}`)
          }}<template v-if="each.why && each.what !== 'removed'">: {{ whySentence(each.why) }}</template
          ><template v-if="each.clash">, {{ t('cohorts.pair.clash') }}</template></span
        >
        <button
          v-if="each.what === 'removed' && named"
          type="button"
          class="word"
          :aria-pressed="again.includes(each.id)"
          @click="pick(each.id)"
        >
          {{ t(again.includes(each.id) ? 'cohorts.pair.notAgain' : 'cohorts.pair.again') }}
        </button>
      </li>
    </ul>
    <button
      v-if="pair.people.length > people.length || open"
      type="button"
      class="word"
      :aria-expanded="open"
      @click="open = !open"
    >
      {{ t(open ? 'cohorts.pair.fewer' : 'cohorts.pair.everybody') }}
    </button>
  </div>
</template>

<style scoped>
.says {
  display: grid;
  gap: 4px;
  justify-items: start;
}
p {
  margin: 0;
}
.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
