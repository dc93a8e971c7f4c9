<script setup lang="ts">
import { optionsOf } from '@/ui/options'
import InputText from 'primevue/inputtext'
import PickOne from '@/ui/PickOne.vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Problem, take, type Site } from '@/shared/api'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'

/** Views of this roster one keeps under names of one's own; the view itself is the address. */
const props = defineProps<{ site: Site; filtered: boolean }>()
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const asking = ref(false)
const name = ref('')
const wrong = ref('')
const key = computed(() => ['views', props.site.id])
const { data: kept } = useQuery({
  queryKey: key,
  queryFn: () => take(api.GET('/sites/{site}/views', { params: { path: { site: props.site.id } } })),
})

/** The query part of the address without what is not of the roster's view. */
const view = computed(() => {
  const { person: _person, ...query } = route.query
  return new URLSearchParams(
    Object.entries(query)
      .flatMap(([field, value]) => (typeof value === 'string' && value ? [[field, value]] : []))
      .sort(),
  ).toString()
})
const present = computed(() => kept.value?.items.find((each) => each.view === view.value))

function open(id: string | undefined) {
  const found = kept.value?.items.find((each) => each.id === id)
  if (found) void router.push({ query: Object.fromEntries(new URLSearchParams(found.view)) })
}

async function keep() {
  wrong.value = ''
  try {
    client.setQueryData(
      key.value,
      await take(
        api.PUT('/sites/{site}/views', {
          params: { path: { site: props.site.id } },
          body: { name: name.value, view: view.value },
        }),
      ),
    )
    done(t('views.kept', { name: name.value.trim() }))
    asking.value = false
    name.value = ''
  } catch (error) {
    wrong.value = (error instanceof Problem && (error.field('name') ?? error.field('view'))) || ''
    if (!wrong.value) wentWrong(error)
  }
}

async function forget() {
  const found = present.value
  if (!found) return
  try {
    client.setQueryData(
      key.value,
      await take(
        api.DELETE('/sites/{site}/views/{view}', { params: { path: { site: props.site.id, view: found.id } } }),
      ),
    )
    done(t('views.forgotten', { name: found.name }))
  } catch (error) {
    wentWrong(error)
  }
}
</script>

<template>
  <PickOne
    v-if="kept?.items.length"
    class="kept"
    :label="t('views.title')"
    :placeholder="t('views.none')"
    :model-value="present?.id"
    :options="optionsOf(kept.items, 'id')"
    @update:model-value="open"
  />
  <form v-if="asking" class="asking" @submit.prevent="keep" @keydown.esc="asking = false">
    <InputText
      v-model="name"
      size="small"
      maxlength="60"
      :placeholder="t('views.name')"
      :aria-label="t('views.name')"
      autofocus
    />
    <button class="word" :disabled="!name.trim()">{{ t('views.save') }}</button>
    <button type="button" class="word" @click="asking = false">{{ t('parts.cancel') }}</button>
    <span v-if="wrong" class="clay" role="alert">{{ wrong }}</span>
  </form>
  <button v-else-if="present" class="word" @click="forget">{{ t('views.forget', { name: present.name }) }}</button>
  <button v-else-if="filtered" class="word" @click="asking = true">{{ t('views.keep') }}</button>
</template>

<style scoped>
.kept {
  max-width: 170px;
}
.asking {
  display: flex;
  gap: 8px;
  align-items: center;
}
.asking input {
  width: 150px;
}
</style>
