<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { Problem, type PersonDetail } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { detailWords } from '@/shared/details'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'

/** What is kept of somebody under details of the platform: read, and changed where one may. */
const props = defineProps<{
  details: PersonDetail[]
  /** Keeps values by code; answers the details as they are then. */
  put: (values: Record<string, string>) => Promise<unknown>
  /** What is said when they are kept. */
  did: string
}>()
const open = ref(false)
const draft = reactive<Record<string, string>>({})
const wrong = ref<Record<string, string>>({})
const { busy, run } = useBusy()
const mine = computed(() => props.details.filter(({ mayChange }) => mayChange))
const shown = computed(() => props.details.filter(({ value, mayChange }) => value || (open.value && !mayChange)))
const kept = () => Object.fromEntries(mine.value.map(({ code, value }) => [code, value]))

function begin() {
  Object.assign(draft, kept())
  wrong.value = {}
  open.value = true
}
const save = () =>
  run(async () => {
    const before = kept()
    const changed = Object.fromEntries(Object.entries(draft).filter(([code, value]) => value !== (before[code] ?? '')))
    wrong.value = {}
    if (!Object.keys(changed).length) return void (open.value = false)
    try {
      await props.put(changed)
      open.value = false
      const back = Object.fromEntries(Object.keys(changed).map((code) => [code, before[code] ?? '']))
      done(props.did, {
        back: async () => {
          await props.put(back)
          return ''
        },
      })
    } catch (thrown) {
      if (!(thrown instanceof Problem) || thrown.kind !== 'invalid') throw thrown
      wrong.value = Object.fromEntries(Object.keys(changed).map((code) => [code, thrown.field(`values/${code}`) ?? '']))
      if (Object.values(wrong.value).every((each) => !each)) throw thrown
    }
  })
</script>

<template>
  <div class="details">
    <dl v-if="!open && shown.length">
      <div v-for="each in shown" :key="each.code">
        <dt>{{ each.name }}</dt>
        <dd>{{ detailWords(each, each.value) }}</dd>
      </div>
    </dl>
    <p v-else-if="!open" class="soft">{{ t('details.none') }}</p>
    <p v-if="!open && mine.length">
      <button class="word" @click="begin">{{ t('details.change') }}</button>
    </p>
    <form v-if="open" :aria-label="t('details.title')" @submit.prevent="save">
      <div v-for="each in details" :key="each.code" class="field">
        <template v-if="each.mayChange">
          <PickOne
            v-if="each.type === 'choice'"
            v-model="draft[each.code]"
            stacked
            fluid
            :label="each.name"
            :options="[
              { value: '', label: t('details.empty') },
              ...each.choices.map((choice) => ({ value: choice, label: choice })),
            ]"
          />
          <template v-else>
            <label :for="'detail-' + each.code">{{ each.name }}</label>
            <DayField
              v-if="each.type === 'date'"
              :id="'detail-' + each.code"
              v-model="draft[each.code]"
              :label="each.name"
              :invalid="!!wrong[each.code]"
            />
            <InputText
              v-else
              :id="'detail-' + each.code"
              v-model="draft[each.code]"
              size="small"
              :maxlength="each.type === 'number' ? 20 : 120"
              :inputmode="each.type === 'number' ? 'decimal' : undefined"
              :aria-invalid="!!wrong[each.code]"
              autocomplete="off"
              fluid
            />
          </template>
          <span v-if="wrong[each.code]" class="wrong" role="alert">{{ wrong[each.code] }}</span>
        </template>
        <template v-else-if="each.value">
          <span class="label">{{ each.name }}</span>
          <span>{{ detailWords(each, each.value) }}</span>
        </template>
      </div>
      <p class="acts">
        <Button type="submit" size="small" :disabled="busy" :label="t('details.save')" />
        <button type="button" class="word" @click="open = false">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </div>
</template>

<style scoped>
.details,
form {
  display: grid;
  gap: 8px;
}
dl {
  margin: 0;
  display: grid;
  gap: 4px;
}
dl > div {
  display: grid;
  grid-template-columns: minmax(90px, 2fr) 3fr;
  gap: 2px 10px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
