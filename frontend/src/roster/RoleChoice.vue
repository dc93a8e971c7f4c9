<script setup lang="ts">
import { listed } from '@/shared/lists'
import { computed } from 'vue'
import type { Permission, RoleOption } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { optionSentence } from '@/shared/sentences'
import { t } from '@/shared/words'

/**
 * The roles one may give, as buttons, with their cautions; under them those one may not, with the reason and who can.
 */
const props = defineProps<{ options: RoleOption[]; zone: string; present?: string | null; busy?: boolean }>()
defineEmits<{ choose: [role: string] }>()
const { roleName } = usePlatform()
const words = (permissions: Permission[]) => listed(permissions.map((permission) => t(`may.${permission}`)))
const possible = computed(() => props.options.filter((option) => option.allowed && option.role !== props.present))
/** The sentence why not, and the roles it is about. */
const refused = computed(() => {
  const why = new Map<string, string[]>()
  for (const option of props.options.filter((each) => !each.allowed)) {
    const sentence = optionSentence(option, props.zone, roleName)
    why.set(sentence, [...(why.get(sentence) ?? []), roleName(option.role)])
  }
  return [...why]
})
</script>

<template>
  <div class="roles">
    <ul v-if="possible.length" class="may">
      <li v-for="option in possible" :key="option.role">
        <button type="button" class="give" data-stop :disabled="busy" @click="$emit('choose', option.role)">
          {{ roleName(option.role) }}
        </button>
        <span v-if="option.code !== 'fits'" class="brass">{{ optionSentence(option, zone, roleName) }}</span>
        <span v-if="option.also.length" class="soft then">{{ t('card.would', { also: words(option.also) }) }}</span>
        <span v-if="option.not.length" class="soft then">{{ t('card.wouldNot', { not: words(option.not) }) }}</span>
      </li>
    </ul>
    <p v-else class="soft">{{ t('intake.noRole') }}</p>
    <ul class="not soft">
      <li v-for="[sentence, roles] in refused" :key="sentence">
        <strong>{{ roles.join(', ') }}:</strong> <span>{{ sentence }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 5px;
}
.may {
  margin-bottom: 8px;
}
.may li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}
.then {
  width: 100%;
  font-size: 0.9rem;
}
.give {
  border: 1px solid var(--spruce);
  background: var(--mint-pale);
  border-radius: 4px;
  padding: 3px 11px;
  cursor: pointer;
  font-weight: 600;
}
.give:hover:enabled {
  background: var(--mint);
}
.not li {
  font-size: 0.9rem;
}
</style>
