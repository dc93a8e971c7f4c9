<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import TimeField from '@/ui/TimeField.vue'
import { emptyLetterhead, type LetterheadSet } from './mail'
import { scopeOptions, type PartOfSettings } from './settings'

/** What stands around messages, and when none are sent: for everybody, and for divisions where it differs. */
const props = defineProps<PartOfSettings>()
const taken = computed(() => new Set(props.settings.letterheads.map(({ division }) => division ?? '')))
const free = computed(() => scopeOptions(props.settings.divisions).filter(({ value }) => !taken.value.has(value)))

function set<K extends keyof LetterheadSet>(index: number, field: K, value: LetterheadSet[K]) {
  props.edit().letterheads[index]![field] = value
}
const add = () => props.edit().letterheads.push(emptyLetterhead(free.value[0]?.value || null))
const remove = (index: number) => props.edit().letterheads.splice(index, 1)
/** Those that are free, and its own. */
const scopes = (own: string | null) =>
  scopeOptions(props.settings.divisions).filter(({ value }) => value === (own ?? '') || !taken.value.has(value))
const name = (code: string | null) => props.settings.divisions.find((each) => each.code === code)?.name ?? code
</script>

<template>
  <h2>{{ t('platform.letter.title') }}</h2>
  <p class="soft">{{ t('platform.letter.more') }}</p>
  <section v-for="(each, index) in settings.letterheads" :key="index">
    <div v-if="mayChange" class="row">
      <PickOne
        stacked
        :label="t('platform.span.of')"
        :options="scopes(each.division)"
        :model-value="each.division ?? ''"
        @update:model-value="set(index, 'division', $event || null)"
      />
      <div class="field">
        <label :for="`letter-sender-${index}`">{{ t('platform.letter.sender') }}</label>
        <InputText
          :id="`letter-sender-${index}`"
          size="small"
          maxlength="120"
          :model-value="each.sender"
          :placeholder="settings.name"
          @update:model-value="set(index, 'sender', $event ?? '')"
        />
      </div>
      <div class="field">
        <label :for="`letter-reply-${index}`">{{ t('platform.letter.replyTo') }}</label>
        <InputText
          :id="`letter-reply-${index}`"
          size="small"
          maxlength="254"
          :model-value="each.replyTo"
          @update:model-value="set(index, 'replyTo', ($event ?? '').trim())"
        />
      </div>
      <div class="field quiet" role="group" :aria-label="t('platform.letter.quiet')">
        <span class="label">{{ t('platform.letter.quiet') }}</span>
        <span class="pair">
          <TimeField
            :label="t('platform.letter.quietFrom')"
            :model-value="each.quietFrom"
            @update:model-value="set(index, 'quietFrom', $event)"
          />
          <TimeField
            :label="t('platform.letter.quietUntil')"
            :model-value="each.quietUntil"
            @update:model-value="set(index, 'quietUntil', $event)"
          />
        </span>
      </div>
      <div class="field wide">
        <label :for="`letter-footer-${index}`">{{ t('platform.letter.footer') }}</label>
        <Textarea
          :id="`letter-footer-${index}`"
          rows="2"
          maxlength="1000"
          :model-value="each.footer"
          @update:model-value="set(index, 'footer', $event ?? '')"
        />
      </div>
      <button class="word clay" @click="remove(index)">{{ t('platform.take') }}</button>
    </div>
    <p v-else>
      <strong>{{ each.division ? name(each.division) : t('platform.everything') }}</strong>
      {{ [each.sender, each.replyTo, each.footer].filter(Boolean).join(' · ') }}
    </p>
    <p v-for="wrong in wrongAt(`letterheads/${index}`)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
  </section>
  <p v-if="mayChange && free.length">
    <Button size="small" variant="outlined" :label="t('platform.letter.add')" @click="add" />
  </p>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--line);
  padding: 4px 0 12px;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 10px 18px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.label {
  font-weight: 600;
  font-size: 0.92rem;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
}
.word {
  justify-self: start;
}
</style>
