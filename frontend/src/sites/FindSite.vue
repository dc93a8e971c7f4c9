<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, take, type SiteSummary } from '@/shared/api'
import { me } from '@/shared/me'
import { t } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import FindBox from '@/ui/FindBox.vue'

/** Finds one of the sites one has to do with. */
defineProps<{ site: string; title: string }>()
const emit = defineEmits<{ pick: [site: string | undefined] }>()
const scopes = computed(() =>
  me.value?.platformAdministrator || me.value?.divisions.length ? (['all', 'run'] as const) : (['run', 'in'] as const),
)
const picked = ref('')

async function find(q: string): Promise<SiteSummary[]> {
  const pages = await Promise.all(
    scopes.value.map((scope) => take(api.GET('/sites', { params: { query: { scope, q: q || undefined, limit: 8 } } }))),
  )
  return [...new Map(pages.flatMap((page) => page.items).map((each) => [each.id, each])).values()].slice(0, 8)
}

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
