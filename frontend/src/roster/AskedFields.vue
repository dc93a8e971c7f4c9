<script setup lang="ts">
import type { Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { asksNothing, type AskingVerb, type useAsked } from './asked'
import LabelInput from './LabelInput.vue'

/** The fields of what a change asks for. */
defineProps<{ site: Site; verb: AskingVerb; wrong: boolean }>()
const asked = defineModel<ReturnType<typeof useAsked>['asked']>({ required: true })
const { platform } = usePlatform()
</script>

<template>
  <div v-if="!asksNothing(verb)" class="fields">
    <template v-if="verb === 'label'">
      <label
        >{{ $t('label.which') }} <LabelInput v-model="asked.label" :site="site" :label="$t('label.which')"
      /></label>
      <label v-for="on in [true, false]" :key="String(on)"
        ><input v-model="asked.on" type="radio" name="on-or-off" :value="on" />
        {{ $t('label.onOrOff.' + (on ? 'on' : 'off')) }}</label
      >
    </template>
    <label v-if="verb === 'change-role'"
      >{{ $t('card.chooseRole') }}
      <select v-model="asked.role" class="plain">
        <option v-for="role in platform?.roles" :key="role.code" :value="role.code">{{ role.name }}</option>
      </select>
    </label>
    <template v-if="verb === 'change-dates'">
      <label
        >{{ $t('card.ask.length') }}
        <select v-model="asked.length" class="plain">
          <option v-for="each in ['day', 'days', 'term', 'open'] as const" :key="each" :value="each">
            {{ $t('card.ask.lengths.' + each, { term: site.term.name }) }}
          </option>
        </select>
      </label>
      <label v-if="asked.length === 'days'"
        ><input
          v-model="asked.days"
          class="plain short"
          type="number"
          min="1"
          max="1000"
          :aria-label="$t('card.ask.days')"
        />
        {{ $t('card.ask.days') }}</label
      >
    </template>
    <label v-if="verb === 'pause' || verb === 'change-dates'"
      >{{ $t('card.ask.from') }} <input v-model="asked.fromDay" type="date" /> {{ ' '
      }}<span class="soft">{{ $t(verb === 'pause' ? 'card.ask.fromNow' : 'card.ask.fromKeep') }}</span></label
    >
    <label v-if="verb === 'pause' || verb === 'block' || (verb === 'change-dates' && asked.length === 'day')"
      >{{ $t('card.ask.until') }} <input v-model="asked.untilDay" type="date" :aria-invalid="wrong" /> {{ ' '
      }}<span v-if="verb !== 'change-dates'" class="soft">{{ $t('card.ask.untilOpen') }}</span></label
    >
    <label v-if="verb === 'pause' || verb === 'block'" class="wide"
      >{{ $t('card.ask.note') }} <textarea v-model="asked.note" class="plain" rows="2" maxlength="500" />
    </label>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 6px;
}
label {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
.wide textarea {
  width: 100%;
  resize: vertical;
}
.short {
  width: 76px;
}
</style>
