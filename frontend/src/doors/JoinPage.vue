<script setup lang="ts">
import { day, lastDay } from '@/shared/sentences'
import { platformName } from '@/shared/appearance'
import { dotted } from '@/shared/lists'
import { inSentence, t, tIn } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import JoinAsYou from './JoinAsYou.vue'
import JoinKey from './JoinKey.vue'
import JoinWho from './JoinWho.vue'
import { provideJoining } from './joining'

/** Key or invitation → who are you → what you are about to join → in. Made for a phone. */
const { invited, look, joined, refusal, zone, you, invitation, closed, asks, over, step, another } = provideJoining()
import PlatformMark from '@/ui/PlatformMark.vue'
</script>

<template>
  <div class="porch">
    <div class="card">
      <p class="name"><PlatformMark :size="32" />{{ platformName }}</p>

      <JoinKey v-if="step === 'key' && !invited" />

      <template v-else-if="look">
        <section class="what">
          <p class="soft">{{ t(invited ? 'join.invitation.title' : 'join.stand') }}</p>
          <div class="door">
            <DoorGlyph :state="closed ? 'closed' : asks ? 'draft' : 'open'" />
            <h1>{{ look.site.title }}</h1>
          </div>
          <p>
            <strong>{{ t('join.as', { role: inSentence(look.role.name) }) }}</strong>
            {{ ' ' }}<span class="soft">· {{ dotted(look.site.division, look.site.term) }}</span>
          </p>
          <p v-if="look.role.caution" class="brass">{{ look.role.caution }}</p>
          <p v-if="look.about">{{ look.about }}</p>
          <p v-if="look.untilAt && !closed" class="soft">
            {{ t('join.until', { day: lastDay(look.untilAt, zone) }) }}
          </p>
          <blockquote v-if="invitation?.words">
            <span class="soft">{{ t('join.invitation.words') }}</span><br />{{ invitation.words }}
          </blockquote>
        </section>

        <p v-if="refusal" class="callout bad" role="alert">{{ refusal.sentence }}</p>

        <section v-if="step === 'done' && joined" class="done" role="status">
          <h2>{{ tIn('join.done', joined.passage, { n: joined.place }) }}</h2>
          <p v-if="joined.login" class="callout">{{ t('join.login', { login: joined.login }) }}</p>
          <p v-if="joined.opensAt && joined.passage === 'in'">
            {{ t('join.opens', { day: day(joined.opensAt, zone) }) }}
          </p>
          <RouterLink
            class="go"
            :to="
              joined.passage === 'in' || joined.passage === 'already'
                ? { name: 'landing', params: { site: joined.site.id } }
                : '/sites/in'
            "
            >{{ t(joined.passage === 'in' || joined.passage === 'already' ? 'join.enter' : 'join.mine') }}</RouterLink
          >
        </section>

        <section v-else-if="over === 'withdrawn' || over === 'lapsed'">
          <p class="callout">{{ t(`join.over.${over}`) }} {{ t('join.next.ask-lead') }}</p>
        </section>

        <section v-else-if="step === 'closed'">
          <p class="callout">
            {{ tIn('join.closed', closed, { day: day(look.fromAt, zone) }) }}
            {{ t(`join.next.${closed === 'not-yet' ? 'come-back' : 'ask-lead'}`) }}
          </p>
        </section>

        <JoinWho v-else-if="step === 'who'" />
        <JoinAsYou v-else-if="you" />
        <p v-if="!invited && step !== 'done'" class="small">
          <button class="word" @click="another">{{ t('join.other') }}</button>
        </p>
      </template>
      <p v-else-if="refusal" class="callout bad" role="alert">{{ refusal.sentence }}</p>
      <p v-else class="skeleton" />
    </div>
  </div>
</template>

<style scoped>
.porch {
  min-height: 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-items: center;
  align-content: start;
  padding: 18px 14px 40px;
  background: linear-gradient(var(--mint-pale), var(--paper) 70%);
}
.card {
  width: min(440px, 100%);
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  background: var(--sheet);
  border: 8px solid var(--spruce);
  border-bottom: 0;
  border-radius: 8px 8px 0 0;
  padding: 20px;
  box-shadow: 0 3px 0 var(--spruce);
}
.name {
  display: flex;
  gap: 10px;
  align-items: center;
  font-family: var(--title);
  font-weight: 700;
  font-size: 1.1rem;
}
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.what {
  gap: 5px;
}
.door {
  display: flex;
  gap: 12px;
  align-items: center;
}
.small {
  font-size: 0.92rem;
}
.go {
  display: block;
  text-align: center;
  background: var(--spruce);
  color: var(--on-spruce);
  font-weight: 600;
  padding: 10px 20px;
  border-radius: 4px;
  text-decoration: none;
}
.done h2 {
  font-size: 1.5rem;
}
blockquote {
  margin: 4px 0 0;
  padding: 6px 12px;
  border-left: 4px solid var(--mint);
  white-space: pre-line;
}
</style>
