<script setup lang="ts">
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, ref, watch } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { refresh } from '@/shared/queries'
import { dayAndTime, fullName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import DockedColumn from '@/ui/DockedColumn.vue'
import PlainTable from '@/ui/PlainTable.vue'
import Trouble from '@/ui/Trouble.vue'
import GroupWishesForm from './GroupWishesForm.vue'
import WishKept from './WishKept.vue'
import { useSplits, type GroupBoard, type Split } from './groups'
import { bestOf, eachOf, saidWish, shareOf, useBalance, useWishes, type WishNames } from './wishes'

/** What the groups are to be like, how they are, also with what was moved on the board, and having them computed. */
const props = defineProps<{ site: Site; split: Split; board: GroupBoard }>()
const emit = defineEmits<{ close: [] }>()
const { platform } = usePlatform()
const { data: splits } = useSplits(() => props.site)
const { data, error, refetch } = useWishes(() => props.site, props.split.id)
const asked = computed(() => data.value?.asked)
const wishes = computed(() => asked.value?.wishes ?? [])
const task = computed(() => data.value?.task)
const forming = ref(false)
const { now, balance, moved } = useBalance(
  () => props.site,
  props.split.id,
  props.board,
  computed(() => wishes.value.length),
)
const names: WishNames = {
  person: (id) => {
    const row = props.board.roster.byId.value.get(id)
    return row ? fullName(row.person) : t('groups.wishes.gone')
  },
  split: (id) => splits.value?.find((each) => each.id === id)?.name ?? t('groups.wishes.goneSplit'),
  detail: (code) => platform.value?.details.find((each) => each.code === code)?.name ?? code,
}
const groupName = (id: string) => props.split.list.find((group) => group.id === id)?.name ?? ''
const kept = computed(() => (asked.value?.keep ?? []).map(groupName).filter(Boolean))
const musts = computed(() => wishes.value.some(({ must }) => must))
const softs = computed(() => wishes.value.some(({ must }) => !must))
/** What was before is worth comparing with once everybody was in a group. */
const compares = computed(() => moved.value && props.split.without === 0)
const met = computed(() => {
  if (!balance.value) return ''
  const share = shareOf(balance.value.met)
  const was = now.data.value && compares.value ? shareOf(now.data.value.met) : ''
  return was ? t('groups.wishes.metWas', { share, was }) : t('groups.wishes.met', { share })
})

/** How many are in no group, as the board shows it: how good groups are is told once everybody is in one. */
const open = computed(() => props.board.columns.value[0]?.rows.length ?? 0)
const each = computed(() => eachOf(wishes.value, balance.value, props.split.list, names))
const head = computed(() => each.value.head)
const rows = computed(() => each.value.rows)

const { busy, run } = useBusy()
const path = computed(() => ({ path: { site: props.site.id, split: props.split.id } }))
/** Which time it was computed for somebody who looks at this now: that is put on the board by itself. */
const waited = ref(0)
const compute = () =>
  run(async () => {
    const begun = await take(api.POST('/sites/{site}/group-splits/{split}/compute', { params: path.value }))
    waited.value = begun.task?.version ?? 0
    await refresh('splits')
  })
const stop = () =>
  run(async () => {
    await take(api.POST('/sites/{site}/group-splits/{split}/compute/stop', { params: path.value }))
    await refresh('splits')
  })
function show() {
  for (const { person, group } of task.value?.places ?? []) props.board.move([person], group)
  done(t('groups.wishes.shown'))
}
watch(task, (now) => {
  if (now?.state !== 'computed' || now.version !== waited.value) return
  waited.value = 0
  show()
})
const share = computed(() => {
  const { done: steps = 0, steps: of = 0 } = task.value ?? {}
  return of ? Math.round((100 * steps) / of) : 0
})
const computedAt = computed(() => (task.value?.askedAt ? dayAndTime(task.value.askedAt, props.site.timeZone) : ''))
const givenUp = computed(() => {
  const out = task.value?.givenUp
  const wish = out && wishes.value[out.wish]
  return wish ? saidWish(out.people.length ? { ...wish, people: out.people } : wish, names) : ''
})
</script>

<template>
  <GroupWishesForm
    v-if="forming && data"
    :site="site"
    :split="split"
    :wishes="data"
    :board="board"
    @close="forming = false"
  />
  <DockedColumn v-else class="wishes" name="groups" :label="t('groups.wishes.title')" closes @close="emit('close')">
    <h2>{{ t('groups.wishes.title') }}</h2>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="data">
      <template v-if="!wishes.length">
        <p>{{ t('groups.wishes.empty') }}</p>
        <p class="acts">
          <Button size="small" :label="t('groups.wishes.say')" @click="forming = true" />
          <Button
            size="small"
            variant="outlined"
            :disabled="busy || task?.state === 'computing'"
            :label="t('groups.wishes.lot')"
            @click="compute"
          />
        </p>
        <p v-if="task?.state === 'failed'" class="clay" role="alert">{{ t('groups.wishes.failed') }}</p>
      </template>
      <template v-else>
        <p class="acts">
          <Button
            v-if="task?.state !== 'computing'"
            size="small"
            :variant="moved ? 'outlined' : undefined"
            :disabled="busy"
            :label="t(task ? 'groups.wishes.again' : 'groups.wishes.compute')"
            @click="compute"
          />
          <Button
            size="small"
            variant="outlined"
            :disabled="task?.state === 'computing'"
            :label="t('groups.wishes.change')"
            @click="forming = true"
          />
        </p>
        <div v-if="task?.state === 'computing'" class="computing" role="status">
          <p>{{ share ? t('groups.wishes.computingShare', { share }) : t('groups.wishes.computing') }}</p>
          <ProgressBar :value="share" :aria-label="t('groups.wishes.computing')" />
          <p v-if="task.stops" class="soft">{{ t('groups.wishes.stopping') }}</p>
          <p v-else>
            <button class="word" :disabled="busy" @click="stop">{{ t('groups.wishes.stop') }}</button>
          </p>
        </div>
        <p v-else-if="task?.state === 'failed'" class="clay" role="alert">{{ t('groups.wishes.failed') }}</p>
        <template v-else-if="task">
          <p>
            {{ t('groups.wishes.done', { at: computedAt, n: task.moved }, task.moved) }}
            <button class="word" @click="show">{{ t('groups.wishes.show') }}</button>
          </p>
          <p v-if="givenUp" class="out" role="alert">
            {{ t('groups.wishes.givenUp') }}<br /><strong>{{ givenUp }}</strong>
          </p>
        </template>
        <p class="soft">
          {{ t(`groups.wishes.way.${asked?.who ?? 'all'}`) }}
          <template v-if="kept.length">{{ t('groups.wishes.keep', { names: kept.join(', ') }) }}</template>
        </p>
        <h3>{{ t(moved ? 'groups.wishes.then' : 'groups.wishes.now') }}</h3>
        <p v-if="open" role="status">{{ t('groups.wishes.openYet', { n: open }, open) }}</p>
        <template v-else-if="balance">
          <p v-if="musts" :class="balance.broken ? 'clay' : undefined" role="status">
            {{ t('groups.wishes.broken', { n: balance.broken }, balance.broken) }}
          </p>
          <p v-if="balance.sizes" class="clay">
            {{ t('groups.wishes.sizes', { n: balance.sizes }, balance.sizes) }}
          </p>
          <p v-if="softs" role="status">{{ met }} {{ bestOf(balance) }}</p>
        </template>
        <ol>
          <WishKept
            v-for="(wish, n) in wishes"
            :key="n"
            :said="saidWish(wish, names)"
            :wish="wish"
            :kept="balance?.wishes[n]"
            :was="compares ? now.data.value?.wishes[n] : undefined"
            :person-name="names.person"
          />
        </ol>
        <section v-if="head.length > 1" :aria-label="t('groups.wishes.each')">
          <h3>{{ t('groups.wishes.each') }}</h3>
          <div class="wide"><PlainTable :head="head" :rows="rows" :name="t('groups.wishes.each')" /></div>
        </section>
        <p v-if="task?.state === 'computed'" class="soft small">{{ t('groups.wishes.seed', { seed: task.seed }) }}</p>
      </template>
    </template>
  </DockedColumn>
</template>

<style scoped>
.wishes {
  --docked: 440px;
}
h2 {
  padding-right: 60px;
}
h3 {
  font-size: 1rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
}
.computing {
  display: grid;
  gap: 6px;
}
.out {
  border-left: 4px solid var(--clay);
  padding: 4px 12px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 10px;
}
.wide {
  overflow-x: auto;
}
.small {
  font-size: 0.9rem;
}
</style>
