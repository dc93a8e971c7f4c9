<script setup lang="ts">
import Button from 'primevue/button'
import { defineAsyncComponent } from 'vue'
import { day } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'
import AskedFields from './AskedFields.vue'
import { useJoining } from './joining'

/** What the door does for whoever is signed in: in, in the line, asked, or why not. */
const { look, sections, clash, form, wrong, busy, zone, you, admission, invitation, over, join, leave } = useJoining()
// Most doors ask for no choice.
const PickOne = defineAsyncComponent(() => import('@/ui/PickOne.vue'))
const JoinClash = defineAsyncComponent(() => import('./JoinClash.vue'))
</script>

<template>
  <section v-if="look && you">
    <p class="you">
      {{ t('join.you', { name: you.name }) }}
      <button class="word" :disabled="busy" @click="leave">{{ t('join.notYou') }}</button>
    </p>
    <template v-if="invitation && !invitation.yours && !over">
      <p class="callout">
        {{
          invitation.name
            ? t('join.invitation.forYou', { name: invitation.name })
            : t('join.invitation.to', { address: invitation.address })
        }}
      </p>
      <Button
        v-if="!invitation.name"
        :disabled="busy"
        :label="t('join.invitation.asMe', { name: you.name })"
        fluid
        @click="join(true)"
      />
      <Button variant="outlined" :disabled="busy" :label="t('join.invitation.otherAccount')" fluid @click="leave" />
    </template>
    <template v-else-if="admission?.passage === 'no'"
      ><p class="callout" role="alert">
        {{ admission.sentence
        }}<template v-if="admission.code === 'not-yet'">
          {{ t('join.closed.not-yet', { day: day(look.fromAt, zone) }) }}</template
        >
      </p>
      <p class="soft">
        {{
          admission.next === 'ask-lead' && look.leads.length
            ? t('join.helps', { leads: look.leads.join(', ') })
            : tIn('join.next', admission.next)
        }}
      </p></template
    >
    <template v-else-if="over === 'answered' && admission?.passage !== 'already'"
      ><p class="callout" role="alert">{{ t('join.invitation.answered') }}</p></template
    >
    <template v-else-if="admission?.passage === 'already'"
      ><p>{{ t('join.already') }}</p>
      <RouterLink class="go" :to="{ name: 'landing', params: { site: look.site.id } }">{{
        t('join.enter')
      }}</RouterLink></template
    >
    <template v-else-if="admission?.waits"
      ><p>
        {{ admission.passage === 'line' ? t('join.alreadyWaiting', { n: admission.place }) : t('join.alreadyAsked') }}
      </p>
      <RouterLink class="go" to="/sites/in">{{ t('join.mine') }}</RouterLink></template
    >
    <form v-else-if="admission" @submit.prevent="join(false)">
      <p v-if="admission.passage === 'line'">{{ t('join.full', { n: admission.place }) }}</p>
      <div v-if="look.sections.length" class="field">
        <PickOne
          v-model="form.section"
          stacked
          fluid
          :label="t('join.section')"
          :placeholder="t('join.choose')"
          :options="sections"
        /><span v-if="wrong('section')" class="wrong" role="alert">{{ wrong('section') }}</span>
      </div>
      <JoinClash
        v-if="clash || wrong('clash')"
        v-model="form.clash"
        v-model:why="form.why"
        :clash="clash"
        :zone="zone"
        :wrong="wrong"
        :asked="admission.passage === 'approval' && !look.questions.length"
      />
      <AskedFields
        v-if="admission.passage === 'approval'"
        v-model:why="form.why"
        v-model:answers="form.answers"
        :questions="look.questions"
        :question="look.question"
        :wrong="wrong"
      />
      <Button
        type="submit"
        :disabled="busy"
        :label="
          t(admission.passage === 'line' ? 'join.wait' : admission.passage === 'approval' ? 'join.ask' : 'join.join')
        "
        fluid
      />
    </form>
    <Button v-else :disabled="busy" :label="t('join.join')" fluid @click="join(false)" />
  </section>
</template>

<style scoped>
form,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
/* On a phone the name of a section may be longer than there is room. */
.field :deep(.stacked) {
  grid-template-columns: minmax(0, 1fr);
}
.you {
  font-weight: 600;
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
</style>
