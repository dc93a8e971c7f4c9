<script setup lang="ts">
import Textarea from 'primevue/textarea'
import Button from 'primevue/button'
import { useJoining } from './joining'
import { t } from '@/shared/words'

/** The key, typed or pasted. */
const { key, wrong, busy, see } = useJoining()
</script>

<template>
  <form @submit.prevent="see">
    <h1>{{ t('join.title') }}</h1>
    <div class="field">
      <label for="key">{{ t('join.key') }}</label>
      <!-- A key is longer than a phone is wide: it wraps, so that all of it can be compared. -->
      <Textarea
        id="key"
        v-model="key"
        rows="1"
        autocomplete="off"
        autocapitalize="none"
        autocorrect="off"
        spellcheck="false"
        enterkeyhint="go"
        required
        maxlength="400"
        aria-describedby="key-hint"
        :aria-invalid="!!wrong('key')"
        autofocus
        class="key"
        fluid
        @keydown.enter.prevent="($event.target as HTMLTextAreaElement).form?.requestSubmit()"
      />
      <span id="key-hint" class="hint">{{ t('join.hint') }}</span>
      <span v-if="wrong('key')" class="wrong" role="alert">{{ wrong('key') }}</span>
    </div>
    <Button type="submit" :disabled="busy" :label="t('join.go')" fluid />
    <p class="soft small">
      <RouterLink to="/sites/open">{{ t('openDoors.title') }}</RouterLink>
    </p>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}
.key {
  font-family: var(--mono);
  width: 100%;
  padding: 8px 10px;
  resize: none;
  field-sizing: content;
  overflow-wrap: anywhere;
}
.small {
  font-size: 0.92rem;
}
</style>
