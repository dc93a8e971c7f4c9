<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { seenAs } from '@/shared/seenAs'
import type { Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import ReasonLine from '@/ui/ReasonLine.vue'
import { useSeeAs } from './seeAs'

/** Inside the door frame: through whose eyes one looks, in one sentence; or the choice of whose. */
const props = defineProps<{ site: Site }>()
const choosing = defineModel<boolean>('choosing', { required: true })
const { platform } = usePlatform()
const { seeAs, back } = useSeeAs(() => props.site.id)
const mine = computed(() => platform.value?.roles.find((role) => role.code === props.site.standing?.role)?.rank ?? 0)
const roles = computed(
  () => platform.value?.roles.filter((role) => props.site.administrator || role.rank <= mine.value) ?? [],
)
const kind = computed(() => seenAs.value?.as.split(':')[0])
const route = useRoute()
const picked = ref('')

async function go() {
  if (!picked.value) return
  choosing.value = false
  await seeAs(picked.value)
}
</script>

<template>
  <div v-if="site.seenAs" class="seen" role="status">
    <strong>{{
      $t(kind === 'role' ? 'seeAs.isRole' : kind === 'section' ? 'seeAs.isSection' : 'seeAs.is', {
        name: kind === 'role' ? site.seenAs.name.toLowerCase() : site.seenAs.name,
      })
    }}</strong>
    {{ $t('seeAs.only') }}
    <button class="word" @click="back">{{ $t('seeAs.back') }}</button>
    <ReasonLine
      v-if="kind === 'person' && site.seenAs.reason.entry !== 'enter' && route.name !== 'seen'"
      :reason="site.seenAs.reason"
      :zone="site.timeZone"
      who="you"
    />
  </div>
  <form v-else-if="choosing" class="seen" @submit.prevent="go" @keydown.esc="choosing = false">
    <label for="seen-as">{{ $t('seeAs.title') }}</label>
    <select id="seen-as" v-model="picked" class="plain">
      <optgroup :label="$t('seeAs.role')">
        <option v-for="role in roles" :key="role.code" :value="`role:${role.code}`">
          {{ $t('seeAs.one', { name: role.name.toLowerCase() }) }}
        </option>
      </optgroup>
      <optgroup v-if="site.sections.length" :label="$t('seeAs.section')">
        <option v-for="section in site.sections" :key="section.id" :value="`section:${section.id}`">
          {{ $t('seeAs.one', { name: section.name }) }}
        </option>
      </optgroup>
    </select>
    <button class="word" :disabled="!picked">{{ $t('seeAs.start') }}</button>
    <button type="button" class="word" @click="choosing = false">{{ $t('seeAs.never') }}</button>
  </form>
</template>

<style scoped>
.seen {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  border-top: 1px dashed var(--brass);
  padding: 5px 0;
}
.seen .reason {
  width: 100%;
}
</style>
