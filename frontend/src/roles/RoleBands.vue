<script setup lang="ts">
import InputText from 'primevue/inputtext'
import type { RoleRules } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import Tick from '@/ui/Tick.vue'
import LevelRun from './LevelRun.vue'

/** The bands of a role: for whom it means less. Writes on the draft it was given. */
defineProps<{ role: RoleRules }>()
const { platform } = usePlatform()
/* eslint-disable vue/no-mutating-props -- the draft is made to be written on */
</script>

<template>
  <p class="hint soft">{{ t('rules.bandsHint') }}</p>
  <div v-for="(band, index) in role.bands" :key="index" class="band">
    <InputText v-model="band.name" size="small" maxlength="40" :aria-label="t('rules.bandName')" />
    <Tick v-for="each in platform?.divisions" :key="each.code" v-model="band.divisions" :value="each.code">{{
      each.name
    }}</Tick>
    <Tick :model-value="band.levels !== null" @update:model-value="band.levels = band.levels ? null : [1, 10]">{{
      t('rules.onlyLevels')
    }}</Tick>
    <LevelRun v-if="band.levels" v-model="band.levels" :label="t('rules.onlyLevels')" />
    <button type="button" class="word clay" @click="role.bands.splice(index, 1)">
      {{ t('rules.number.remove') }}
    </button>
  </div>
  <button
    type="button"
    class="word"
    @click="
      role.bands.push({
        name: t('rules.newBand', { n: role.bands.length + 1 }),
        divisions: [],
        levels: null,
        permissions: [...role.permissions],
      })
    "
  >
    {{ t('rules.addBand') }}
  </button>
</template>

<style scoped>
.band {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin: 4px 0;
}
</style>
