<script setup lang="ts">
import type { RuleBook, RoleRules } from '@/shared/api'
import { inSentence, t } from '@/shared/words'
import Tick from '@/ui/Tick.vue'
import { allow, allowAll } from './editing'

/** What a role may, and which bands of it. Writes on the draft it was given. */
defineProps<{ role: RoleRules; book: RuleBook }>()
</script>

<template>
  <div class="ticks">
    <div v-for="{ code } in book.permissions" :key="code" class="permission">
      <Tick :model-value="role.permissions.includes(code)" @update:model-value="allowAll(role, code, book)">{{
        t(`may.${code}`)
      }}</Tick>
      <template v-if="role.permissions.includes(code)">
        <Tick
          v-for="band in role.bands"
          :key="band.name"
          class="soft"
          :model-value="band.permissions.includes(code)"
          @update:model-value="allow(band.permissions, code, book)"
          >{{ inSentence(band.name) }}</Tick
        >
      </template>
    </div>
  </div>
</template>

<style scoped>
.ticks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 3px 18px;
}
.permission {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
}
@media (max-width: 400px) {
  .ticks {
    grid-template-columns: 1fr;
  }
}
</style>
