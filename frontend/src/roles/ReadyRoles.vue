<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, type Rules } from '@/shared/api'
import { t } from '@/shared/words'
import OneOf from '@/ui/OneOf.vue'
import RoleSentences from './RoleSentences.vue'

/** Roles to begin with, by kind of place: chosen into the draft of the rules, and read as sentences before. */
const props = defineProps<{ rules: Rules; edit: () => Rules }>()
const { data } = useQuery({ queryKey: ['ready-roles'], queryFn: () => take(api.GET('/ready-roles')) })
const sets = computed(() => data.value?.items ?? [])
const names = (roles: Rules['roles']) => JSON.stringify(roles)
/** The set that the rules are, if they are one. */
const chosen = computed(() => sets.value.find(({ roles }) => names(roles) === names(props.rules.roles))?.set ?? null)
const read = ref<string | null>(null)
const shown = computed(() => sets.value.find(({ set }) => set === (read.value ?? chosen.value)))
const roleName = (code: string) => shown.value?.roles.find((role) => role.code === code)?.name ?? code

function choose(set: string) {
  const ready = sets.value.find((each) => each.set === set)
  if (!ready) return
  props.edit().roles = JSON.parse(JSON.stringify(ready.roles)) as Rules['roles']
  read.value = set
}
</script>

<template>
  <fieldset>
    <legend class="unseen">{{ t('rules.ready.title') }}</legend>
    <OneOf
      v-for="{ set, roles } in sets"
      :key="set"
      name="ready-roles"
      :value="set"
      :model-value="chosen"
      @update:model-value="choose(set)"
      ><strong>{{ t(`rules.ready.set.${set}`) }}</strong>
      <span class="soft names">{{ roles.map((role) => role.name).join(', ') }}</span></OneOf
    >
  </fieldset>
  <section v-if="shown" class="sentences" :aria-label="t('rules.ready.read')">
    <article v-for="role in shown.roles" :key="role.code"><RoleSentences :role="role" :role-name="roleName" /></article>
  </section>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
  display: grid;
  gap: 10px;
}
.names {
  display: block;
}
.sentences {
  display: grid;
  gap: 6px;
}
article {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
article :deep(h2) {
  font-size: 1rem;
}
</style>
