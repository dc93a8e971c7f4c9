<script setup lang="ts">
import OneOf from '@/ui/OneOf.vue'
import { computed } from 'vue'
import type { AccountBatch } from '@/shared/api'
import { detailWords } from '@/shared/details'
import { usePlatform } from '@/shared/platform'
import { fullName } from '@/shared/sentences'
import { useLevels } from '@/shared/levels'
import { inSentence, t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import { accountNote } from './accounts'

const { levelName } = useLevels()

/** Rows of accounts as they were understood: those that will be made, those there already, those to be settled. */
type Row = AccountBatch['rows'][number]
const props = defineProps<{
  rows: Row[]
  /** How many there are of them, where not all are sent. */
  of?: number
  nameOf: (division: string) => string
  choices: Record<string, string>
}>()
const emit = defineEmits<{ choose: [row: Row, who: string] }>()
const SHOWN = 300
const { platform } = usePlatform()
const details = computed(() => platform.value?.details ?? [])
const facts = (row: Row) =>
  [
    inSentence(kindName(row)),
    row.level ? levelName(row.level, row.division) : '',
    props.nameOf(row.division),
    row.number,
    row.email,
    ...details.value.flatMap((each) => detailWords(each, row.details[each.code])),
  ]
    .filter(Boolean)
    .join(', ')
const choose = (row: Row, who: string) => emit('choose', row, who)
</script>

<template>
  <ol v-if="rows.length">
    <li v-for="row in rows.slice(0, SHOWN)" :key="row.row" :class="row.verdict">
      <span class="num soft">{{ row.row }}</span>
      <div v-if="row.verdict === 'ready'">
        <strong>{{ row.given }} {{ row.family }}</strong>
        {{ ' ' }}<span class="soft">{{ facts(row) }} · {{ t('accounts.login') }}</span> {{ ' '
        }}<span class="num">{{ row.login }}</span>
        <span v-for="note in row.cautions" :key="note.code" class="brass"> · {{ accountNote(note) }}</span>
        <button v-if="choices[row.row]" class="word" @click="choose(row, '')">
          {{ t('accounts.again') }}
        </button>
      </div>
      <div v-else-if="row.verdict === 'nothing-to-do'">
        <RouterLink v-if="row.known" :to="{ name: 'person', params: { person: row.known.id } }">{{
          fullName(row.known)
        }}</RouterLink>
        {{ ' ' }}<span class="soft">{{ row.reasons.map(accountNote).join(' ') }}</span>
      </div>
      <div v-else>
        <strong>{{ row.given }} {{ row.family }}</strong> <span class="soft">{{ facts(row) }}</span>
        <p v-for="note in row.reasons" :key="note.code" :class="row.verdict === 'refused' ? 'clay' : 'brass'">
          {{ accountNote(note) }}
        </p>
        <fieldset v-if="row.verdict === 'needs-choice'">
          <legend class="unseen">{{ t('accounts.whoIs', { name: `${row.given} ${row.family}` }) }}</legend>
          <OneOf
            v-for="who in row.candidates"
            :key="who.id"
            :model-value="null"
            :value="who.id"
            :name="`row-${row.row}`"
            @update:model-value="choose(row, who.id)"
            >{{ t('accounts.same', { name: fullName(who) }) }}
            <span class="soft"
              >{{ kindName(who)
              }}<template v-if="who.level">, {{ levelName(who.level, who.division.code) }}</template> ·
              {{ who.division.name }} <span class="num">{{ who.number }}</span> {{ who.email }}</span
            ></OneOf
          >
          <OneOf
            v-if="row.reasons[0]?.code !== 'number-of-another'"
            :model-value="null"
            value="new"
            :name="`row-${row.row}`"
            @update:model-value="choose(row, 'new')"
            >{{ t('accounts.new') }}</OneOf
          >
        </fieldset>
        <p v-else-if="row.candidates.length" class="soft">
          <RouterLink
            v-for="who in row.candidates"
            :key="who.id"
            :to="{ name: 'person', params: { person: who.id } }"
            >{{ fullName(who) }}</RouterLink
          >
        </p>
      </div>
    </li>
    <li v-if="(of ?? 0) > SHOWN">
      <span /><span class="soft">{{
        t('people.changeList.and', { n: $n((of ?? 0) - Math.min(SHOWN, rows.length)) })
      }}</span>
    </li>
  </ol>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  display: grid;
  grid-template-columns: 42px 1fr;
  gap: 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
li.refused {
  border-left: 4px solid var(--clay);
  padding-left: 6px;
}
li.needs-choice {
  border-left: 4px solid var(--brass);
  padding-left: 6px;
}
fieldset {
  border: 0;
  margin: 2px 0 0;
  padding: 0;
  display: grid;
  gap: 4px;
  justify-items: start;
}
</style>
