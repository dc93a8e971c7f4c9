<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, useId } from 'vue'
import { dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'
import Tick from '@/ui/Tick.vue'
import { useJoining } from './joining'

/** What one has at the same time, and that one comes all the same. */
const { clash, form, wrong, zone, admission, look } = useJoining()
/** Who asks for a place says why there already. */
const asked = computed(() => admission.value?.passage === 'approval' && !look.value?.questions.length)
const id = useId()
</script>

<template>
  <div class="callout bad">
    <p>
      {{ clash ? t('join.clash', { site: clash.site, at: dayAndTime(clash.at, zone) }) : wrong('clash') }}
    </p>
    <Tick v-model="form.clash">{{ t('join.clashYes') }}</Tick>
    <div v-if="form.clash && !asked" class="field">
      <label :for="id">{{ t('join.clashWhy') }}</label>
      <InputText :id="id" v-model="form.why" maxlength="300" fluid :invalid="!!wrong('why')" />
      <span v-if="wrong('why')" class="wrong" role="alert">{{ wrong('why') }}</span>
    </div>
    <p v-else-if="clash && !form.clash && wrong('clash')" class="wrong" role="alert">{{ wrong('clash') }}</p>
  </div>
</template>
