<script setup lang="ts">
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import GroupBoard from './GroupBoard.vue'
import { refreshGroups, useSplits, type Beside, type SplitFacts } from './groups'

const NewGroups = defineAsyncComponent(() => import('./NewGroups.vue'))

/** The ways in which a site's people are divided into groups, one of which is looked at. */
const props = defineProps<{ site: Site }>()
const route = useRoute()
const router = useRouter()
const { data: splits, error, isPending, refetch } = useSplits(() => props.site)
const shown = computed(() => splits.value?.filter(({ awayAt }) => !awayAt) ?? [])
const away = computed(() => splits.value?.filter(({ awayAt }) => awayAt) ?? [])
const current = computed(() => shown.value.find(({ id }) => id === route.params.split) ?? shown.value[0])
const mayArrange = computed(() => props.site.may.includes('arrange-groups') && !props.site.seenAs)
const mayChange = computed(() => mayArrange.value && props.site.seesAll)
const beside = ref<Beside>('')

const { busy, run } = useBusy()
const bringBack = (split: SplitFacts) =>
  run(async () => {
    const path = { site: props.site.id, split: split.id }
    await take(api.POST('/sites/{site}/group-splits/{split}/back', { params: { path } }))
    await refreshGroups()
    await show(split.id)
    done(t('groups.didBack', { name: split.name }))
  })
const show = (split: string) => router.push({ name: 'groups', params: { site: props.site.id, split } })
async function made(split: string) {
  beside.value = ''
  await show(split)
}
</script>

<template>
  <div class="below">
    <div class="groups">
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <p v-else-if="isPending" class="soft" role="status">{{ t('groups.loading') }}</p>
      <template v-else>
        <div class="top">
          <nav v-if="shown.length" :aria-label="t('groups.title')">
            <RouterLink
              v-for="split in shown"
              :key="split.id"
              :to="{ name: 'groups', params: { site: site.id, split: split.id } }"
              :class="{ on: split.id === current?.id }"
              :aria-current="split.id === current?.id ? 'page' : undefined"
              >{{ split.name }}</RouterLink
            >
          </nav>
          <Button
            v-if="mayChange && shown.length && beside !== 'new'"
            size="small"
            variant="outlined"
            :label="t('groups.more')"
            @click="beside = 'new'"
          />
        </div>
        <div v-if="!shown.length" class="empty">
          <p>{{ t('groups.empty') }}</p>
          <p class="soft">{{ t('groups.emptyMore') }}</p>
          <Button v-if="mayChange" :label="t('groups.make')" @click="beside = 'new'" />
        </div>
        <GroupBoard
          v-if="current"
          :id="current.id"
          :key="current.id"
          v-model:beside="beside"
          :site="site"
          :may-move="mayArrange"
          :may-change="mayChange"
        />
        <p v-if="away.length && mayChange" class="away">
          <span class="soft">{{ t('groups.away') }}</span>
          <button v-for="split in away" :key="split.id" class="word" :disabled="busy" @click="bringBack(split)">
            {{ t('groups.back', { name: split.name }) }}
          </button>
        </p>
      </template>
    </div>
    <NewGroups v-if="beside === 'new'" :site="site" :splits="shown" @close="beside = ''" @made="made" />
  </div>
</template>

<style scoped>
.groups {
  flex: 1;
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 2px 12px;
}
.top,
nav,
.away {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
nav a {
  text-decoration: none;
  padding: 2px 0;
  border-bottom: 3px solid transparent;
  overflow-wrap: anywhere;
}
nav a.on {
  font-weight: 600;
  border-color: var(--spruce);
}
.empty {
  display: grid;
  gap: 10px;
  justify-items: start;
  max-width: 620px;
  padding: 20px 0;
}
</style>
