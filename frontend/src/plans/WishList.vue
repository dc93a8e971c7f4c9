<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { dayAndTime } from '@/shared/sentences'
import { untilOf } from '@/shared/until'
import { refresh } from '@/shared/queries'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { hoursOf, nameOf } from '@/weeks/weeks'
import PlaceTold from './PlaceTold.vue'
import type { OwnWishes } from './plans'

/** What one is asked for in one site: the sections one would like, chosen one after the other. */
const props = defineProps<{ own: OwnWishes }>()
const wishes = ref<string[]>([...props.own.wishes])
const asBefore = computed(() => wishes.value.join() === props.own.wishes.join())
watch(
  () => props.own.wishes,
  (now, before) => {
    // What is being chosen stays, whatever is fetched meanwhile.
    if (wishes.value.join() === before.join()) wishes.value = [...now]
  },
)
const hoursIn = (id: string) => {
  const section = props.own.sections.find((each) => each.id === id)
  return section ? hoursOf(section.hours, id) || section.meets : ''
}
const nth = (id: string) => wishes.value.indexOf(id) + 1
function turn(id: string) {
  wishes.value = nth(id) ? wishes.value.filter((each) => each !== id) : [...wishes.value, id]
}
const { busy, run } = useBusy()
const save = () =>
  run(async () => {
    await take(
      api.PUT('/me/wishes/{plan}', {
        params: { path: { plan: props.own.plan } },
        body: { sections: wishes.value },
      }),
    )
    done(t(wishes.value.length ? 'plans.own.did' : 'plans.own.didNone', { title: props.own.site.name }))
    await refresh('wishes')
  })
const state = computed(() => {
  const at = props.own.closesAt ? untilOf(props.own.closesAt, props.own.timeZone) : ''
  if (!props.own.asks) return props.own.place ? '' : t(props.own.saidAt ? 'plans.own.closed' : 'plans.own.closedNone')
  return props.own.saidAt ? t('plans.own.until', { at }) : t('plans.own.ask', { at })
})
</script>

<template>
  <section :aria-label="own.site.name">
    <h2>{{ own.site.name }}</h2>
    <PlaceTold v-if="own.place" :own="own" :place="own.place" />
    <p v-if="state" :class="{ brass: own.asks && !own.saidAt }">
      <strong v-if="own.asks && !own.saidAt">{{ state }}</strong>
      <template v-else>{{ state }}</template>
    </p>
    <template v-if="own.asks">
      <p class="soft">{{ t('plans.own.how') }}</p>
      <ol>
        <li v-for="section in own.sections" :key="section.id">
          <button
            type="button"
            class="choice"
            :class="{ on: nth(section.id) }"
            :disabled="!!section.clash"
            :aria-pressed="!!nth(section.id)"
            @click="turn(section.id)"
          >
            <span class="nth nums" aria-hidden="true">{{ nth(section.id) || '' }}</span>
            <span class="what">
              <strong>{{ section.name }}</strong>
              <span v-if="nth(section.id)" class="unseen">{{ t('plans.own.nth', { n: nth(section.id) }) }}</span>
              <span v-if="hoursIn(section.id)">{{ hoursIn(section.id) }}</span>
              <span v-if="section.clash" class="clay">{{ t('plans.own.clash', { what: nameOf(section.clash) }) }}</span>
            </span>
          </button>
        </li>
      </ol>
      <p class="acts">
        <Button :disabled="busy || asBefore" :label="t('plans.own.save')" @click="save" />
        <button v-if="wishes.length" type="button" class="word" @click="wishes = []">{{ t('plans.own.clear') }}</button>
        <span v-if="own.saidAt && asBefore" class="soft" role="status">{{
          t('plans.own.saved', { at: dayAndTime(own.saidAt, own.timeZone) })
        }}</span>
      </p>
    </template>
    <ol v-else-if="own.wishes.length && !own.place" class="said">
      <li v-for="id in own.wishes" :key="id">{{ own.sections.find((each) => each.id === id)?.name }}</li>
    </ol>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  max-width: 620px;
}
h2 {
  font-size: 1.2rem;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 8px;
}
.said {
  list-style: decimal;
  padding-left: 1.4em;
}
.choice {
  display: flex;
  gap: 14px;
  align-items: center;
  width: 100%;
  min-height: 64px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 8px 14px;
  cursor: pointer;
}
.choice:disabled {
  cursor: default;
  background: none;
}
.choice.on {
  border-color: var(--spruce);
  background: var(--mint-pale);
}
.nth {
  flex: none;
  display: grid;
  place-items: center;
  width: 34px;
  height: 34px;
  border: 2px dashed var(--line);
  border-radius: 4px;
  font-weight: 700;
}
.on .nth {
  border: 2px solid var(--spruce);
  background: var(--spruce);
  color: var(--sheet);
}
.what {
  display: grid;
  gap: 2px;
  min-width: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
</style>
