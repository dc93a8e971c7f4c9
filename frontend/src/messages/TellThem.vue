<script setup lang="ts">
import Textarea from 'primevue/textarea'
import Tick from '@/ui/Tick.vue'
import { computed, ref } from 'vue'
import type { MessageKind, ChangeLine } from '@/shared/api'
import { t } from '@/shared/words'
import type { Sample } from './messages'
import PreviewOf from './PreviewOf.vue'

/**
 * Whether those a change list changes something for are told, in which words, how many can be, and what one of them
 * would read.
 */
const tell = defineModel<boolean>('tell', { required: true })
const words = defineModel<string>('words', { required: true })
const props = defineProps<{
  kind: MessageKind
  site?: string | null
  division?: string | null
  lines?: Pick<ChangeLine, 'told' | 'person' | 'after'>[]
  addressed?: { of: number; n: number; sample?: Sample }
}>()
const looking = ref(false)
const first = computed(() => props.lines?.find((line) => line.told === 'mail'))
const count = (told: string) => props.lines?.filter((line) => line.told === told).length ?? 0
const mail = computed(() => props.addressed?.n ?? count('mail'))
const none = computed(() =>
  props.addressed ? props.addressed.of - props.addressed.n : count('no-address') + count('no-account'),
)
</script>

<template>
  <div>
    <Tick v-model="tell">{{ t('tell.them') }}</Tick>
    <template v-if="tell">
      <Textarea
        v-model="words"
        fluid
        rows="3"
        maxlength="2000"
        :aria-label="t('tell.words')"
        :placeholder="t('tell.words')"
      />
      <p class="soft">
        {{ t('tell.mail', { n: $n(mail) }, mail)
        }}<template v-if="none">{{ ' ' + t('tell.none', { n: $n(none) }, none) }}</template> {{ ' '
        }}<button class="word" @click="looking = !looking">{{ t(looking ? 'tell.hide' : 'tell.look') }}</button>
      </p>
      <PreviewOf
        v-if="looking"
        :kind="kind"
        :site="site"
        :division="division"
        :person="first?.person.id"
        :role="first?.after?.role"
        :words="words"
        :sample="addressed?.sample"
      />
    </template>
  </div>
</template>

<style scoped>
textarea {
  width: 100%;
  margin-top: 6px;
}
p {
  font-size: 0.9rem;
}
</style>
