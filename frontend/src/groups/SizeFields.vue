<script setup lang="ts">
import { useId } from 'vue'
import { t } from '@/shared/words'
import NumberField from '@/ui/NumberField.vue'

/** How many people a group has, from and to; with what is wrong with either. */
const least = defineModel<number | null>('least', { required: true })
const most = defineModel<number | null>('most', { required: true })
defineProps<{ wrong: Record<string, string> }>()
const id = useId()
</script>

<template>
  <div class="two">
    <div class="field">
      <label :for="`${id}-least`">{{ t('groups.new.least') }}</label>
      <NumberField :id="`${id}-least`" v-model="least" :min="1" :max="1000" />
      <span v-if="wrong['/least']" class="wrong" role="alert">{{ wrong['/least'] }}</span>
    </div>
    <div class="field">
      <label :for="`${id}-most`">{{ t('groups.new.most') }}</label>
      <NumberField :id="`${id}-most`" v-model="most" :min="1" :max="1000" />
      <span v-if="wrong['/most']" class="wrong" role="alert">{{ wrong['/most'] }}</span>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 10px 12px;
  align-items: end;
}
.field {
  display: grid;
  gap: 3px;
  align-content: start;
  justify-items: start;
}
.wrong {
  color: var(--clay);
}
</style>
