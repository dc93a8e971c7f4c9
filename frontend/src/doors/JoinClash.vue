<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { useId } from 'vue'
import type { JoinLook } from '@/shared/api'
import { dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'
import Tick from '@/ui/Tick.vue'

/** What one has at the same time, and that one comes all the same. */
defineProps<{
  clash: JoinLook['clash'] | undefined
  zone: string
  /** Whether why one comes is asked elsewhere already. */
  asked?: boolean
  wrong: (field: string) => string
}>()
const on = defineModel<boolean>({ required: true })
const why = defineModel<string>('why', { required: true })
const id = useId()
</script>

<template>
  <div class="callout bad">
    <p>{{ clash ? t('join.clash', { site: clash.site, at: dayAndTime(clash.at, zone) }) : wrong('clash') }}</p>
    <Tick v-model="on">{{ t('join.clashYes') }}</Tick>
    <div v-if="on && !asked" class="field">
      <label :for="id">{{ t('join.clashWhy') }}</label>
      <InputText :id="id" v-model="why" maxlength="300" fluid :invalid="!!wrong('why')" />
      <span v-if="wrong('why')" class="wrong" role="alert">{{ wrong('why') }}</span>
    </div>
    <p v-else-if="clash && !on && wrong('clash')" class="wrong" role="alert">{{ wrong('clash') }}</p>
  </div>
</template>
