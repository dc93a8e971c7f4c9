<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { needless } from '@/shared/platform'
import { FIELDS, type Typed } from './accounts'
import { t } from '@/shared/words'

/** One person, typed into fields: each of them becomes a row of its own. */
const emit = defineEmits<{ add: [one: Typed] }>()
const nothing = (): Typed => ({ given: '', family: '', email: '', number: '', level: '' })
const one = reactive(nothing())
const complete = computed(() => one.given.trim() !== '' && one.family.trim() !== '')
const fields = ref<{ $el: HTMLInputElement }[]>()
function add() {
  if (!complete.value) return
  emit('add', { ...one })
  Object.assign(one, nothing())
  fields.value?.[0]?.$el.focus()
}
const SIZES: Record<keyof Typed, number> = { given: 10, family: 10, email: 18, number: 8, level: 2 }
</script>

<template>
  <form class="one" :aria-label="t('accounts.one')" @submit.prevent="add">
    <label v-for="field in FIELDS.filter((each) => !needless.has(each))" :key="field"
      >{{ t(`facts.${field}`) }}
      <InputText
        ref="fields"
        v-model="one[field]"
        size="small"
        :style="{ width: SIZES[field] + 3 + 'ch' }"
        maxlength="190"
        autocomplete="off"
    /></label>
    <Button type="submit" size="small" variant="outlined" :disabled="!complete" :label="t('accounts.add')" />
  </form>
</template>

<style scoped>
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  padding: 8px 12px;
  background: var(--mint-pale);
  border-left: 4px solid var(--mint);
}
.one label {
  font-size: 0.88rem;
  display: grid;
}
</style>
