<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { api, take } from '@/shared/api'
import { fullName } from '@/shared/sentences'
import PickList from '@/ui/PickList.vue'

/** Finds one person of one's reach, by whatever of theirs is typed, and by label. */
const props = defineProps<{ person: string; name: string; label?: string; bare?: boolean }>()
const emit = defineEmits<{ pick: [person: string | undefined] }>()
const typed = ref('')
const marking = ref('')
const q = refDebounced(typed, 130)
const marked = refDebounced(marking, 200)
const { data: found } = useQuery({
  queryKey: ['people', q, marked],
  enabled: computed(() => q.value.trim().length > 1 || marked.value.trim() !== ''),
  queryFn: () => take(api.GET('/people', { params: { query: { q: q.value.trim(), label: marked.value.trim() } } })),
  placeholderData: keepPreviousData,
})
const asked = computed(() => q.value.trim().length > 1 || marked.value.trim() !== '')
const picked = ref('')

function pick(id: string) {
  const each = found.value?.items.find((item) => item.person.id === id)
  if (!each) return
  picked.value = fullName(each.person)
  typed.value = marking.value = ''
  emit('pick', id)
}
</script>

<template>
  <div class="field">
    <template v-if="person">
      <span class="label">{{ label ?? $t('accessCheck.who') }}</span>
      <p>
        <strong>{{ name || picked }}</strong>
        {{ ' ' }}<button class="word" @click="$emit('pick', undefined)">{{ $t('accessCheck.another') }}</button>
      </p>
    </template>
    <PickList v-else :items="asked ? (found?.items ?? []).map((each) => each.person.id) : []" @pick="pick">
      <label for="find-person">{{ props.label ?? $t('accessCheck.who') }}</label>
      <InputText
        id="find-person"
        v-model="typed"
        data-stop
        autocomplete="off"
        spellcheck="false"
        maxlength="200"
        :placeholder="$t('accessCheck.whoHint')"
        fluid
      />
      <input
        v-if="!bare"
        v-model="marking"
        class="plain small"
        maxlength="40"
        :placeholder="$t('accessCheck.label')"
        :aria-label="$t('accessCheck.label')"
      />
      <template #item="{ id }">
        <template v-for="each in found?.items.filter((item) => item.person.id === id)" :key="each.person.id">
          <strong>{{ fullName(each.person) }}</strong>
          <span
            >{{ $t('kind.' + each.person.kind)
            }}<template v-if="each.person.level">, {{ $t('level', { n: each.person.level }) }}</template> ·
            {{ each.person.division.name }}</span
          >
          <span v-if="each.person.number" class="num">{{ each.person.number }}</span>
          <span v-if="each.labels.length" class="soft">{{ each.labels.join(', ') }}</span>
        </template>
      </template>
      <template #empty
        ><p v-if="asked && found && !found.items.length" class="soft">{{ $t('accessCheck.nobody') }}</p></template
      >
    </PickList>
  </div>
</template>

<style scoped>
.small {
  margin-top: 4px;
}
</style>
