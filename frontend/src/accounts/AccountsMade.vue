<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { api, take, type ChangeList } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { toneOf } from '@/messages/messages'
import { done } from '@/shared/undo'
import { accountNote, takeAccountsBack } from './accounts'

/**
 * What became of the rows of a change list of accounts, cards for those without a password, and taking all of it back.
 */
const props = defineProps<{ changeList: ChangeList }>()
const emit = defineEmits<{ changed: [] }>()
const { t, n } = useI18n()
const router = useRouter()
const { data, hasNextPage, fetchNextPage, refetch } = useInfiniteQuery({
  queryKey: ['accounts', 'made', computed(() => [props.changeList.id, props.changeList.done])],
  initialPageParam: 0,
  queryFn: ({ pageParam }) =>
    take(
      api.GET('/account-batches/{changeList}', {
        params: { path: { changeList: props.changeList.id }, query: { after: pageParam } },
      }),
    ),
  getNextPageParam: (page) => page.next ?? undefined,
})
const rows = computed(() => data.value?.pages.flatMap((page) => page.rows) ?? [])
const without = computed(() => data.value?.pages[0]?.withoutPassword ?? [])
const made = computed(() => rows.value.filter((row) => row.outcome === 'ready' && row.person).map((row) => row.person!))
const standing = computed(() => rows.value.some((row) => row.outcome === 'ready'))
const review = ref<{ ready: number; left: { row: number; name: string; why: string }[] } | null>(null)
const { busy, run } = useBusy()
const look = () =>
  run(
    async () =>
      (review.value = await take(
        api.POST('/account-batches/{changeList}/undo', {
          params: { path: { changeList: props.changeList.id } },
          body: { apply: false },
        }),
      )),
  )
const back = () =>
  run(async () => {
    const count = review.value?.ready ?? 0
    const more = await takeAccountsBack(props.changeList.id)
    review.value = null
    done(t('accounts.back', { n: n(count) }, count), undefined, more)
    await refetch()
    emit('changed')
  })
</script>

<template>
  <p class="acts">
    <Button
      v-if="without.length"
      size="small"
      :label="t('accounts.cards', { n: without.length }, without.length)"
      @click="router.push({ name: 'cards', state: { people: [...without] } })"
    />
    <Button
      v-if="made.length"
      size="small"
      :variant="without.length ? 'outlined' : undefined"
      :label="t('people.into')"
      @click="router.push({ name: 'people', state: { people: made } })"
    />
    <Button
      v-if="standing && !review"
      size="small"
      variant="outlined"
      :disabled="busy"
      :label="t('changeLists.undo')"
      @click="look"
    />
  </p>
  <section v-if="review" class="callout bad" :aria-label="t('changeLists.undo')">
    <p class="follows">{{ t('accounts.willGo', { n: $n(review.ready) }, review.ready) }}</p>
    <ul v-if="review.left.length">
      <li v-for="each in review.left" :key="each.row">{{ t(`accounts.left.${each.why}`, { name: each.name }) }}</li>
    </ul>
    <p class="acts">
      <Button
        size="small"
        severity="danger"
        :disabled="busy || !review.ready"
        :label="t('accounts.backNow', { n: $n(review.ready) }, review.ready)"
        @click="back"
      /><button class="word" @click="review = null">{{ t('parts.cancel') }}</button>
    </p>
  </section>
  <ol v-if="rows.length">
    <li v-for="row in rows" :key="row.row">
      <span class="num soft">{{ row.row }}</span>
      <span class="verdict" :class="{ clay: row.outcome === 'refused', soft: row.outcome === 'undone' }">{{
        t(
          row.outcome === 'undone'
            ? 'changeLists.state.undone'
            : row.outcome === 'ready'
              ? 'accounts.made.' + row.made
              : row.outcome === 'refused'
                ? 'changeLists.verdict.refused'
                : 'changeLists.verdict.pending',
        )
      }}</span>
      <RouterLink v-if="row.person && row.outcome === 'ready'" :to="{ name: 'person', params: { person: row.person } }"
        >{{ row.given }} {{ row.family }}</RouterLink
      ><span v-else>{{ row.given }} {{ row.family }}</span>
      <span class="num">{{ row.login }}</span>
      <span :class="row.message ? toneOf(row.message.state) : 'soft'">{{
        row.message
          ? t(`messages.told.${row.message.state}`)
          : row.outcome === 'ready' && changeList.tell !== null && !row.email
            ? t('tell.noAddress')
            : row.reasons.map(accountNote).join(' ')
      }}</span>
    </li>
  </ol>
  <Button
    v-if="hasNextPage"
    class="further"
    variant="outlined"
    size="small"
    :label="t('parts.more')"
    @click="fetchNextPage()"
  />
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
ol li {
  display: grid;
  grid-template-columns: 46px 130px minmax(170px, 1.3fr) minmax(140px, 1fr) minmax(170px, 1.6fr);
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
  align-items: baseline;
}
.verdict {
  border-right: 1px solid var(--line);
}
.further {
  justify-self: start;
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
@media (max-width: 760px) {
  ol li {
    grid-template-columns: 30px 1fr;
  }
  ol li > * {
    grid-column: 2;
  }
  ol li > .num:first-child {
    grid-column: 1;
    grid-row: 1;
  }
  .verdict {
    border: 0;
  }
}
</style>
