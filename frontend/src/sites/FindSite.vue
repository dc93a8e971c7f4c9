<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { api, take } from '@/shared/api'
import { me } from '@/shared/me'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import PickList from '@/ui/PickList.vue'

/** Finds one of the sites one has to do with. */
defineProps<{ site: string; title: string }>()
const emit = defineEmits<{ pick: [site: string | undefined] }>()
const typed = ref('')
const q = refDebounced(typed, 130)
const scopes = computed(() =>
  me.value?.platformAdministrator || me.value?.divisions.length ? (['all', 'run'] as const) : (['run', 'in'] as const),
)
const { data: found } = useQuery({
  queryKey: ['sites', 'picker', q, scopes],
  queryFn: async () => {
    const pages = await Promise.all(
      scopes.value.map((scope) =>
        take(api.GET('/sites', { params: { query: { scope, q: q.value.trim() || undefined, limit: 8 } } })),
      ),
    )
    return [...new Map(pages.flatMap((page) => page.items).map((each) => [each.id, each])).values()].slice(0, 8)
  },
  placeholderData: keepPreviousData,
})
const picked = ref('')

function pick(id: string) {
  picked.value = found.value?.find((each) => each.id === id)?.title ?? ''
  typed.value = ''
  emit('pick', id)
}
</script>

<template>
  <div class="field">
    <template v-if="site">
      <span class="label">{{ $t('accessCheck.where') }}</span>
      <p>
        <strong>{{ title || picked }}</strong>
        {{ ' ' }}<button class="word" @click="$emit('pick', undefined)">{{ $t('accessCheck.elsewhere') }}</button>
      </p>
    </template>
    <PickList v-else :items="found?.map((each) => each.id) ?? []" @pick="pick">
      <label for="find-site">{{ $t('accessCheck.where') }}</label>
      <InputText
        id="find-site"
        v-model="typed"
        data-stop
        autocomplete="off"
        spellcheck="false"
        maxlength="200"
        :placeholder="$t('accessCheck.whereHint')"
        fluid
      />
      <template #item="{ id }">
        <template v-for="each in found?.filter((item) => item.id === id)" :key="each.id"
          ><DoorGlyph :state="each.state" /> {{ each.title }} <span class="num soft">{{ each.code }}</span></template
        >
      </template>
      <template #empty
        ><p v-if="found && !found.length" class="soft">{{ $t('accessCheck.nowhere') }}</p></template
      >
    </PickList>
  </div>
</template>
