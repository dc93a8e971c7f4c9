<script setup lang="ts">
import { ref } from 'vue'
import type { SiteSummary } from '@/shared/api'
import { t } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import FindBox from '@/ui/FindBox.vue'
import { findSites } from './findSites'

/** Finds one of the sites one has to do with. */
defineProps<{ site: string; title: string }>()
const emit = defineEmits<{ pick: [site: string | undefined] }>()
const picked = ref('')

const find = (q: string) => findSites(q, ['in'])

function pick(found: SiteSummary) {
  picked.value = found.title
  emit('pick', found.id)
}
</script>

<template>
  <div class="field">
    <template v-if="site">
      <span class="label">{{ t('accessCheck.where') }}</span>
      <p>
        <strong>{{ title || picked }}</strong>
        {{ ' ' }}<button class="word" @click="$emit('pick', undefined)">{{ t('accessCheck.elsewhere') }}</button>
      </p>
    </template>
    <FindBox
      v-else
      id="find-site"
      :label="t('accessCheck.where')"
      :placeholder="t('accessCheck.whereHint')"
      :find="find"
      :called="(each) => each.title"
      :none="t('accessCheck.nowhere')"
      :from="0"
      @pick="pick"
    >
      <template #default="{ found }"
        ><DoorGlyph :state="found.state" /> {{ found.title }} <span class="num soft">{{ found.code }}</span></template
      >
    </FindBox>
  </div>
</template>
