<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { isDay } from '@/shared/days'
import { readWanted, writeWanted } from '@/shared/details'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'

/** Words that narrow people down by their details; each is changed or dropped in its place. */
const asked = defineModel<string>({ required: true })
const { platform } = usePlatform()
const wanted = computed(() => readWanted(asked.value))
/** Those that are looked at and say nothing yet. */
const opened = ref<string[]>([])
const all = computed(() => platform.value?.details ?? [])
const active = computed(() => all.value.filter(({ code }) => wanted.value.has(code) || opened.value.includes(code)))
const offered = computed(() => all.value.filter((each) => !active.value.includes(each)))

const write = (code: string, value: string) => (asked.value = writeWanted(new Map(wanted.value).set(code, value)))
const soon = useDebounceFn(write, 300)
function add(code: string | undefined) {
  const detail = all.value.find((each) => each.code === code)
  if (detail) opened.value.push(detail.code)
}
function drop(code: string) {
  opened.value = opened.value.filter((each) => each !== code)
  write(code, '')
}
/** Both ends of a run; one value alone is both. What is typed is not taken apart while it is typed. */
function ends(code: string): [string, string] {
  const value = wanted.value.get(code) ?? ''
  const [from, until] = value.includes('..') ? value.split('..') : [value, value]
  return [from ?? '', until ?? '']
}
function end(code: string, which: 0 | 1, value: string | undefined) {
  const both = ends(code)
  both[which] = (value ?? '').trim()
  void soon(code, both.join('..'))
}
</script>

<template>
  <span v-for="{ code, name, type, choices } in active" :key="code" class="detail">
    <PickOne
      v-if="type === 'choice'"
      :label="name"
      :model-value="wanted.get(code) ?? ''"
      :options="[
        { value: '', label: t('details.any', { name }) },
        ...choices.map((choice) => ({ value: choice, label: t('details.is', { name, value: choice }) })),
      ]"
      @update:model-value="$event ? write(code, $event) : drop(code)"
    />
    <template v-else>
      <span>{{ name }}</span>
      <InputText
        v-if="type === 'text'"
        size="small"
        maxlength="120"
        :aria-label="name"
        :model-value="wanted.get(code) ?? ''"
        @update:model-value="soon(code, $event?.trim() ? $event : '')"
      />
      <template v-for="which in [0, 1] as const" v-else :key="which">
        <DayField
          v-if="type === 'date'"
          :label="t(which ? 'details.until' : 'details.from', { name })"
          :placeholder="t(which ? 'details.end' : 'details.beginning')"
          :model-value="ends(code)[which]"
          @update:model-value="(day) => (!day || isDay(day)) && end(code, which, day)"
        />
        <InputText
          v-else
          class="number"
          size="small"
          maxlength="18"
          inputmode="decimal"
          :aria-label="t(which ? 'details.until' : 'details.from', { name })"
          :placeholder="t(which ? 'details.most' : 'details.least')"
          :model-value="ends(code)[which]"
          @update:model-value="end(code, which, $event)"
        />
      </template>
      <button class="word" :aria-label="t('details.dropOf', { name })" @click="drop(code)">
        {{ t('details.drop') }}
      </button>
    </template>
  </span>
  <PickOne
    v-if="offered.length"
    :key="offered.length"
    class="more"
    :label="t('details.add')"
    :placeholder="t('details.and')"
    :options="offered.map(({ code, name }) => ({ value: code, label: name }))"
    :model-value="undefined"
    @update:model-value="add"
  />
</template>

<style scoped>
.detail {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
}
.p-select {
  max-width: 210px;
}
.number {
  width: 5.5em;
}
.more {
  max-width: 130px;
}
</style>
