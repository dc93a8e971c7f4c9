<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type TodayDecision, type TodayDecisions } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refresh } from '@/shared/queries'
import { day, dayAndTime } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import { answerWaiting, inviteAgain, withdrawInvitations } from '@/doors/answers'
import { sendAgain } from '@/messages/messages'

/** One thing that waits, in a sentence, with the act that settles it. */
const props = defineProps<{ kind: TodayDecisions['kind']; decision: TodayDecision }>()
const router = useRouter()
const site = computed(() => props.decision.site?.id ?? '')
const sentence = computed(() => {
  const { person, about, words, at, until, timeZone } = props.decision
  return t(`today.item.${props.kind}`, {
    who: person?.name ?? (props.kind === 'bounced' ? about?.name : words) ?? '',
    door: about?.name || t('today.door'),
    site: props.decision.site?.name ?? t('changeLists.severalSites'),
    day: day(at, timeZone),
    until: !until ? '' : props.kind === 'offer' ? dayAndTime(until, timeZone) : day(until, timeZone),
    words: words ?? '',
    list: props.kind === 'draft' ? about?.name || tIn('changeLists.kind', words ?? '') : '',
  })
})

const { busy, run } = useBusy()
const answer = (say: 'yes' | 'no') => run(() => answerWaiting(site.value, [Number(props.decision.id)], say))
const remind = () => run(() => inviteAgain(site.value, props.decision.about!.id, [props.decision.id]))
const takeBack = () => run(() => withdrawInvitations(site.value, props.decision.about!.id, [props.decision.id]))
const send = () =>
  run(async () => {
    await sendAgain([props.decision.id])
    await refresh('today')
  })

/** Puts a list aside, or takes it up again. */
async function putAside(aside: boolean) {
  const path = { params: { path: { changeList: props.decision.id } } }
  await take(
    aside
      ? api.PUT('/change-lists/{changeList}/dropped', path)
      : api.DELETE('/change-lists/{changeList}/dropped', path),
  )
  await refresh('today', 'changeLists')
}
const drop = () =>
  run(async () => {
    await putAside(true)
    done(t('changeLists.dropped'), { back: () => putAside(false).then(() => '') })
  })
const lead = () =>
  router.push({
    name: 'roster',
    params: { site: site.value },
    query: props.decision.person ? { person: props.decision.person.id } : { role: 'lead-tutor' },
  })
</script>

<template>
  <li>
    <span class="said"
      >{{ sentence }}<q v-if="kind === 'request' && decision.words" class="soft said">{{ decision.words }}</q></span
    >
    <span class="acts">
      <template v-if="kind === 'request'">
        <Button size="small" variant="outlined" :disabled="busy" :label="t('today.act.yes')" @click="answer('yes')" />
        <button class="word" :disabled="busy" @click="answer('no')">{{ t('today.act.no') }}</button>
      </template>
      <Button
        v-else-if="kind === 'no-lead'"
        size="small"
        variant="outlined"
        :label="t('today.act.lead')"
        @click="lead"
      />
      <RouterLink v-else-if="kind === 'offer'" :to="{ name: 'doors', params: { site } }">{{
        t('today.act.line')
      }}</RouterLink>
      <RouterLink v-else-if="kind === 'leaving'" :to="{ name: 'site-cohorts', params: { site } }">{{
        t('today.act.leaving')
      }}</RouterLink>
      <RouterLink v-else-if="kind === 'plan'" :to="{ name: 'plan', params: { site } }">{{
        t('today.act.plan')
      }}</RouterLink>
      <Button
        v-else-if="kind === 'bounced'"
        size="small"
        variant="outlined"
        :disabled="busy"
        :label="t('today.act.send')"
        @click="send"
      />
      <template v-else-if="kind === 'invitation'">
        <Button size="small" variant="outlined" :disabled="busy" :label="t('today.act.remind')" @click="remind" />
        <button class="word" :disabled="busy" @click="takeBack">{{ t('today.act.takeBack') }}</button>
      </template>
      <template v-else>
        <RouterLink :to="{ name: 'change-list', params: { changeList: decision.id } }">{{
          t('today.act.goOn')
        }}</RouterLink>
        <button class="word" :disabled="busy" @click="drop">{{ t('today.act.aside') }}</button>
      </template>
    </span>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
.said {
  flex: 1 1 300px;
}
q {
  display: block;
}
.said {
  white-space: pre-line;
}
</style>
