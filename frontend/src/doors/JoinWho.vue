<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { defineAsyncComponent } from 'vue'
import SignInForm from '@/accounts/SignInForm.vue'
import AskedFields from './AskedFields.vue'
import { useJoining } from './joining'
import { t } from '@/shared/words'

/** Who somebody is who is not signed in: with an account they have, or one made on the way. */
const { invited, look, sections, levels, mode, form, wrong, busy, see, invitation, asks, over, canMake, make } =
  useJoining()
// Whoever has an account makes no password.
const NewPassword = defineAsyncComponent(() => import('@/accounts/NewPassword.vue'))
// Most doors ask for no choice.
const PickOne = defineAsyncComponent(() => import('@/ui/PickOne.vue'))
const JoinClash = defineAsyncComponent(() => import('./JoinClash.vue'))
</script>

<template>
  <section v-if="look">
    <p v-if="over === 'answered'" class="callout">{{ t('join.invitation.answered') }}</p>
    <p v-else-if="invitation" class="soft">
      {{
        invitation.name
          ? t('join.invitation.forYou', { name: invitation.name })
          : t('join.invitation.to', { address: invitation.address })
      }}
    </p>
    <div v-if="canMake && !(invited && mode === '')" class="choice" role="group" :aria-label="t('join.who')">
      <button :aria-pressed="mode !== 'make'" @click="mode = 'sign-in'">{{ t('join.haveOne') }}</button>
      <button :aria-pressed="mode === 'make'" @click="mode = 'make'">{{ t('join.makeOne') }}</button>
    </div>
    <h2 v-else>{{ t('join.who') }}</h2>
    <form v-if="canMake && (mode === 'make' || (invited && mode === ''))" @submit.prevent="make">
      <template v-if="!invited || invitation?.account === 'none'">
        <div class="field">
          <label for="given">{{ t('join.given') }}</label><InputText
            id="given"
            v-model="form.given"
            autocomplete="given-name"
            required
            maxlength="80"
            :aria-invalid="!!wrong('given')"
            fluid
          /><span v-if="wrong('given')" class="wrong" role="alert">{{ wrong('given') }}</span>
        </div>
        <div class="field">
          <label for="family">{{ t('join.family') }}</label><InputText
            id="family"
            v-model="form.family"
            autocomplete="family-name"
            required
            maxlength="80"
            :aria-invalid="!!wrong('family')"
            fluid
          /><span v-if="wrong('family')" class="wrong" role="alert">{{ wrong('family') }}</span>
        </div>
        <div v-if="look.levels && look.levels.lowest !== look.levels.highest" class="field">
          <PickOne
            v-model="form.level"
            stacked
            fluid
            :label="t('join.level')"
            :placeholder="t('join.choose')"
            :options="levels"
          /><span v-if="wrong('level')" class="wrong" role="alert">{{ wrong('level') }}</span>
        </div>
      </template>
      <div v-if="look.sections.length" class="field">
        <PickOne
          v-model="form.section"
          stacked
          fluid
          :label="t('join.section')"
          :placeholder="t('join.choose')"
          :options="sections"
        />
      </div>
      <JoinClash
        v-if="wrong('clash')"
        v-model="form.clash"
        v-model:why="form.why"
        :clash="undefined"
        zone="UTC"
        :wrong="wrong"
      />
      <AskedFields
        v-if="asks"
        v-model:why="form.why"
        v-model:answers="form.answers"
        :questions="look.questions"
        :question="look.question"
        :wrong="wrong"
      />
      <NewPassword
        id="new-password"
        v-model="form.password"
        :label="t('join.password')"
        :wrong="wrong('password')"
        :own="[form.given, form.family]"
      />
      <Button
        type="submit"
        :disabled="busy"
        :label="t(invited && invitation?.account === 'password' ? 'join.first' : asks ? 'join.makeAsk' : 'join.make')"
        fluid
      />
      <p v-if="invited">
        <button type="button" class="word" @click="mode = 'sign-in'">{{ t('join.haveOne') }}</button>
      </p>
    </form>
    <template v-else>
      <SignInForm :known="invitation?.login ?? ''" @done="see" />
      <p v-if="!canMake && !invited" class="soft small">{{ t('join.noAccount') }}</p>
    </template>
  </section>
</template>

<style scoped>
form,
section {
  display: grid;
  gap: 14px;
}
.choice {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0;
  border-bottom: 2px solid var(--line);
}
.choice button {
  background: none;
  border: 0;
  border-bottom: 4px solid transparent;
  padding: 8px 4px;
  cursor: pointer;
  font-weight: 600;
  color: var(--soft);
}
.choice button[aria-pressed='true'] {
  border-color: var(--spruce);
  color: var(--ink);
}
.small {
  font-size: 0.92rem;
}
</style>
