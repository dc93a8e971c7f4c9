<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { ref, useTemplateRef } from 'vue'
import { api, take } from '@/shared/api'
import { fullName } from '@/shared/sentences'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import FindBox from '@/ui/FindBox.vue'

const { levelName } = useLevels()

type Found = Awaited<ReturnType<typeof ask>>['items'][number]
const ask = (q: string, label: string) => take(api.GET('/people', { params: { query: { q, label } } }))

/** Finds one person of one's reach, by whatever of theirs is typed, and by label. */
defineProps<{ person: string; name: string; label?: string; bare?: boolean }>()
const emit = defineEmits<{ pick: [person: string | undefined] }>()
const marking = ref('')
const box = useTemplateRef<{ again: () => void }>('box')
watchDebounced(marking, () => box.value?.again(), { debounce: 200 })
const picked = ref('')

async function find(q: string): Promise<Found[]> {
  if (q.length < 2 && !marking.value.trim()) return []
  return (await ask(q, marking.value.trim())).items
}

function pick(found: Found) {
  picked.value = fullName(found.person)
  marking.value = ''
  emit('pick', found.person.id)
}
</script>

<template>
  <div class="field">
    <template v-if="person">
      <span class="label">{{ label ?? t('accessCheck.who') }}</span>
      <p>
        <strong>{{ name || picked }}</strong>
        {{ ' ' }}<button class="word" @click="$emit('pick', undefined)">{{ t('accessCheck.another') }}</button>
      </p>
    </template>
    <FindBox
      v-else
      ref="box"
      :label="label ?? t('accessCheck.who')"
      :placeholder="t('accessCheck.whoHint')"
      :find="find"
      :called="(each) => fullName(each.person)"
      :none="t('accessCheck.nobody')"
      @pick="pick"
    >
      <template #default="{ found }">
        <strong>{{ fullName(found.person) }}</strong>
        <span
          >{{ kindName(found.person)
          }}<template v-if="found.person.level"
            >, {{ levelName(found.person.level, found.person.division.code) }}</template
          >
          · {{ found.person.division.name }}</span
        >
        <span v-if="found.person.number" class="num">{{ found.person.number }}</span>
        <span v-if="found.labels.length" class="soft">{{ found.labels.join(', ') }}</span>
      </template>
      <template v-if="!bare" #beside>
        <InputText
          v-model="marking"
          size="small"
          maxlength="40"
          :placeholder="t('accessCheck.label')"
          :aria-label="t('accessCheck.label')"
        />
      </template>
    </FindBox>
  </div>
</template>
