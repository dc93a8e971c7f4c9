<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { Site, Waiting } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { dayAndTime } from '@/shared/sentences'
import { useLevels } from '@/shared/levels'
import { inSentence, t } from '@/shared/words'
import { answerWaiting } from './answers'
import HelpWord from '@/ui/HelpWord.vue'

const { levelName } = useLevels()

/** Who waits: those who ask, each with yes and no, and the line for a seat, in order. */
const props = defineProps<{ waiting: Waiting[]; inLine: number; site: Site }>()
const asking = computed(() => props.waiting.filter((each) => each.what === 'approval'))
const line = computed(() => props.waiting.filter((each) => each.what === 'seat'))
/** A long line is unfolded when it is asked for. */
const FIRST = 8
const unfolded = ref(false)
const shown = computed(() => (unfolded.value ? line.value : line.value.slice(0, FIRST)))
const words = ref('')
const moving = ref(0)
const why = ref('')
const at = (instant: string) => dayAndTime(instant, props.site.timeZone)
const facts = (each: Waiting) =>
  [inSentence(t(`kind.${each.kind}`)), each.level ? levelName(each.level) : '', each.division]
    .filter(Boolean)
    .join(', ')
const { busy, run } = useBusy()
const answer = (waiters: number[], say: 'yes' | 'no' | 'up', reason: string) =>
  run(async () => {
    await answerWaiting(props.site.id, waiters, say, reason)
    moving.value = 0
    why.value = words.value = ''
  })
</script>

<template>
  <section v-if="asking.length" :aria-label="t('doors.line.asking')">
    <h2>
      <HelpWord term="request">{{ t('doors.line.asking') }}</HelpWord>
    </h2>
    <p class="words">
      <InputText
        v-model="words"
        size="small"
        maxlength="300"
        :placeholder="t('doors.line.words')"
        :aria-label="t('doors.line.words')"
      />
      {{ ' '
      }}<Button
        v-if="asking.length > 1"
        size="small"
        :disabled="busy"
        :label="t('doors.line.allYes', { n: asking.length })"
        @click="
          answer(
            asking.map((each) => each.id),
            'yes',
            words,
          )
        "
      />
    </p>
    <ol>
      <li v-for="each in asking" :key="each.id">
        <span
          ><strong>{{ each.person.name }}</strong> {{ ' '
          }}<span class="soft">{{ facts(each) }} · {{ t('doors.line.since', { at: at(each.since) }) }}</span
          ><br v-if="each.why" /><q v-if="each.why" class="said">{{ each.why }}</q></span
        >
        <span class="acts"
          ><Button
            size="small"
            :disabled="busy"
            :label="t('doors.line.yes')"
            :aria-label="`${t('doors.line.yes')}: ${each.person.name}`"
            @click="answer([each.id], 'yes', words)" /><Button
            size="small"
            variant="outlined"
            :disabled="busy"
            :label="t('doors.line.no')"
            :aria-label="`${t('doors.line.no')}: ${each.person.name}`"
            @click="answer([each.id], 'no', words)"
        /></span>
      </li>
    </ol>
  </section>
  <section v-if="line.length" :aria-label="t('doors.line.title')">
    <h2>
      <HelpWord term="waiting-list">{{ t('doors.line.title') }}</HelpWord>
    </h2>
    <ol>
      <li v-for="each in shown" :key="each.id">
        <span
          ><span class="num soft">{{ t('doors.line.place', { n: each.place }) }}</span> {{ ' '
          }}<strong>{{ each.person.name }}</strong> {{ ' '
          }}<span class="soft">{{ facts(each) }} · {{ t('doors.line.since', { at: at(each.since) }) }}</span> {{ ' '
          }}<span v-if="each.offeredUntil" class="brass">{{
            t('doors.line.kept', { at: at(each.offeredUntil) })
          }}</span>
          {{ ' ' }}<span v-if="each.moved" class="soft">{{ t('doors.line.moved', { why: each.moved }) }}</span></span
        >
        <form v-if="moving === each.id" class="acts" @submit.prevent="answer([each.id], 'up', why)">
          <InputText
            v-model="why"
            size="small"
            maxlength="300"
            :placeholder="t('doors.line.why')"
            :aria-label="t('doors.line.why')"
          /><Button type="submit" size="small" :disabled="busy || !why.trim()" :label="t('doors.line.up')" />
        </form>
        <button
          v-else-if="each.place !== 1 && !each.offeredUntil"
          class="word"
          :aria-label="`${t('doors.line.up')}: ${each.person.name}`"
          @click="moving = each.id"
        >
          {{ t('doors.line.up') }}
        </button>
      </li>
    </ol>
    <p v-if="shown.length < line.length">
      <button class="word" @click="unfolded = true">{{ t('doors.line.all', { n: $n(inLine) }) }}</button>
    </p>
    <p v-else-if="inLine > line.length" class="soft">
      {{ t('doors.live.more', { n: $n(inLine - line.length) }, inLine - line.length) }}
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}
h2 {
  font-size: 1rem;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  justify-content: space-between;
  align-items: baseline;
  padding: 6px 4px;
  border-bottom: 1px solid var(--line);
}
.words {
  display: flex;
  gap: 10px;
}
.words input {
  flex: 1;
  max-width: 420px;
}
q {
  font-style: italic;
}
.said {
  white-space: pre-line;
}
</style>
