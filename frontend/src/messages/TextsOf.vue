<script setup lang="ts">
import { optionsIn } from '@/ui/options'
import Textarea from 'primevue/textarea'
import InputText from 'primevue/inputtext'
import PickOne from '@/ui/PickOne.vue'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive, ref, watch } from 'vue'
import { api, Problem, take, type MessageKind } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { me } from '@/shared/me'
import { languageName, ownLocale } from '@/shared/own'
import { queries } from '@/shared/queries'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import FindPerson from '@/people/FindPerson.vue'
import Trouble from '@/ui/Trouble.vue'
import PreviewOf from './PreviewOf.vue'

/**
 * In which words messages go out: of a site, a division or the platform, each with the nearest ones until it has its
 * own.
 */
const props = defineProps<{ site: string | null }>()
const { platform } = usePlatform()
/** "platform", or the code of a division. */
const scope = ref('')
const mine = computed(() => [
  ...(me.value?.platformAdministrator ? ['platform'] : []),
  ...(platform.value?.divisions ?? [])
    .filter((each) => me.value?.platformAdministrator || me.value?.divisions.includes(each.code))
    .map((each) => each.code),
])
watch(mine, (mine) => (scope.value ||= mine[0] ?? ''), { immediate: true })
const where = computed(() =>
  props.site ? { site: props.site } : scope.value && scope.value !== 'platform' ? { division: scope.value } : {},
)
/** Empty for that of whoever looks. */
const language = ref('')
const asked = computed(() => ({ ...where.value, language: language.value || ownLocale }))
const { data, error, refetch } = useQuery({
  queryKey: ['templates', asked],
  enabled: computed(() => !!props.site || scope.value !== ''),
  queryFn: () => take(api.GET('/templates', { params: { query: asked.value } })),
  retry: false,
})
const kind = ref<MessageKind | ''>('')
const item = computed(() => data.value?.items.find((each) => each.kind === kind.value) ?? data.value?.items[0])
const draft = reactive({ subject: '', body: '' })
const wrong = ref<{ subject?: string; body?: string }>({})
watch(
  item,
  (item) => {
    Object.assign(draft, { subject: item?.subject ?? '', body: item?.body ?? '' })
    wrong.value = {}
  },
  { immediate: true },
)
const changed = computed(() => !!item.value && (draft.subject !== item.value.subject || draft.body !== item.value.body))
const nameOf = (code: string) =>
  code === 'platform' ? t('texts.platform') : (platform.value?.divisions.find((one) => one.code === code)?.name ?? code)
const box = ref<{ $el: HTMLTextAreaElement }>()
/** Puts a name in where one writes. */
function put(name: string) {
  const area = box.value?.$el
  const at = area?.selectionStart ?? draft.body.length
  draft.body = draft.body.slice(0, at) + `{${name}}` + draft.body.slice(area?.selectionEnd ?? at)
  area?.focus()
}
const { busy, run } = useBusy()
const path = computed(() => ({ path: { kind: item.value!.kind } }))
const save = () =>
  run(async () => {
    wrong.value = {}
    try {
      await take(
        api.PUT('/templates/{kind}', {
          params: path.value,
          body: { ...asked.value, ...draft, version: item.value!.own ? item.value!.version : 0 },
        }),
      )
      done(t('texts.did'))
      await queries.invalidateQueries({ queryKey: ['templates'] })
    } catch (thrown) {
      if (!(thrown instanceof Problem) || thrown.kind !== 'invalid') throw thrown
      wrong.value = { subject: thrown.field('subject'), body: thrown.field('body') }
    }
  })
const forget = () =>
  run(async () => {
    await take(api.DELETE('/templates/{kind}', { params: { ...path.value, query: asked.value } }))
    done(t('texts.forgotten'))
    await queries.invalidateQueries({ queryKey: ['templates'] })
  })
