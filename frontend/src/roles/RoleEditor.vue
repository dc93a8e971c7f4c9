<script setup lang="ts">
import InputText from 'primevue/inputtext'
import type { RoleRules, RuleBook, Rules } from '@/shared/api'
import { t } from '@/shared/words'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import NumberField from '@/ui/NumberField.vue'
import Tick from '@/ui/Tick.vue'
import { toggle } from './editing'
import RoleBands from './RoleBands.vue'
import RolePermissions from './RolePermissions.vue'
import LevelRun from './LevelRun.vue'

/**
 * A role being changed: what it is called, what it may, for whom it is and who gives it. Writes on the draft it was
 * given.
 */
const props = defineProps<{ role: RoleRules; rules: Rules; book: RuleBook; wrongAt: (where: string) => string[] }>()
defineEmits<{ done: []; remove: [] }>()
const KINDS = ['learner', 'staff', 'guardian', 'external'] as const
const at = (field: string) => props.wrongAt(`roles/${props.role.code}/${field}`)
const fresh = !props.book.rules.roles.some((role) => role.code === props.role.code)

function forKind(kind: RoleRules['for'][number]) {
  const { role } = props
  toggle(role.for, kind)
  role.suggestFor = role.suggestFor.filter((each) => role.for.includes(each))
}

/* eslint-disable vue/no-mutating-props -- the draft is made to be written on */
</script>

<template>
  <form class="editor" @submit.prevent="$emit('done')" @keydown.esc="$emit('done')">
    <div class="row">
      <div class="field">
        <label :for="'name-' + role.code">{{ t('rules.name') }}</label><InputText
          :id="'name-' + role.code"
          v-model="role.name"
          size="small"
          maxlength="60"
        /><span v-for="sentence in at('name')" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
      </div>
      <div class="field">
        <label :for="'rank-' + role.code">{{ t('rules.rank') }}</label><NumberField
          :id="'rank-' + role.code"
          :figures="3"
          :model-value="role.rank"
          @update:model-value="role.rank = $event ?? 0"
        /><span class="hint">{{ t('rules.rankHint') }}</span
        ><span v-for="sentence in at('rank')" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
      </div>
      <div class="field">
        <PickOne
          v-model="role.standard"
          stacked
          :label="t('rules.standard')"
          :options="optionsIn(book.standards, (each) => each)"
        />
      </div>
      <p class="low">
        <Tick v-model="role.listed">{{ t('rules.listed') }}</Tick>
        {{ ' ' }}<Tick v-if="fresh" v-model="role.takesSeat">{{ t('rules.seat') }}</Tick>
      </p>
    </div>
    <div class="field">
      <label :for="'caution-' + role.code">{{ t('rules.captionOf') }}</label><InputText
        :id="'caution-' + role.code"
        size="small"
        maxlength="200"
        :model-value="role.caution ?? ''"
        @update:model-value="role.caution = $event || null"
      /><span class="hint">{{ t('rules.cautionHint') }}</span
      ><span v-for="sentence in at('caution')" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
    </div>
    <fieldset>
      <legend>{{ t('rules.permissions') }}</legend>
      <RolePermissions :role="role" :book="book" />
      <p v-for="sentence in [...at('permissions'), ...at('bands')]" :key="sentence" class="clay" role="alert">
        {{ sentence }}
      </p>
    </fieldset>
    <fieldset>
      <legend>{{ t('rules.whoFor') }}</legend>
      <p class="inline">
        <Tick
          v-for="kind in KINDS"
          :key="kind"
          :model-value="role.for.includes(kind)"
          @update:model-value="forKind(kind)"
          >{{ t(`rules.kinds.${kind}`) }}</Tick
        >
      </p>
      <p class="inline">
        {{ t('rules.offerTo') }}
        <Tick v-for="kind in role.for" :key="kind" v-model="role.suggestFor" :value="kind">{{
          t(`rules.kinds.${kind}`)
        }}</Tick>
      </p>
      <p v-if="role.for.includes('learner')" class="inline">
        <Tick
          :model-value="role.learnersOf !== null"
          @update:model-value="role.learnersOf = role.learnersOf ? null : [1, 10]"
          >{{ t('rules.onlyLevels') }}</Tick
        >
        <template v-if="role.learnersOf"
          ><LevelRun v-model="role.learnersOf" :label="t('rules.onlyLevels')"
        /></template>
      </p>
      <p v-for="sentence in [...at('for'), ...at('suggestFor')]" :key="sentence" class="clay" role="alert">
        {{ sentence }}
      </p>
    </fieldset>
    <fieldset>
      <legend>{{ t('rules.givers') }}</legend>
      <p class="inline">
        <Tick
          v-for="each in rules.roles.filter(
            (other) => other.permissions.includes('let-in') || role.givenBy.includes(other.code),
          )"
          :key="each.code"
          v-model="role.givenBy"
          :value="each.code"
          >{{ each.name }}</Tick
        >
      </p>
      <p v-for="sentence in at('givenBy')" :key="sentence" class="clay" role="alert">{{ sentence }}</p>
    </fieldset>
    <fieldset v-if="role.for.includes('learner')">
      <legend>{{ t('rules.bands') }}</legend>
      <RoleBands :role="role" />
    </fieldset>
    <p v-for="sentence in [...at('listed'), ...at('code'), ...at('lead')]" :key="sentence" class="clay" role="alert">
      {{ sentence }}
    </p>
    <p class="row">
      <button class="word">{{ t('rules.stop') }}</button><button
        v-if="!role.lead"
        type="button"
        class="word clay"
        @click="$emit('remove')"
      >
        {{ t('rules.remove') }}
      </button>
    </p>
  </form>
</template>

<style scoped>
.editor {
  border-left: 4px solid var(--brass);
  padding: 6px 14px;
  display: grid;
  gap: 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  align-items: start;
}
.low {
  align-self: end;
}
.inline {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  margin-top: 4px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding: 0 0 4px;
}
</style>
