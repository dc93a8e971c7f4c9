<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, onMounted, ref } from 'vue'
import { api, take, type RosterRow, type Site } from '@/shared/api'
import { listName } from '@/shared/sentences'
import { t } from '@/shared/words'
import { keyed, whoOf } from '@/intake/pasted'
import DockedColumn from '@/ui/DockedColumn.vue'
import Trouble from '@/ui/Trouble.vue'

/** A list of names or numbers, of which those who are here are put into a section; who else is meant is said. */
const props = defineProps<{ site: Site; section: { id: string; name: string }; rows: RosterRow[] }>()
const emit = defineEmits<{ close: []; take: [people: string[]] }>()
const text = ref('')
onMounted(() => document.getElementById('section-list')?.focus())
const asked = refDebounced(
  computed(() => text.value.trim()),
  300,
)
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['intake', 'section', computed(() => props.site.id), asked],
  enabled: computed(() => asked.value !== ''),
  queryFn: () =>
    take(
      api.POST('/sites/{site}/intake', {
        params: { path: { site: props.site.id } },
        body: { text: asked.value, role: null },
      }),
    ),
})
const items = computed(() => (text.value.trim() ? keyed(data.value?.items ?? []) : []))
const byId = computed(() => new Map(props.rows.map((row) => [row.person.id, row])))
/** Of several whom a line may mean, the one who is here. */
const meant = computed(() =>
  items.value.map((item) => {
    const here = item.candidates.filter(({ person }) => byId.value.has(person.id))
    const who = whoOf(item)?.person.id ?? (here.length === 1 ? here[0]!.person.id : undefined)
    return { item, row: who ? byId.value.get(who) : undefined }
  }),
)
const found = computed(() => [
  ...new Map(meant.value.flatMap(({ row }) => (row ? [[row.person.id, row]] : []))).values(),
])
const others = computed(() => meant.value.filter(({ row, item }) => !row && item.outcome !== 'no-person'))
</script>

<template>
  <DockedColumn
    class="form"
    name="sections"
    :label="t('sections.list.title', { name: section.name })"
    closes
    @close="emit('close')"
  >
    <h2>{{ t('sections.list.title', { name: section.name }) }}</h2>
    <form
      @submit.prevent="
        emit(
          'take',
          found.map(({ person }) => person.id),
        )
      "
    >
      <label for="section-list">{{ t('sections.list.label') }}</label>
      <Textarea id="section-list" v-model="text" rows="8" fluid maxlength="100000" />
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="text.trim()">
        <p role="status">
          <template v-if="isFetching || asked !== text.trim()">{{ t('card.ask.computing') }}</template>
          <template v-else>{{ t('sections.list.found', { n: found.length }, found.length) }}</template>
        </p>
        <ul v-if="found.length">
          <li v-for="row in found" :key="row.person.id">{{ listName(row.person) }}</li>
        </ul>
        <template v-if="others.length">
          <p class="brass">{{ t('sections.list.others', { n: others.length }, others.length) }}</p>
          <ul class="soft">
            <li v-for="{ item } in others" :key="item.key">{{ item.text }}</li>
          </ul>
          <p class="small soft">{{ t('sections.list.letIn') }}</p>
        </template>
        <Button
          type="submit"
          size="small"
          :disabled="!found.length || isFetching"
          :label="t('sections.list.take', { n: found.length, name: section.name }, found.length)"
        />
      </template>
    </form>
  </DockedColumn>
</template>

<style scoped>
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.small {
  font-size: 0.9rem;
}
</style>
