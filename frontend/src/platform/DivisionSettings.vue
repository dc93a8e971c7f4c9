<script setup lang="ts">
import Button from 'primevue/button'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { SettingsBook } from '@/shared/api'
import { languageName, ownZone } from '@/shared/own'
import { codeFrom } from '@/shared/codes'
import { t } from '@/shared/words'
import DivisionForm from './DivisionForm.vue'
import { inOrder, levelWords, type DivisionSet, type PartOfSettings } from './settings'

/** The tree of divisions, read as rows; one at a time is changed in its place. */
const props = defineProps<PartOfSettings>()
/** Key of the row that is open: a code, or what one had before it was coded otherwise. */
const editing = ref('')
let made = 0
const keys = ref<Record<string, string>>({})
const key = (code: string) => keys.value[code] ?? code
// A row stays where it is while its name is written: new ones come last.
const holds = useQueryClient().getQueryData<SettingsBook>(['settings'])?.settings.divisions ?? []
const names = new Map(holds.map(({ code, name }) => [code, name]))
const rows = computed(() => inOrder(props.settings.divisions, ({ code }) => names.get(code) ?? '\uffff' + key(code)))

function add(above: DivisionSet | null) {
  const draft = props.edit()
  const code = codeFrom(
    'new',
    draft.divisions.map((each) => each.code),
  )
  draft.divisions.push({
    code,
    name: '',
    parent: above?.code ?? null,
    minors: above?.minors ?? false,
    language: above?.language ?? draft.divisions[0]?.language ?? 'en-GB',
    timeZone: above?.timeZone ?? draft.divisions[0]?.timeZone ?? ownZone,
    levels: null,
    welcome: '',
    retired: false,
  })
  keys.value[code] = `fresh-${++made}`
  editing.value = key(code)
}

/** A division that is only in the draft is taken off it again; whoever is below it goes up. */
function drop(division: DivisionSet) {
  const draft = props.edit()
  draft.divisions = draft.divisions.filter((each) => each.code !== division.code)
  for (const each of draft.divisions) if (each.parent === division.code) each.parent = division.parent
  editing.value = ''
}

function recode(from: string, to: string) {
  keys.value[to] = key(from)
  for (const each of props.edit().divisions) {
    if (each.parent === from) each.parent = to
    if (each.code === from) each.code = to
  }
}
</script>

<template>
  <p class="soft">{{ t('platform.division.more') }}</p>
  <ul class="rows">
    <li class="row head" aria-hidden="true">
      <span>{{ t('platform.division.table.division') }}</span>
      <span>{{ t('platform.division.table.levels') }}</span>
      <span>{{ t('platform.division.table.language') }}</span>
      <span>{{ t('platform.division.table.zone') }}</span>
      <span />
    </li>
    <li v-for="{ division, depth } in rows" :key="key(division.code)" :class="{ open: editing === key(division.code) }">
      <div class="row" :class="{ soft: division.retired }">
        <span class="name" :style="{ paddingLeft: `${depth * 22}px` }">
          <strong>{{ division.name || division.code }}</strong>
          <span class="num">{{ division.code }}</span>
          <span v-if="division.minors" class="soft small">{{ t('platform.division.isMinors') }}</span>
          <span v-if="division.retired" class="small">{{ t('platform.division.isRetired') }}</span>
        </span>
        <span :data-head="t('platform.division.table.levels')">{{ levelWords(division) }}</span>
        <span :data-head="t('platform.division.table.language')">{{ languageName(division.language) }}</span>
        <span :data-head="t('platform.division.table.zone')">{{ division.timeZone.replaceAll('_', ' ') }}</span>
        <span v-if="mayChange" class="acts">
          <button
            class="word"
            :aria-expanded="editing === key(division.code)"
            :aria-label="t('platform.division.editOf', { name: division.name || division.code })"
            @click="editing = editing === key(division.code) ? '' : key(division.code)"
          >
            {{ t(editing === key(division.code) ? 'platform.close' : 'platform.edit') }}
          </button>
          <button
            v-if="!division.retired"
            class="word"
            :aria-label="t('platform.division.addBelowOf', { name: division.name || division.code })"
            @click="add(division)"
          >
            {{ t('platform.division.addBelow') }}
          </button>
        </span>
      </div>
      <p v-for="wrong in wrongAt(`divisions/${division.code}`)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
      <DivisionForm
        v-if="editing === key(division.code)"
        :settings="settings"
        :code="division.code"
        :edit="edit"
        :fresh="!known('divisions').has(division.code)"
        @drop="drop(division)"
        @recode="recode(division.code, $event)"
      />
    </li>
  </ul>
  <p v-if="mayChange">
    <Button size="small" variant="outlined" :label="t('platform.division.add')" @click="add(null)" />
  </p>
</template>

<style scoped>
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
.rows > li {
  border-bottom: 1px solid var(--line);
  padding: 6px 0;
}
.row {
  display: grid;
  grid-template-columns: minmax(200px, 2.2fr) minmax(0, 1.4fr) minmax(0, 1.2fr) minmax(0, 1.2fr) 210px;
  gap: 4px 14px;
  align-items: baseline;
}
.head {
  color: var(--soft);
  font-size: 0.88rem;
  font-weight: 600;
}
.name {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: baseline;
  overflow-wrap: anywhere;
}
.num {
  color: var(--soft);
  font-size: 0.88rem;
}
.small {
  font-size: 0.88rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.open {
  background: var(--mint-pale);
  box-shadow: -10px 0 0 var(--mint-pale);
}
@media (max-width: 900px) {
  .head {
    display: none !important;
  }
  .row {
    grid-template-columns: 1fr;
  }
  .row > [data-head]::before {
    content: attr(data-head) ': ';
    color: var(--soft);
  }
}
</style>
