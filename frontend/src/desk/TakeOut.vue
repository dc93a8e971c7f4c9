<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, onMounted, ref, watch } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { lineSentences } from '@/shared/sentences'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import { openSections } from '@/roster/sections'
import { shortCodeOf } from '@/sites/shortCode'
import DockedColumn from '@/ui/DockedColumn.vue'
import Tick from '@/ui/Tick.vue'
import Trouble from '@/ui/Trouble.vue'
import { afterCarrying, takeCarryingBack } from './carrying'

/** Makes a site of its own of a section, or of several together: its name, and what follows for whom. */
const SHOWN = 8
const props = defineProps<{ site: Site; section: { id: string; name: string } }>()
const emit = defineEmits<{ close: [] }>()
const { roleName } = usePlatform()
const also = ref<string[]>([])
const others = computed(() => openSections(props.site).filter(({ id }) => id !== props.section.id))
const sections = computed(() => [props.section.id, ...also.value])
const title = ref(`${props.site.title}, ${props.section.name}`.slice(0, 160))
const code = ref(shortCodeOf(title.value))
watch(title, (now, before) => code.value === shortCodeOf(before) && (code.value = shortCodeOf(now)))
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['site-split', computed(() => props.site.id), sections],
  queryFn: () =>
    take(
      api.POST('/sites/{site}/splits', {
        params: { path: { site: props.site.id } },
        body: { sections: sections.value, title: '', code: '', apply: false },
      }),
    ),
  placeholderData: keepPreviousData,
  retry: false,
})
onMounted(() => document.getElementById('out-title')?.focus())
const left = computed(() =>
  (data.value?.review.lines ?? []).filter(({ verdict }) => !['ready', 'nothing-to-do'].includes(verdict)),
)
const tick = (id: string) =>
  (also.value = also.value.includes(id) ? also.value.filter((each) => each !== id) : [...also.value, id])

const wrong = ref<Record<string, string>>({})
const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail }) => [pointer, detail]))
  if (!errors.length) wentWrong(thrown)
})
const apply = () =>
  run(async () => {
    wrong.value = {}
    const { made, changeList } = await take(
      api.POST('/sites/{site}/splits', {
        params: { path: { site: props.site.id } },
        body: { sections: sections.value, title: title.value, code: code.value, apply: true },
      }),
    )
    emit('close')
    await afterCarrying()
    done(t('sections.out.did', { title: made!.title }), { back: () => takeCarryingBack('site-split', changeList!) })
  })
</script>

<template>
  <DockedColumn class="form" name="merge" :label="t('sections.out.title', section)" closes @close="emit('close')">
    <h2>{{ t('sections.out.title', section) }}</h2>
    <form novalidate @submit.prevent="apply">
      <p class="soft">{{ t('sections.out.more') }}</p>
      <div class="field">
        <label for="out-title">{{ t('sections.out.name') }}</label>
        <InputText id="out-title" v-model="title" size="small" fluid maxlength="200" :invalid="!!wrong['/title']" />
        <span v-if="wrong['/title']" class="clay" role="alert">{{ wrong['/title'] }}</span>
      </div>
      <div class="field">
        <label for="out-code">{{ t('sections.out.code') }}</label>
        <InputText id="out-code" v-model="code" size="small" maxlength="40" :invalid="!!wrong['/code']" />
        <span v-if="wrong['/code']" class="clay" role="alert">{{ wrong['/code'] }}</span>
      </div>
      <div v-if="others.length > 1" class="also">
        <span class="label">{{ t('sections.out.also') }}</span>
        <Tick
          v-for="other in others"
          :key="other.id"
          :model-value="also.includes(other.id)"
          @update:model-value="tick(other.id)"
          >{{ other.name }}</Tick
        >
      </div>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="data">
        <p role="status">
          {{ t('sections.out.who', { n: data.people }, data.people) }}
          <template v-if="data.both"> {{ t('sections.out.both', { n: data.both }, data.both) }}</template>
          <template v-if="data.doors.length">
            {{ t('sections.out.doors', { names: data.doors.join(', ') }, data.doors.length) }}</template
          >
          <template v-if="data.lead"> {{ t('sections.out.lead') }}</template>
        </p>
        <ul v-if="left.length" class="clay">
          <li v-for="line in left.slice(0, SHOWN)" :key="line.key">
            {{ t('sections.merge.cannot', { name: line.person.name }) }}
            {{ lineSentences(line, line.site.timeZone, roleName).join(' ') }}
          </li>
        </ul>
      </template>
      <p v-if="wrong['/sections']" class="clay" role="alert">{{ wrong['/sections'] }}</p>
      <p class="acts">
        <Button
          type="submit"
          size="small"
          :disabled="busy || isFetching || !data?.ready"
          :label="t('sections.out.apply')"
        />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 430px;
}
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 10px;
}
.field,
.also {
  display: grid;
  gap: 3px;
  justify-items: start;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