/** Whose copy is looked at; one's own where nobody is named. */
const whose = ref('')
const division = computed(() => (props.site || scope.value === 'platform' ? null : scope.value))
</script>

<template>
  <p v-if="!site && !mine.length" class="soft">{{ t('texts.notYours') }}</p>
  <template v-else>
    <p class="which">
      <PickOne v-if="!site" v-model="scope" shown :label="t('texts.of')" :options="optionsIn(mine, nameOf)" />
      <PickOne
        v-if="data && data.languages.length > 1"
        :model-value="data.language"
        shown
        :label="t('texts.language')"
        :options="optionsIn(data.languages, languageName)"
        @update:model-value="language = $event ?? ''"
      />
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <div v-else-if="data && item" class="both">
      <nav :aria-label="t('texts.kinds')">
        <button
          v-for="each in data.items"
          :key="each.kind"
          class="word"
          :aria-pressed="each.kind === item.kind"
          @click="kind = each.kind"
        >
          {{ t(`messages.kind.${each.kind}`) }}<span v-if="each.own" class="soft"> · {{ t('texts.own') }}</span>
        </button>
      </nav>
      <form @submit.prevent="save">
        <p class="soft">{{ t(`messages.whose.${item.whose}`) }}</p>
        <div class="field">
          <label for="subject">{{ t('texts.subject') }}</label><InputText
            id="subject"
            v-model="draft.subject"
            size="small"
            maxlength="400"
            :aria-invalid="!!wrong.subject"
          /><span v-if="wrong.subject" class="wrong" role="alert">{{ wrong.subject }}</span>
        </div>
        <div class="field">
          <label for="body">{{ t('texts.body') }}</label><Textarea
            id="body"
            ref="box"
            v-model="draft.body"
            rows="11"
            :aria-invalid="!!wrong.body"
          /><span v-if="wrong.body" class="wrong" role="alert">{{ wrong.body }}</span>
        </div>
        <p class="names">
          {{ t('texts.names') }}
          <button
            v-for="name in item.placeholders"
            :key="name"
            type="button"
            class="word num"
            :title="t(`texts.name.${name}`)"
            @click="put(name)"
          >
            {{ '{' + name + '}' }}
          </button>
        </p>
        <p class="soft">{{ t('texts.brackets') }} {{ item.needsLink ? t('texts.linkStays') : '' }}</p>
        <p class="acts">
          <Button type="submit" size="small" :disabled="busy || !changed" :label="t('texts.save')" /><button
            v-if="item.own"
            type="button"
            class="word"
            :disabled="busy"
            @click="forget"
          >
            {{ t('texts.forget') }}</button
          ><button
            v-if="changed"
            type="button"
            class="word"
            @click="Object.assign(draft, { subject: item.subject, body: item.body })"
          >
            {{ t('texts.drop') }}
          </button>
        </p>
      </form>
      <section :aria-label="t('texts.preview')">
        <h2>{{ t('texts.preview') }}</h2>
        <FindPerson :person="whose" name="" :label="t('texts.whose')" bare @pick="whose = $event ?? ''" /><PreviewOf
          :kind="item.kind"
          :person="whose || null"
          :site="site"
          :division="division"
          :subject="draft.subject"
          :body="draft.body"
          :language="data.language"
          :words="item.placeholders.includes('words') ? t('texts.example') : ''"
        />
      </section>
    </div>
  </template>
</template>

<style scoped>
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
}
.both {
  display: grid;
  grid-template-columns: 190px minmax(320px, 1fr) minmax(320px, 1fr);
  gap: 24px;
  align-items: start;
}
nav {
  display: grid;
  gap: 6px;
  justify-items: start;
}
form,
section {
  display: grid;
  gap: 10px;
}
textarea,
#subject {
  width: 100%;
}
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
@media (max-width: 1000px) {
  .which {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 24px;
  }
  .both {
    grid-template-columns: 1fr;
  }
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 16px;
  }
}
</style>
