<script setup lang="ts">
import { computed, ref } from 'vue'
import { t } from '@/shared/words'
import { whyOf, type OwnPlace, type OwnWishes } from './plans'

/** Where a plan put somebody, why, and how the lot is checked. */
const props = defineProps<{ own: OwnWishes; place: OwnPlace }>()
const nameOf = (id: string | null) => props.own.sections.find((each) => each.id === id)?.name ?? ''
const names = (ids: readonly string[]) => ids.map(nameOf).filter(Boolean)
const told = computed(() =>
  props.place.section ? t('plans.own.place', { name: nameOf(props.place.section) }) : t('plans.own.nowhere'),
)
const open = ref(false)
</script>

<template>
  <div class="told">
    <p>
      <strong>{{ told }}</strong> {{ whyOf(place, names, true) }}
    </p>
    <p>
      <button class="word" :aria-expanded="open" @click="open = !open">{{ t('plans.own.lot') }}</button>
    </p>
    <div v-if="open" class="lot">
      <p>{{ t('plans.own.lotMore') }} {{ t('plans.own.lotHow') }}</p>
      <dl>
        <dt>{{ t('plans.own.seed') }}</dt>
        <dd class="key">{{ place.seed }}</dd>
        <dt>{{ t('plans.own.person') }}</dt>
        <dd class="key">{{ place.person }}</dd>
        <template v-for="lot in place.lots" :key="lot.section">
          <dt>{{ nameOf(lot.section) }}</dt>
          <dd>
            <strong class="nums">{{ $n(lot.lot) }}</strong> <span class="key soft">{{ lot.section }}</span>
          </dd>
        </template>
      </dl>
    </div>
  </div>
</template>

<style scoped>
.told {
  display: grid;
  gap: 8px;
  border-left: 4px solid var(--mint);
  padding: 4px 14px;
}
.lot {
  display: grid;
  gap: 8px;
}
dl {
  margin: 0;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 14px;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.key {
  font-family: var(--mono);
  font-size: 0.88rem;
}
@media (max-width: 520px) {
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
