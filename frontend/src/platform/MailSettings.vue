<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { api, take } from '@/shared/api'
import { useForm } from '@/shared/busy'
import { me } from '@/shared/me'
import { refresh } from '@/shared/queries'
import { t } from '@/shared/words'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import { keepTypedPassword, PORTS, trialSentence, typedPassword, type MailSet } from './mail'
import type { PartOfSettings } from './settings'

/** Who carries the messages of the platform, and one message to try it. */
const props = defineProps<PartOfSettings & { passwordKept: boolean }>()
const mail = computed(() => props.settings.mail)
const to = ref('')
const trial = ref<{ sentence: string; sent: boolean }>()
const { busy, wrong, run } = useForm()

function set<K extends keyof MailSet>(field: K, value: MailSet[K]) {
  props.edit().mail[field] = value
  trial.value = undefined
}

/** The port follows the kind of connection until somebody writes another. */
function secure(security: MailSet['security']) {
  const follows = Object.values(PORTS).includes(mail.value.port)
  set('security', security)
  if (follows) set('port', PORTS[security])
}

const send = () =>
  run(async () => {
    trial.value = undefined
    const address = to.value.trim()
    const body = { mail: mail.value, to: address, password: typedPassword.value || null }
    const came = await take(api.POST('/settings/mail-test', { body }))
    trial.value = { sentence: trialSentence(came, address), sent: came.sent }
  })
const keep = () => run(async () => (await keepTypedPassword(), await refresh('settings')))
const forget = () =>
  run(async () => {
    await take(api.PUT('/settings/mail-password', { body: { password: '' } }))
    await refresh('settings')
  })
</script>

<template>
  <fieldset :disabled="!mayChange">
    <legend>{{ t('platform.mail.carrier') }}</legend>
    <OneOf
      v-for="carrier in ['', 'simulated', 'server'] as const"
      :key="carrier"
      name="mail-carrier"
      :value="carrier"
      :model-value="mail.carrier"
      @update:model-value="set('carrier', carrier)"
      >{{ t(`platform.mail.by.${carrier || 'unset'}`) }}</OneOf
    >
  </fieldset>
  <div v-if="mail.carrier === 'server'" class="form">
    <div class="field">
      <label for="mail-host">{{ t('platform.mail.host') }}</label>
      <InputText
        id="mail-host"
        size="small"
        maxlength="253"
        autocomplete="off"
        spellcheck="false"
        :placeholder="t('platform.mail.hostLike')"
        :model-value="mail.host"
        :disabled="!mayChange"
        @update:model-value="set('host', ($event ?? '').trim())"
      />
      <span v-for="each in wrongAt('mail/host')" :key="each" class="wrong" role="alert">{{ each }}</span>
    </div>
    <div class="field">
      <PickOne
        stacked
        :label="t('platform.mail.security')"
        :options="optionsIn(['starttls', 'tls', 'none'] as const, (each) => t(`platform.mail.secure.${each}`))"
        :model-value="mail.security"
        @update:model-value="secure($event!)"
      />
      <span v-for="each in wrongAt('mail/security')" :key="each" class="wrong" role="alert">{{ each }}</span>
    </div>
    <div class="field">
      <label for="mail-port">{{ t('platform.mail.port') }}</label>
      <NumberField
        id="mail-port"
        :figures="5"
        :model-value="mail.port"
        @update:model-value="set('port', $event ?? 0)"
      />
      <span v-for="each in wrongAt('mail/port')" :key="each" class="wrong" role="alert">{{ each }}</span>
    </div>
    <div class="field">
      <label for="mail-user">{{ t('platform.mail.user') }}</label>
      <InputText
        id="mail-user"
        size="small"
        maxlength="254"
        autocomplete="off"
        :model-value="mail.user"
        :disabled="!mayChange"
        aria-describedby="mail-user-hint"
        @update:model-value="set('user', $event ?? '')"
      />
      <span id="mail-user-hint" class="hint">{{ t('platform.mail.userHint') }}</span>
    </div>
    <div v-if="mail.user" class="field">
      <label for="mail-password">{{ t('platform.mail.password') }}</label>
      <InputText
        id="mail-password"
        v-model="typedPassword"
        type="password"
        size="small"
        maxlength="500"
        autocomplete="new-password"
        :disabled="!mayChange"
        aria-describedby="mail-password-hint"
      />
      <span id="mail-password-hint" class="hint">{{
        t(passwordKept ? 'platform.mail.passwordKept' : 'platform.mail.passwordHint')
      }}</span>
      <span class="acts">
        <button v-if="typedPassword" type="button" class="word" :disabled="busy" @click="keep">
          {{ t('platform.mail.keep') }}
        </button>
        <button v-if="passwordKept && mayChange" type="button" class="word clay" :disabled="busy" @click="forget">
          {{ t('platform.mail.forget') }}
        </button>
      </span>
    </div>
  </div>
  <div class="field from">
    <label for="mail-from">{{ t('platform.mail.from') }}</label>
    <InputText
      id="mail-from"
      size="small"
      maxlength="254"
      :placeholder="t('platform.mail.fromLike')"
      :model-value="mail.from"
      :disabled="!mayChange"
      aria-describedby="mail-from-hint"
      @update:model-value="set('from', ($event ?? '').trim())"
    />
    <span id="mail-from-hint" class="hint">{{ t('platform.mail.fromHint') }}</span>
    <span v-for="each in wrongAt('mail/from')" :key="each" class="wrong" role="alert">{{ each }}</span>
  </div>
  <form v-if="mayChange" class="trial" novalidate @submit.prevent="send">
    <div class="field">
      <label for="mail-to">{{ t('platform.mail.to') }}</label>
      <InputText
        id="mail-to"
        v-model="to"
        size="small"
        type="email"
        maxlength="190"
        :placeholder="me?.login.includes('@') ? me.login : ''"
      />
    </div>
    <Button
      type="submit"
      size="small"
      variant="outlined"
      :disabled="busy || !to.trim()"
      :label="t('platform.mail.try')"
    />
    <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
    <p v-else-if="trial" :class="trial.sent ? 'well' : 'clay'" role="status">{{ trial.sentence }}</p>
  </form>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
  display: grid;
  gap: 6px;
}
legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding: 0 0 6px;
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
  gap: 10px 18px;
  align-items: start;
}
.from {
  max-width: 460px;
}
.trial {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
.trial .field {
  min-width: 240px;
}
.trial p {
  flex-basis: 100%;
}
.acts {
  display: flex;
  gap: 12px;
}
.well {
  color: var(--spruce);
  font-weight: 600;
}
</style>
