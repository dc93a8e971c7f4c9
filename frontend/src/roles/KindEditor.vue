<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import type { Rules } from '@/shared/api'
import { t, tIn } from '@/shared/words'
import { GLYPHS } from '@/ui/glyphs'
import NumberField from '@/ui/NumberField.vue'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'

/** One kind of site in the draft of the rules. */
type Kind = Rules['siteKinds'][number]
type PersonKind = Kind['roles'][number]['people']
const props = defineProps<{
  kind: Kind
  roles: Rules['roles']
  /** Whether it is offered first. */
  first: boolean
  wrongAt: (where: string) => string[]
}>()
const emit = defineEmits<{ change: [how: Partial<Kind>]; makeFirst: []; remove: [] }>()

const PEOPLE: PersonKind[] = ['learner', 'staff', 'guardian', 'external']
const at = (field: string) => props.wrongAt(`siteKinds/${props.kind.code}/${field}`)
const glyphs = computed(() =>
  optionsIn(['', ...Object.keys(GLYPHS)], (name) => (name ? tIn('glyph', name) : t('rules.kind.noGlyph'))),
)
const rolesFor = (people: PersonKind) => [
  { value: '', label: t('rules.kind.asRoles') },
  ...props.roles.filter((role) => role.for.includes(people)).map((role) => ({ value: role.code, label: role.name })),
]
const roleOf = (people: PersonKind) => props.kind.roles.find((each) => each.people === people)?.role ?? ''
const give = (people: PersonKind, role: string) =>
  emit('change', {
    roles: PEOPLE.flatMap((each) => {
      const code = each === people ? role : roleOf(each)
      return code ? [{ people: each, role: code }] : []
    }),
  })
const ask = (index: number, how: Partial<Kind['questions'][number]>) =>
  emit('change', { questions: props.kind.questions.map((each, i) => (i === index ? { ...each, ...how } : each)) })
const lines = (text: string) => (text === '' ? [] : text.split('\n'))
</script>

<template>
  <div class="editor">
    <div class="field">
      <label :for="`kind-${kind.code}-name`">{{ t('rules.kind.name') }}</label>
      <InputText
        :id="`kind-${kind.code}-name`"
        maxlength="60"
        :model-value="kind.name"
        fluid
        @update:model-value="emit('change', { name: $event ?? '' })"
      /><span v-for="wrong in at('name')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
    </div>
    <PickOne
      stacked
      fluid
      :label="t('rules.kind.glyph')"
      :options="glyphs"
      :model-value="kind.glyph"
      @update:model-value="emit('change', { glyph: $event ?? '' })"
    />
    <div class="field">
      <label :for="`kind-${kind.code}-seats`">{{ t('rules.kind.seats') }}</label>
      <NumberField
        :id="`kind-${kind.code}-seats`"
        :figures="5"
        :model-value="kind.seats"
        @update:model-value="emit('change', { seats: $event || null })"
      /><span class="hint">{{ t('rules.kind.seatsHint') }}</span
      ><span v-for="wrong in at('seats')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
    </div>
    <Tick class="whole" :model-value="kind.listed" @update:model-value="emit('change', { listed: !kind.listed })">{{
      t('rules.kind.listed')
    }}</Tick>
    <fieldset class="whole">
      <legend>{{ t('rules.kind.roles') }}</legend>
      <p class="hint">{{ t('rules.kind.rolesHint') }}</p>
      <div class="roles">
        <div v-for="people in PEOPLE" :key="people" class="field">
          <PickOne
            stacked
            fluid
            :label="tIn('kind', people)"
            :options="rolesFor(people)"
            :model-value="roleOf(people)"
            @update:model-value="give(people, $event ?? '')"
          /><span v-for="wrong in at('roles/' + people)" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
        </div>
      </div>
    </fieldset>
    <fieldset class="whole">
      <legend>{{ t('rules.kind.questions') }}</legend>
      <p class="hint">{{ t('rules.kind.questionsHint') }}</p>
      <div v-for="(question, index) in kind.questions" :key="index" class="asked">
        <div class="field">
          <label :for="`kind-${kind.code}-ask-${index}`">{{ t('rules.kind.askText') }}</label>
          <InputText
            :id="`kind-${kind.code}-ask-${index}`"
            maxlength="200"
            :model-value="question.text"
            fluid
            @update:model-value="ask(index, { text: $event ?? '' })"
          /><span v-for="wrong in at('questions/' + index)" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
          <button
            class="word clay"
            @click="emit('change', { questions: kind.questions.filter((_, i) => i !== index) })"
          >
            {{ t('rules.kind.askLess') }}
          </button>
        </div>
        <div class="field">
          <label :for="`kind-${kind.code}-choices-${index}`">{{ t('rules.kind.choices') }}</label>
          <Textarea
            :id="`kind-${kind.code}-choices-${index}`"
            rows="4"
            :model-value="question.choices.join('\n')"
            fluid
            @update:model-value="ask(index, { choices: lines($event ?? '') })"
          /><span class="hint">{{ t('rules.kind.choicesHint') }}</span>
        </div>
      </div>
      <Button
        size="small"
        variant="outlined"
        :label="t('rules.kind.askMore')"
        @click="emit('change', { questions: [...kind.questions, { text: '', choices: [] }] })"
      /><span v-for="wrong in at('questions')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
    </fieldset>
    <p class="acts whole">
      <button v-if="!first" class="word" @click="emit('makeFirst')">{{ t('rules.kind.makeFirst') }}</button>
      <button class="word clay" @click="emit('remove')">{{ t('rules.kind.remove') }}</button>
    </p>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 14px 18px;
  align-items: start;
}
fieldset {
  display: grid;
  gap: 10px;
  justify-items: start;
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
legend {
  font-weight: 600;
  padding: 0;
}
.roles,
.asked {
  display: grid;
  gap: 10px 18px;
  width: 100%;
}
.asked .word {
  justify-self: start;
}
.acts {
  display: flex;
  gap: 18px;
}
@media (min-width: 800px) {
  .editor {
    grid-template-columns: 1fr 200px 200px;
  }
  .whole {
    grid-column: 1 / -1;
  }
  .roles {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
  .asked {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
