<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive } from 'vue'
import { api, take, type Settings, type SettingsBook, type SiteSummary } from '@/shared/api'
import { useLevels } from '@/shared/levels'
import { needless, usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import FindBox from '@/ui/FindBox.vue'
import LevelField from '@/ui/LevelField.vue'
import { divisionOptions, optionsOf } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { useListed } from './listed'
import { inOrder, kindsOf, type PartOfSettings } from './settings'

/** Sites that whoever belongs to a division is in by themselves; one at a time is changed in its place. */
type Starter = Settings['starters'][number]
const props = defineProps<PartOfSettings & { sites: SettingsBook['sites'] }>()
const { platform, roleName } = usePlatform()
const { levelName } = useLevels()
const { open, toggle, add: put, remove } = useListed(() => props.edit().starters)
const picked = reactive<Record<string, string>>({})
const titleOf = (code: string) => picked[code] ?? props.sites.find((each) => each.code === code)?.name ?? code
const kinds = computed(() => kindsOf(props.settings))
const divisionName = (code: string) => props.settings.divisions.find((each) => each.code === code)?.name ?? code
const divisions = computed(() =>
  divisionOptions(
    inOrder(props.settings.divisions)
      .map(({ division }) => division)
      .filter(({ retired }) => !retired),
  ),
)
const roles = computed(() => optionsOf(platform.value?.roles, 'code'))

const set = (index: number, how: Partial<Starter>) => Object.assign(props.edit().starters[index]!, how)
function add() {
  const division = divisions.value[0]?.value ?? ''
  put({ division, site: '', role: '', kinds: ['learner'], lowest: null, highest: null })
}
const tick = (index: number, kind: string) => {
  const kinds = props.settings.starters[index]!.kinds
  set(index, { kinds: kinds.includes(kind) ? kinds.filter((each) => each !== kind) : [...kinds, kind] })
}
const find = async (q: string): Promise<SiteSummary[]> =>
  (await take(api.GET('/sites', { params: { query: { scope: 'all', q: q || undefined, limit: 8 } } }))).items
function pick(index: number, site: SiteSummary) {
  picked[site.code] = site.title
  set(index, { site: site.code })
}
function said(starter: Starter): string {
  const values = {
    who: starter.kinds.map((kind) => kinds.value.find(({ code }) => code === kind)?.name ?? kind).join(', '),
    division: divisionName(starter.division),
    site: titleOf(starter.site) || '…',
    role: starter.role ? roleName(starter.role) : '…',
  }
  if (starter.lowest === null || starter.highest === null) return t('platform.starter.said', values)
  const ends = [starter.lowest, starter.highest].map((level) => levelName(level, starter.division))
  return t('platform.starter.saidLevels', { ...values, levels: [...new Set(ends)].join(' – ') })
}
</script>

<template>
  <p class="soft">{{ t('platform.starter.more') }}</p>
  <p v-if="!settings.starters.length" class="empty">{{ t('platform.starter.empty') }}</p>
  <ul v-else>
    <li v-for="(starter, index) in settings.starters" :key="index">
      <p class="line">
        <span>{{ said(starter) }}</span>
        <template v-if="mayChange">
          <button class="word" :aria-expanded="open === index" @click="toggle(index)">
            {{ t(open === index ? 'platform.close' : 'platform.edit') }}
          </button>
          <button
            class="word clay"
            :aria-label="t('platform.takeOf', { name: titleOf(starter.site) })"
            @click="remove(index)"
          >
            {{ t('platform.take') }}
          </button>
        </template>
      </p>
      <p v-for="wrong in wrongAt('starters/' + index)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
      <div v-if="mayChange && open === index" class="form">
        <div class="field">
          <template v-if="starter.site">
            <span class="label">{{ t('platform.starter.site') }}</span>
            <span>
              <strong>{{ titleOf(starter.site) }}</strong>
              {{ ' '
              }}<button class="word" @click="set(index, { site: '' })">
                {{ t('platform.starter.other') }}
              </button>
            </span>
          </template>
          <FindBox
            v-else
            :id="`starter-site-${index}`"
            :label="t('platform.starter.site')"
            :placeholder="t('platform.starter.find')"
            :find="find"
            :called="(each: SiteSummary) => each.title"
            :none="t('platform.starter.nowhere')"
            :from="0"
            @pick="pick(index, $event)"
          >
            <template #default="{ found }"
              >{{ found.title }} <span class="num soft">{{ found.code }}</span></template
            >
          </FindBox>
        </div>
        <PickOne
          v-if="!needless.has('division')"
          stacked
          :label="t('platform.starter.division')"
          :options="divisions"
          :model-value="starter.division"
          @update:model-value="set(index, { division: $event! })"
        />
        <PickOne
          stacked
          :label="t('platform.starter.role')"
          :options="roles"
          :placeholder="t('platform.starter.choose')"
          :model-value="starter.role"
          @update:model-value="set(index, { role: $event! })"
        />
        <fieldset>
          <legend>{{ t('platform.starter.kinds') }}</legend>
          <Tick
            v-for="kind in kinds"
            :key="kind.code"
            :model-value="starter.kinds.includes(kind.code)"
            @update:model-value="tick(index, kind.code)"
            >{{ kind.name }}</Tick
          >
        </fieldset>
        <template v-if="!needless.has('levels')">
          <div v-for="end in ['lowest', 'highest'] as const" :key="end" class="field">
            <label :for="`starter-${end}-${index}`">{{ t(`platform.starter.${end}`) }}</label>
            <LevelField
              :id="`starter-${end}-${index}`"
              :label="t(`platform.starter.${end}`)"
              :division="starter.division"
              :model-value="starter[end]"
              @update:model-value="set(index, { [end]: $event ?? null })"
            />
          </div>
        </template>
      </div>
    </li>
  </ul>
  <p v-if="mayChange">
    <Button size="small" variant="outlined" :label="t('platform.starter.add')" @click="add" />
  </p>
</template>

<style scoped src="./listed.css" />
