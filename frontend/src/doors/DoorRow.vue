<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, take, type Door, type Platform, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite } from '@/shared/undo'
import { inSentence, t, tIn } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import DaysChart from './DaysChart.vue'
import { copied, glyphOf, joinPage, linkOf, nextSentence, sentence } from './doors'

/** One way into a site: how it stands, its sentence, who came, what it does next, and what one may do with it. */
const props = defineProps<{
  door: Door
  site: Site
  platform?: Platform
  roleName: (code: string | null | undefined) => string
  on: boolean
}>()
const emit = defineEmits<{ change: []; copy: []; invite: [] }>()
const DoorDays = defineAsyncComponent(() => import('./DoorDays.vue'))
const unfolded = ref(false)
const parts = computed(() =>
  sentence(props.door, { platform: props.platform, site: props.site, roleName: props.roleName }),
)
const next = computed(() => nextSentence(props.door, props.site.timeZone))
const name = computed(
  () =>
    props.door.name ||
    (props.door.kind === 'staff'
      ? t('doors.staff')
      : tIn('doors.unnamed', props.door.kind, { role: inSentence(props.roleName(props.door.terms?.role)) })),
)
const path = computed(() => ({ path: { site: props.site.id, door: props.door.id } }))
const sure = ref(false)
const handed = ref('')
const { busy, run } = useBusy()

const swing = (open: boolean) =>
  run(async () => {
    await take(
      open
        ? api.PUT('/sites/{site}/doors/{door}/open', { params: path.value })
        : api.DELETE('/sites/{site}/doors/{door}/open', { params: path.value }),
    )
    done(t(`doors.did.${open ? 'open' : 'shut'}`, { name: name.value }), {
      back: async () => (await swing(!open), ''),
    })
    await refreshSite()
  })
const renew = () =>
  run(async () => {
    await take(api.POST('/sites/{site}/doors/{door}/key', { params: path.value }))
    sure.value = false
    done(t('doors.did.key', { name: name.value }))
    await refreshSite()
  })
async function handOn() {
  const text = t('doors.poster.message', {
    title: props.site.title,
    link: linkOf(props.door.key ?? ''),
    address: joinPage(),
    key: props.door.key ?? '',
  })
  if (await copied(text)) done(t('doors.did.copied'))
  else handed.value = text
}
</script>

