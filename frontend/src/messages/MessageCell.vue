<script setup lang="ts">
import type { Message } from '@/shared/api'
import { ownZone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'
import { stateSentence, toneOf } from './messages'

/** What a message says in one column of their table. */
defineProps<{ message: Message; column: string; open?: boolean }>()
defineEmits<{ open: [] }>()
const at = (instant: string) => dayAndTime(instant, ownZone)
</script>

<template>
  <template v-if="column === 'to'"
    ><RouterLink v-if="message.person" :to="{ name: 'person', params: { person: message.person.id } }">{{
      message.person.name
    }}</RouterLink
    ><template v-else>{{ message.to }}</template></template
  >
  <button v-else-if="column === 'subject'" class="word opens" :aria-expanded="open" @click="$emit('open')">
    {{ message.subject || t('messages.erased') }}
  </button>
  <span v-else-if="column === 'about'" class="soft"
    >{{ t(`messages.kind.${message.kind}`)
    }}<template v-if="message.site"
      >{{ ' · '
      }}<RouterLink :to="{ name: 'roster', params: { site: message.site.id } }">{{
        message.site.title
      }}</RouterLink></template
    ></span
  >
  <span v-else :class="toneOf(message.state)"
    >{{ stateSentence(message, at)
    }}<span v-if="message.reason && message.state !== 'sent'" class="soft">{{ ' ' + message.reason }}</span></span
  >
</template>
