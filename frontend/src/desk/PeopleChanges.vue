<script setup lang="ts">
import InputText from 'primevue/inputtext'
import DockedColumn from '@/ui/DockedColumn.vue'
import Tick from '@/ui/Tick.vue'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { tellBody } from '@/shared/tell'
import { t } from '@/shared/words'
import { useKept } from '@/changes/kept'
import TellThem from '@/messages/TellThem.vue'
import ClashMeant from '@/roster/ClashMeant.vue'
import FindSite from '@/sites/FindSite.vue'
import { usePeopleReview, type PeopleWork } from './peopleChanges'
import PickSection from './PickSection.vue'
import PeopleChangesLines from './PeopleChangesLines.vue'
import PeopleChangesTerms from './PeopleChangesTerms.vue'

/**
 * Some people and some sites: what letting all of the ones into all of the others, or out, would do, before it is done.
 */
const props = defineProps<{ people: string[]; changeList: string; into?: { id: string; title: string } }>()
const emit = defineEmits<{ close: []; people: [ids: string[]]; applied: [] }>()
const router = useRouter()
const work = ref<PeopleWork>({
  people: props.people,
  sites: props.into ? [props.into] : [],
  verb: 'let-in',
  role: '',
  fromDay: '',
  untilDay: '',
  sure: false,
  tell: false,
  words: '',
})
const kept = useKept({
  kind: 'people',
  site: null,
  title: () => work.value.sites.map((site) => site.title).join(', '),
  work,
  worth: () => work.value.sites.length > 0,
  id: props.changeList,
  over: (changeList) => void router.replace({ name: 'change-list', params: { changeList } }),
})
watch(kept.opened, (opened) => opened && emit('people', work.value.people))
watch(
  () => props.people,
  (people) => kept.opened.value && (work.value.people = people),
)
const section = computed({
  get: () => work.value.section ?? '',
  set: (wanted) => (work.value = { ...work.value, section: wanted }),
})
const TOLD = { 'let-in': 'let-in', remove: 'removed', 'change-role': 'role-changed' } as const
const adding = ref(!props.into)
async function addSite(id: string | undefined) {
  if (!id || work.value.sites.some((site) => site.id === id)) return
  try {
    const site = await take(api.GET('/sites/{site}', { params: { path: { site: id } } }))
    work.value.sites = [...work.value.sites, { id, title: site.title }]
    adding.value = false
  } catch (thrown) {
    wentWrong(thrown)
  }
}
const dropSite = (id: string) => {
  work.value.sites = work.value.sites.filter((site) => site.id !== id)
  work.value.section = ''
  adding.value ||= !work.value.sites.length
}
const { clashes, clashing, each, complete, review, current, error, ready, sum } = usePeopleReview(work)
const told = computed(() => current.value?.lines.filter((line) => line.told) ?? [])
const typed = ref('')
const said = computed(() => !current.value?.removal || Number(typed.value) === current.value.removal.people)
const { busy, run } = useBusy()

const apply = () =>
  run(async () => {
    const changeList = await kept.now()
    const applied = await take(
      api.POST('/change-lists/{changeList}/apply', {
        params: { path: { changeList } },
        body: {
          each: each.value,
          removing: current.value?.removal?.people ?? null,
          ...tellBody(work.value.tell, work.value.words),
        },
      }),
    )
    emit('applied')
    await refreshSite()
    if (applied.state === 'applying') await router.push({ name: 'change-list', params: { changeList } })
    else {
      const left = applied.total - applied.applied
      done(
        t('people.changeList.did', { n: applied.applied }, applied.applied),
        {
          back: async () => {
            const undone = await take(
              api.POST('/change-lists/{changeList}/undo', { params: { path: { changeList } }, body: { apply: true } }),
            )
            return 'applied' in undone && undone.applied < applied.applied
              ? t('undo.left', { n: applied.applied - undone.applied }, applied.applied - undone.applied)
              : ''
          },
        },
        left ? t('changeList.leftOut', { n: left }, left) : '',
      )
    }
  })
</script>

<template>
  <DockedColumn
    class="no-print"
    name="people-changes"
    :label="t('people.changeList.title', { n: work.people.length }, work.people.length)"
    closes
    @close="$emit('close')"
  >
    <h2>{{ t('people.changeList.title', { n: $n(work.people.length) }, work.people.length) }}</h2>
    <p class="soft small" role="status">{{ t(`changeList.kept.${kept.state.value || 'not'}`) }}</p>
    <div class="field">
      <span class="label">{{ t('people.changeList.sites') }}</span>
      <ul class="sites">
        <li v-for="site in work.sites" :key="site.id">
          {{ site.title }}
          <button
            class="word"
            :aria-label="t('people.changeList.remove', { title: site.title })"
            @click="dropSite(site.id)"
          >
            {{ t('pasted.drop') }}
          </button>
        </li>
      </ul>
      <FindSite v-if="adding" site="" title="" @pick="addSite" />
      <button v-else class="word" @click="adding = true">{{ t('people.changeList.addSite') }}</button>
    </div>
    <PeopleChangesTerms v-model="work" />
    <PickSection
      v-if="work.verb === 'let-in' && work.sites.length === 1"
      :key="work.sites[0]!.id"
      v-model="section"
      :site="work.sites[0]!.id"
      :people="work.people"
      :role="work.role"
      :from-day="work.fromDay"
      :until-day="work.untilDay"
    />
    <TellThem
      v-model:tell="work.tell"
      v-model:words="work.words"
      :kind="TOLD[work.verb]"
      :site="work.sites[0]?.id"
      :lines="current?.lines"
    />
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <p v-else-if="!work.sites.length" class="soft">{{ t('people.changeList.needsSite') }}</p>
    <template v-else-if="review && complete">
      <p class="follows" role="status">
        {{ t('people.changeList.lines', { n: $n(review.total) }, review.total) }}: {{ sum }}.
      </p>
      <ul class="sites">
        <li v-for="site in review.sites" :key="site.id" class="soft">
          {{
            site.seats === null
              ? t('people.changeList.held', { title: site.title, after: $n(site.after) })
              : t('people.changeList.seats', { title: site.title, after: $n(site.after), seats: $n(site.seats) })
          }}
        </li>
      </ul>
      <Tick
        v-if="work.verb === 'let-in' && !work.role && (work.sure || review.verdicts['needs-choice'])"
        v-model="work.sure"
        >{{ t('people.changeList.sure') }}</Tick
      >
      <ClashMeant :clashes="clashes" :people="clashing" />
      <p v-if="current?.removal">
        <label
          >{{ t('changeList.many', current.removal) }}
          <InputText v-model="typed" size="small" inputmode="numeric" class="figures"
        /></label>
      </p>
      <p>
        <Button
          :disabled="!ready || !said || busy"
          :label="t('people.changeList.apply', { n: $n(ready) }, ready)"
          @click="apply"
        />
      </p>
      <PeopleChangesLines :lines="review.lines" :told="work.tell ? told : []" :several="work.sites.length > 1" />
    </template>
    <p v-else-if="complete" class="soft">{{ t('card.ask.computing') }}</p>
  </DockedColumn>
</template>

<style scoped>
.docked {
  --docked: 480px;
}
h2 {
  padding-right: 60px;
}
.small {
  font-size: 0.9rem;
  margin-top: -8px;
}
.sites {
  list-style: none;
  margin: 0;
  padding: 0;
}
.field > .word {
  justify-self: start;
}
</style>
