<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { ref } from 'vue'
import { api, Problem, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { lastDay } from '@/shared/sentences'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import Trouble from '@/ui/Trouble.vue'
import AskedFields from './AskedFields.vue'

/** Sites that take one without a key: joined at once, or asked with a line of why. Made for a phone first. */
const { data, error, refetch } = useQuery({ queryKey: ['open-doors'], queryFn: () => take(api.GET('/open-doors')) })
const asking = ref('')
const why = ref('')
const answers = ref<string[]>([])
const wrong = ref<Problem | null>(null)
const { busy, run } = useBusy((thrown) => {
  if (thrown instanceof Problem && thrown.document.errors?.length) wrong.value = thrown
  else wentWrong(thrown, thrown instanceof Problem ? thrown.message : undefined)
})
/** Begins to ask at a door, or at none. */
function ask(door: string) {
  asking.value = door
  why.value = ''
  answers.value = []
  wrong.value = null
}
const join = (door: string) =>
  run(async () => {
    const joined = await take(api.POST('/join', { body: { door, why: why.value, answers: answers.value } }))
    ask('')
    done(tIn('openDoors.did', joined.passage, { title: joined.site.title }))
    await refreshSite()
  })
</script>

<template>
  <div class="page narrow">
    <h1>{{ t('openDoors.title') }}</h1>
    <p>
      <RouterLink to="/join">{{ t('openDoors.withKey') }}</RouterLink> ·
      <RouterLink to="/sites/in">{{ t('find.do.in') }}</RouterLink>
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="data && !data.items.length" class="soft">{{ t('openDoors.none') }}</p>
    <ul v-else-if="data">
      <li v-for="each in data.items" :key="each.door">
        <DoorGlyph :state="each.asks ? 'draft' : 'open'" />
        <div>
          <h2>{{ each.site.title }}</h2>
          <p class="soft">
            {{ each.division }} · {{ each.term
            }}<template v-if="each.untilAt">
              · {{ t('openDoors.until', { day: lastDay(each.untilAt, each.timeZone) }) }}</template
            >
          </p>
          <p v-if="each.about">{{ each.about }}</p>
          <p v-if="each.waits" class="brass">{{ t('openDoors.asked') }}</p>
          <form v-else-if="asking === each.door" @submit.prevent="join(each.door)">
            <AskedFields
              v-model:why="why"
              v-model:answers="answers"
              :questions="each.questions"
              :question="each.question"
              :wrong="(field) => wrong?.field(field) ?? ''"
            />
            <p class="acts">
              <Button type="submit" :disabled="busy" :label="t('openDoors.ask')" />
              {{ ' ' }}<button type="button" class="word" @click="ask('')">{{ t('parts.cancel') }}</button>
            </p>
          </form>
          <p v-else>
            <Button
              :disabled="busy"
              :label="t(each.asks ? 'openDoors.ask' : 'openDoors.join')"
              :aria-label="`${t(each.asks ? 'openDoors.ask' : 'openDoors.join')}: ${each.site.title}`"
              @click="each.asks ? ask(each.door) : join(each.door)"
            />
          </p>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.narrow {
  max-width: 680px;
  display: grid;
  gap: 14px;
  align-content: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
}
li {
  display: flex;
  gap: 12px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 14px;
}
li > div {
  flex: 1;
  display: grid;
  gap: 6px;
}
form {
  display: grid;
  gap: 8px;
}
</style>
