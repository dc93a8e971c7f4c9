<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import type { Person } from '@/shared/api'
import { listName } from '@/shared/sentences'

/** People of the directory, to be chosen and opened. */
defineProps<{
  people: { person: Person; labels: string[] }[]
  /** Their ids. */
  chosen: Set<string>
}>()
defineEmits<{ pick: [person: string] }>()
</script>

<template>
  <div role="table" :aria-label="$t('people.title')">
    <div
      v-for="each in people"
      :key="each.person.id"
      role="row"
      class="row"
      :class="{ on: chosen.has(each.person.id) }"
      @click="$emit('pick', each.person.id)"
    >
      <span role="cell"
        ><Tick
          :model-value="chosen.has(each.person.id)"
          :label="$t('people.pick', { name: listName(each.person) })"
          @click.stop
          @update:model-value="$emit('pick', each.person.id)"
      /></span>
      <span role="cell" class="name"
        ><RouterLink :to="{ name: 'person', params: { person: each.person.id } }" @click.stop>{{
          listName(each.person)
        }}</RouterLink></span
      >
      <span role="cell"
        >{{ $t('kind.' + each.person.kind)
        }}<template v-if="each.person.level">, {{ $t('level', { n: each.person.level }) }}</template></span
      >
      <span role="cell">{{ each.person.division.name }}</span>
      <span role="cell" class="num">{{ each.person.number }}</span>
      <span role="cell" class="soft">{{ each.labels.join(', ') }}</span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 18px minmax(170px, 1.8fr) minmax(110px, 0.9fr) minmax(120px, 1.1fr) 90px minmax(80px, 1fr);
  gap: 12px;
  align-items: center;
  padding: 4px 10px;
  border-bottom: 1px solid var(--line);
  cursor: default;
}
.row:hover {
  background: var(--hover);
}
.row.on {
  background: var(--brass-pale);
}
.row input {
  margin: 0;
}
.name {
  font-weight: 600;
}
.name a {
  color: inherit;
  text-decoration-color: var(--line);
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 18px 1fr auto;
  }
  .row > :nth-child(n + 4) {
    display: none;
  }
}
</style>
