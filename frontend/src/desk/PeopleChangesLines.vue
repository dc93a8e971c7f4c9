<script setup lang="ts">
import { computed } from 'vue'
import type { ChangeReview } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { lineSentences } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'

/** Whom a change list tells, and the lines of it that somebody has to look at; of very many the first. */
const props = defineProps<{ lines: ChangeReview['lines']; told: ChangeReview['lines']; several: boolean }>()
const SHOWN = 200
const { roleName } = usePlatform()
const look = computed(() => props.lines.filter((line) => line.verdict !== 'ready' && line.verdict !== 'nothing-to-do'))
</script>

<template>
  <details v-if="told.length">
    <summary>{{ t('tell.who') }}</summary>
    <ul class="ledger" style="--verdict: 150px">
      <li v-for="line in told.slice(0, SHOWN)" :key="line.key">
        <span class="verdict">{{ tIn('tell.line', line.told!) }}</span><span
          ><strong>{{ line.person.name }}</strong> {{ ' '
          }}<span v-if="several" class="soft">· {{ line.site.title }}</span></span
        >
      </li>
    </ul>
  </details>
  <ul v-if="look.length" class="ledger" style="--verdict: 108px">
    <li v-for="line in look.slice(0, SHOWN)" :key="line.key">
      <span class="verdict">{{ t(`changeLists.verdict.${line.verdict}`) }}</span>
      <span
        ><strong>{{ line.person.name }}</strong> {{ ' '
        }}<span v-if="several" class="soft">· {{ line.site.title }} · </span>
        {{ lineSentences(line, line.site.timeZone, roleName).join(' ') }}</span
      >
    </li>
    <li v-if="look.length > SHOWN">
      <span class="verdict" /><span class="soft">{{ t('people.changeList.and', { n: $n(look.length - SHOWN) }) }}</span>
    </li>
  </ul>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--spruce);
}
</style>
