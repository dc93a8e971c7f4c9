<script setup lang="ts">
import Textarea from 'primevue/textarea'
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { ref } from 'vue'
import type { Door, Platform, Site } from '@/shared/api'
import { t } from '@/shared/words'
import DoorTimes from './DoorTimes.vue'
import DoorWho from './DoorWho.vue'
import { provideDraft } from './doorDraft'
import type { Draft } from './doors'

/** A door is set up by completing its sentence; while it is written, how far it reaches is said. */
const props = defineProps<{ first: Draft; door?: Door; site: Site; platform?: Platform }>()
const emit = defineEmits<{ close: []; made: [door: string] }>()
const { draft, open, unreachable, reachSentence, busy, save } = provideDraft({
  first: props.first,
  site: props.site,
  door: props.door,
  made: (door) => emit('made', door),
})
const nameField = ref<{ $el: HTMLElement }>()
defineExpose({ focus: () => nameField.value?.$el.focus() })
</script>

<template>
  <form
    class="write"
    :aria-label="t(door ? 'doors.changing' : 'doors.new', { name: door?.name ?? '' })"
    @submit.prevent="save"
  >
    <p class="head">
      <label for="door-name">{{ t('doors.write.name') }}</label>
      {{ ' '
      }}<InputText
        id="door-name"
        ref="nameField"
        v-model="draft.name"
        size="small"
        maxlength="60"
        :placeholder="t(`doors.kinds.${draft.kind}`)"
      />
    </p>
    <div class="flow">
      <DoorWho :site="site" :platform="platform" :changed="!!door" />
      <DoorTimes />
    </div>
    <div class="field">
      <label for="door-about"
        >{{ t('doors.write.about') }} <span class="soft">{{ t('doors.write.aboutHint') }}</span></label
      ><Textarea id="door-about" v-model="draft.about" rows="2" maxlength="600" />
    </div>
    <p v-if="unreachable && open" class="brass" role="status">{{ unreachable.message }}</p>
    <p v-else-if="reachSentence" class="follows" role="status">{{ reachSentence }}</p>
    <p class="acts">
      <Button type="submit" size="small" :disabled="busy" :label="t(door ? 'doors.write.save' : 'doors.write.make')" />
      {{ ' ' }}<button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
    </p>
  </form>
</template>

<style scoped>
.write {
  display: grid;
  gap: 9px;
  padding: 14px 18px 16px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-left: 6px solid var(--brass);
  border-radius: 0 6px 6px 0;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
}
.head label {
  font-weight: 600;
}
.flow {
  line-height: 2.5;
  max-width: 1000px;
}
.flow :deep(.p-select),
.flow :deep(input:not([type='checkbox'])),
.head input {
  border-width: 0 0 2px;
  border-radius: 2px 2px 0 0;
  background: var(--mint-pale);
  padding: 2px 4px;
  height: 30px;
  margin: 0 3px;
}
.flow :deep(.p-select) {
  vertical-align: middle;
  line-height: 1.3;
  height: 32px;
}
.flow :deep(.p-select-label.p-placeholder) {
  color: var(--soft);
}
.flow :deep(.line) {
  display: inline;
  margin-right: 6px;
}
.flow :deep(.line label) {
  white-space: nowrap;
  margin: 0 3px;
}
textarea {
  width: 100%;
  max-width: 74ch;
}
</style>
