<script setup lang="ts">
import DockedColumn from '@/ui/DockedColumn.vue'
import OneOf from '@/ui/OneOf.vue'
import Textarea from 'primevue/textarea'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, Problem, take, type Door, type InviteLine, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { day, fullName } from '@/shared/sentences'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import { useRested } from '@/shared/rested'
import { inviteAgain, withdrawInvitations } from './answers'

const { levelName } = useLevels()

/** Invitations through one door: whom to invite, in words of one's own, and how each one stands. */
const props = defineProps<{ door: Door; site: Site; first?: string }>()
defineEmits<{ close: [] }>()
const text = ref(props.first ?? '')
const words = ref('')
const choices = ref<Record<string, string>>({})
const path = computed(() => ({ path: { site: props.site.id, door: props.door.id } }))
const { value: asked, isNow } = useRested(() => ({ text: text.value, choices: choices.value }), 350)
const {
  data: plan,
  error,
  isFetching,
} = useQuery({
  queryKey: ['invite-plan', props.door.id, asked],
  enabled: computed(() => asked.value.text.trim() !== ''),
  retry: false,
  placeholderData: keepPreviousData,
  queryFn: () =>
    take(
      api.POST('/sites/{site}/doors/{door}/invitations', {
        params: path.value,
        body: { ...asked.value, apply: false },
      }),
    ),
})
const { data: sent } = useQuery({
  queryKey: ['invitations', props.door.id],
  queryFn: () => take(api.GET('/sites/{site}/doors/{door}/invitations', { params: path.value })),
  refetchInterval: 20_000,
})
/** How many letters to addresses outside the sender still has today, when that is near. */
const left = computed(() => plan.value?.left ?? null)
const lines = computed(() => (text.value.trim() ? (plan.value?.items ?? []) : []))
/** What needs a look is all there; of what is ready the first. */
const FIRST = 60
const shown = computed(() => {
  let many = 0
  return lines.value.filter((line) => line.verdict !== 'ready' || ++many <= FIRST)
})
const ready = computed(() => lines.value.filter((line) => line.verdict === 'ready').length)
const invitations = computed(() => sent.value?.items ?? [])
const unanswered = computed(
  () => invitations.value.filter((each) => ['sent', 'opened', 'lapsed', 'bounced'].includes(each.state)).length,
)
const tone = (state: string) => ({ answered: '', lapsed: 'clay', bounced: 'clay', withdrawn: 'soft' })[state] ?? 'soft'
const choose = (line: InviteLine, person: string) => (choices.value = { ...choices.value, [line.number]: person })
const { busy, run } = useBusy((thrown) => wentWrong(thrown, thrown instanceof Problem ? thrown.message : undefined))
const invite = () =>
  run(async () => {
    const { invited } = await take(
      api.POST('/sites/{site}/doors/{door}/invitations', {
        params: path.value,
        body: { text: text.value, choices: choices.value, words: words.value, apply: true },
      }),
    )
    text.value = words.value = ''
    choices.value = {}
    done(t('doors.invite.sent', { n: invited }, invited))
    await refreshSite()
  })
const again = (ids: string[]) => run(() => inviteAgain(props.site.id, props.door.id, ids))
const withdraw = (ids: string[]) => run(() => withdrawInvitations(props.site.id, props.door.id, ids))
</script>

<template>
  <DockedColumn name="invite" :label="t('doors.invite.title', { name: door.name })" closes @close="$emit('close')">
    <h2>{{ t('doors.invite.title', { name: door.name }) }}</h2>
    <div class="field">
      <label for="invite-box">{{ t('doors.invite.box') }}</label><Textarea
        id="invite-box"
        v-model="text"
        rows="4"
        spellcheck="false"
        :placeholder="t('doors.invite.hint')"
      />
    </div>
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <ol v-if="lines.length">
      <li v-for="(line, index) in shown" :key="index" :class="line.verdict">
        <strong>{{ line.person?.name ?? line.address ?? line.text }}</strong>
        {{ ' ' }}<span v-if="line.verdict === 'ready' && !line.person" class="soft">{{ t('doors.invite.new') }}</span>
        <span :class="line.verdict === 'ready' ? 'soft' : 'brass'">{{
          t(`doors.invite.verdict.${line.verdict}`)
        }}</span>
        <OneOf
          v-for="who in line.candidates"
          :key="who.id"
          :model-value="null"
          :value="who.id"
          :name="`invite-${line.number}`"
          @update:model-value="choose(line, who.id)"
          >{{ fullName(who) }}
          <span class="soft"
            >{{ kindName(who) }}<template v-if="who.level">, {{ levelName(who.level, who.division.code) }}</template> ·
            {{ who.division.name }}</span
          ></OneOf
        >
      </li>
      <li v-if="shown.length < lines.length" class="soft">
        {{ t('doors.live.more', { n: $n(lines.length - shown.length) }, lines.length - shown.length) }}
      </li>
    </ol>
    <div v-if="lines.length" class="field">
      <label for="invite-words"
        >{{ t('doors.invite.words') }} <span class="soft">{{ t('doors.invite.wordsHint') }}</span></label
      ><Textarea id="invite-words" v-model="words" rows="3" maxlength="2000" />
    </div>
    <p v-if="left !== null" class="brass">{{ t('doors.invite.left', { n: left }, left) }}</p>
    <p v-if="lines.length">
      <Button
        :disabled="!ready || busy || !isNow || isFetching"
        :label="t('doors.invite.send', { n: ready }, ready)"
        @click="invite"
      />
    </p>
    <p v-if="unanswered">
      <button class="word" :disabled="busy" @click="again([])">
        {{ t('doors.invite.again', { n: unanswered }, unanswered) }}
      </button>
    </p>
    <p v-if="!invitations.length" class="soft">{{ t('doors.invite.none') }}</p>
    <ol v-else>
      <li v-for="each in invitations" :key="each.id">
        <strong>{{ each.person?.name ?? (each.address || t('doors.invite.forgotten')) }}</strong>
        {{ ' ' }}<span :class="tone(each.state)">{{ t(`doors.invite.state.${each.state}`) }}</span>
        <span v-if="each.answeredBy" class="soft">{{ t('doors.invite.by', { name: each.answeredBy.name }) }}</span>
        <span v-if="['on-its-way', 'sent', 'opened'].includes(each.state)" class="soft">{{
          t('doors.invite.until', { day: day(each.lapsesAt, site.timeZone) })
        }}</span>
        <span v-if="each.state === 'bounced' && each.reason" class="soft">{{ each.reason }}</span>
        <span v-if="each.state !== 'answered' && each.state !== 'withdrawn'" class="acts"
          ><button
            v-if="each.state !== 'on-its-way'"
            class="word"
            :disabled="busy"
            :aria-label="`${t('doors.invite.once')}: ${each.person?.name ?? each.address}`"
            @click="again([each.id])"
          >
            {{ t('doors.invite.once') }}</button
          ><button
            class="word"
            :disabled="busy"
            :aria-label="`${t('doors.invite.withdraw')}: ${each.person?.name ?? each.address}`"
            @click="withdraw([each.id])"
          >
            {{ t('doors.invite.withdraw') }}
          </button></span
        >
      </li>
    </ol>
  </DockedColumn>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
  align-items: baseline;
}
li label {
  display: block;
  width: 100%;
}
li .acts {
  margin-left: auto;
}
textarea {
  width: 100%;
}
</style>