<template>
  <li :class="[door.state, { on }]">
    <DoorGlyph :state="glyphOf(door.state)" />
    <div class="what">
      <h2>
        {{ name }} <span class="soft state">{{ t(`doors.state.${door.state}`) }}</span>
      </h2>
      <p class="sentence">
        <template v-for="(part, index) in parts" :key="index"
          ><span v-if="part.key" class="key num">{{ part.text }}</span
          ><template v-else>{{ part.text }}</template></template
        >
      </p>
      <p v-if="!door.backed" class="brass">
        {{ t('doors.unbacked') }}
        <button class="word" :disabled="busy" @click="swing(true)">{{ t('doors.stand') }}</button>
      </p>
      <p v-if="door.reserved" class="soft">{{ t('doors.reserved') }}</p>
      <p v-if="sure" class="ask" role="alert">
        {{ t('doors.sureKey', { key: door.key ?? '' }) }}
        <button class="word" :disabled="busy" @click="renew">{{ t('doors.sureKeyYes') }}</button>
        {{ ' ' }}<button class="word" @click="sure = false">{{ t('parts.cancel') }}</button>
      </p>
      <p v-if="handed">
        <Textarea
          rows="3"
          readonly
          fluid
          :model-value="handed"
          :aria-label="t('doors.poster.text')"
          @focus="($event.target as HTMLTextAreaElement).select()"
        />
      </p>
      <div v-if="door.set" class="acts">
        <button class="word" :disabled="busy" @click="swing(door.state === 'shut')">
          {{ t(`doors.act.${door.state === 'shut' ? 'open' : 'shut'}`) }}
        </button>
        <button class="word" :aria-pressed="on" @click="emit('change')">{{ t('doors.act.change') }}</button>
        <template v-if="door.kind === 'key'">
          <RouterLink :to="{ name: 'poster', params: { site: site.id, door: door.id } }">{{
            t('doors.act.poster')
          }}</RouterLink>
          <button class="word" @click="handOn">{{ t('doors.act.link') }}</button>
          <button class="word" @click="sure = true">{{ t('doors.act.key') }}</button>
        </template>
        <button v-if="door.kind === 'invitation'" class="word" @click="emit('invite')">
          {{ t('doors.act.invite') }}
        </button>
        <RouterLink v-if="door.kind === 'preview'" :to="{ name: 'preview', params: { door: door.id } }">{{
          t('doors.act.look')
        }}</RouterLink>
        <button class="word" @click="emit('copy')">{{ t('doors.act.copy') }}</button>
        <RouterLink v-if="door.came" :to="{ name: 'roster', params: { site: site.id }, query: { door: door.id } }">{{
          t('doors.act.who')
        }}</RouterLink>
        <RouterLink
          v-if="door.through"
          :to="{ name: 'roster', params: { site: site.id }, query: { door: door.id, all: 'remove' } }"
          >{{ t('doors.act.out') }}</RouterLink
        >
      </div>
      <div v-else-if="door.came" class="acts">
        <RouterLink :to="{ name: 'roster', params: { site: site.id }, query: { door: door.id } }">{{
          t('doors.act.who')
        }}</RouterLink>
      </div>
    </div>
    <div class="numbers nums">
      <p v-if="next" class="next">{{ next }}</p>
      <p v-if="door.kind === 'invitation' && door.asked">
        {{ t('doors.answered', { n: door.answered, of: door.asked }) }}
      </p>
      <p v-if="door.kind !== 'preview'">
        {{ t('doors.came', { n: $n(door.came) }, door.came)
        }}<template v-if="door.came !== door.through">, {{ t('doors.stillHere', { n: $n(door.through) }) }}</template>
      </p>
      <p v-if="door.left !== null" :class="{ brass: !door.left }">
        {{ t('doors.left', { n: door.left }, door.left) }}
      </p>
      <p v-if="door.waiting || door.asking" class="brass">
        {{
          [
            door.waiting ? t('doors.waiting', { n: door.waiting }, door.waiting) : '',
            door.asking ? t('doors.asking', { n: door.asking }, door.asking) : '',
          ]
            .filter(Boolean)
            .join(', ')
        }}
      </p>
      <DaysChart :chart="door.chart" />
      <button v-if="door.came" class="word" :aria-expanded="unfolded" @click="unfolded = !unfolded">
        {{ t(`doors.days.${unfolded ? 'fold' : 'open'}`) }}
      </button>
    </div>
    <DoorDays v-if="unfolded" class="wide" :door="door" :name="name" :site="site" />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 22px 1fr 190px;
  gap: 12px;
  padding: 12px 8px;
  border-bottom: 1px solid var(--line);
  align-items: start;
}
li.on {
  background: var(--brass-pale);
}
h2 {
  font-size: 1.05rem;
}
.state {
  font:
    400 0.95rem 'Figtree Variable',
    sans-serif;
  letter-spacing: 0;
}
.what {
  display: grid;
  gap: 5px;
}
.sentence {
  max-width: 74ch;
}
.key {
  background: var(--mint-pale);
  padding: 1px 6px;
  border-radius: 3px;
  white-space: nowrap;
}
.numbers {
  display: grid;
  gap: 2px;
  justify-items: end;
  text-align: right;
}
.next {
  font-weight: 600;
}
.wide {
  grid-column: 2 / -1;
}
.ask {
  padding: 6px 10px;
  background: var(--brass-pale);
  border-left: 4px solid var(--brass);
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
textarea {
  width: 100%;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 22px 1fr;
  }
  .numbers {
    grid-column: 2;
    justify-items: start;
    text-align: left;
  }
  .key {
    white-space: normal;
    overflow-wrap: anywhere;
  }
}
</style>
