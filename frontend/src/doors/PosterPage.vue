<script setup lang="ts">
import Textarea from 'primevue/textarea'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Site } from '@/shared/api'
import { day } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { dotted } from '@/shared/lists'
import { t } from '@/shared/words'
import { copied, joinPage, linkOf, squares, useDoors } from './doors'

/** A page to project or to print: the key as large as it goes, a code to scan, the address, three steps. */
const props = defineProps<{ site: Site }>()
const route = useRoute()
const { doors } = useDoors(computed(() => props.site.id))
const door = computed(() => doors.value.find((each) => each.id === route.params.door))
const code = computed(() => (door.value?.key ? squares(linkOf(door.value.key)) : null))
const address = joinPage().replace(/^https?:\/\//, '')
const message = computed(() =>
  t('doors.poster.message', {
    title: props.site.title,
    link: linkOf(door.value?.key ?? ''),
    address: joinPage(),
    key: door.value?.key ?? '',
  }),
)
const shown = ref(false)
async function copy() {
  if (await copied(message.value)) done(t('doors.did.copied'))
}
const print = () => window.print()
</script>

<template>
  <div class="page">
    <p class="acts no-print">
      <Button size="small" :label="t('doors.poster.print')" @click="print" /><button
        class="word"
        :aria-expanded="shown"
        @click="shown = !shown"
      >
        {{ t('doors.poster.text') }}</button
      ><RouterLink :to="{ name: 'arrivals', params: { site: site.id } }">{{ t('doors.act.watch') }}</RouterLink
      ><RouterLink :to="{ name: 'doors', params: { site: site.id } }">{{ t('doors.live.back') }}</RouterLink>
    </p>
    <div v-if="shown" class="message no-print">
      <Textarea rows="3" readonly :model-value="message" :aria-label="t('doors.poster.text')" /><button
        class="word"
        @click="copy"
      >
        {{ t('doors.poster.copy') }}
      </button>
    </div>
    <article v-if="door && code">
      <h1>{{ t('doors.poster.join', { title: site.title }) }}</h1>
      <p class="soft">{{ dotted(site.division.name, site.term?.name) }}</p>
      <div class="two">
        <ol>
          <li>
            <span>{{ t('doors.poster.one') }}</span> <strong class="address">{{ address }}</strong>
          </li>
          <li>
            <span>{{ t('doors.poster.two') }}</span>
            {{ ' '
            }}<strong class="key"
              ><template v-for="(part, index) in (door.key ?? '').split('-')" :key="index"
                ><wbr v-if="index" />{{ index ? '-' : '' }}{{ part }}</template
              ></strong
            >
          </li>
          <li>
            <span>{{ t('doors.poster.three') }}</span>
          </li>
        </ol>
        <figure>
          <svg :viewBox="`-2 -2 ${code.size + 4} ${code.size + 4}`" role="img" :aria-label="linkOf(door.key ?? '')">
            <rect x="-2" y="-2" :width="code.size + 4" :height="code.size + 4" fill="#fff" />
            <path :d="code.path" fill="#000" />
          </svg>
          <figcaption>{{ t('doors.poster.scan') }}</figcaption>
        </figure>
      </div>
      <p v-if="door.terms?.untilDay" class="soft">
        {{ t('doors.poster.until', { day: day(door.terms.untilDay + 'T12:00:00Z', site.timeZone) }) }}
      </p>
    </article>
    <p v-else-if="door" class="soft">{{ t('doors.lost') }}</p>
  </div>
</template>

<style scoped>
.page {
  overflow: auto;
  flex: 1;
  display: grid;
  gap: 12px;
  align-content: start;
}
.message {
  display: flex;
  gap: 12px;
  align-items: start;
}
.message textarea {
  flex: 1;
  max-width: 720px;
}
article {
  border: 10px solid var(--spruce);
  border-bottom: 0;
  border-radius: 10px 10px 0 0;
  background: #fff;
  color: #173a32;
  padding: 26px 40px;
  display: grid;
  gap: 14px;
  justify-items: center;
  text-align: center;
}
h1 {
  font-size: 2.5rem;
}
.two {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 40px;
  align-items: center;
  width: 100%;
  text-align: left;
}
ol {
  margin: 0;
  padding: 0 0 0 44px;
  display: grid;
  gap: 18px;
}
li {
  font-size: 1.5rem;
  padding-left: 6px;
}
li::marker {
  font-family: var(--title);
  font-weight: 700;
}
.address {
  display: block;
  font-size: 1.8rem;
  overflow-wrap: anywhere;
}
.key {
  display: block;
  font: 500 clamp(1.3rem, 2.75vw, 3rem)/1.25 var(--mono);
  letter-spacing: 0.01em;
  overflow-wrap: anywhere;
}
figure {
  margin: 0;
  text-align: center;
  width: clamp(180px, 24vw, 320px);
}
figure svg {
  width: 100%;
  display: block;
}
article .soft {
  color: #56655e;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
    justify-items: center;
  }
  article {
    padding: 18px;
  }
}
@media print {
  .page {
    padding: 0;
    overflow: visible;
  }
  article {
    border-width: 6px;
  }
}
</style>
