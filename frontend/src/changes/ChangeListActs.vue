<script setup lang="ts">
import type { ChangeListSummary } from '@/shared/api'
import { t } from '@/shared/words'
import { addressOf } from './changeLists'

/** What can be done with a change list that is not applied yet, or was put aside. */
defineProps<{ changeList: ChangeListSummary }>()
defineEmits<{ drop: [dropped: boolean] }>()
</script>

<template>
  <span class="acts">
    <RouterLink v-if="changeList.state === 'draft'" :to="addressOf(changeList)">{{ t('changeLists.goOn') }}</RouterLink>
    <button v-if="changeList.state === 'draft'" class="word" @click="$emit('drop', true)">
      {{ t('changeLists.drop') }}
    </button>
    <button v-if="changeList.state === 'dropped'" class="word" @click="$emit('drop', false)">
      {{ t('changeLists.takeUp') }}
    </button>
  </span>
</template>
