<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import HelpWord from '@/ui/HelpWord.vue'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type SignInCard } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone as zone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'
import { cards } from './cards'

/** Sign-in cards for some people: made when it is said, to print and cut, and shown once. */
const router = useRouter()
const people = ((history.state as { people?: string[] } | null)?.people ?? []).slice(0, 300)
const once = ref(false)
/** For how long they hold; empty for what the rules say. */
const days = ref<number | null>(null)
const { data: book } = useQuery({ queryKey: ['rules'], queryFn: () => take(api.GET('/rules')) })
const usual = computed(() => book.value?.rules.limits.cardDays ?? 14)
const { busy, run } = useBusy()
const made = computed(() => cards.value.filter((card) => card.password))
const refused = computed(() => cards.value.filter((card) => card.refused))
const address = location.origin
const print = () => window.print()

const make = () =>
  run(async () => {
    const made: SignInCard[] = []
    // Hashing takes its time: sixty at a go, each of them shown only once all are made.
    for (let at = 0; at < people.length; at += 60)
      made.push(
        ...(
          await take(
            api.POST('/sign-in-cards', {
              body: { people: people.slice(at, at + 60), once: once.value, days: days.value },
            }),
          )
        ).cards,
      )
    cards.value = made
  })
const forget = () => (cards.value = [])
onMounted(() => window.addEventListener('pagehide', forget))
onBeforeUnmount(() => {
  window.removeEventListener('pagehide', forget)
  forget()
})
</script>

<template>
  <div class="page">
    <template v-if="!cards.length">
      <h1>
        <HelpWord term="sign-in-card">{{ t('changeList.cards') }}</HelpWord>
      </h1>
      <p v-if="!people.length">{{ t('cards.nobody') }}</p>
      <template v-else>
        <p>{{ t('cards.will', { n: people.length }, people.length) }}</p>
        <p>
          <Tick v-model="once">{{ t('cards.once') }}</Tick>
        </p>
        <p class="days">
          <label for="card-days">{{ t('cards.days') }}</label>
          <InputNumber
            v-model="days"
            input-id="card-days"
            size="small"
            :min="1"
            :max="365"
            :placeholder="String(usual)"
            :use-grouping="false"
          />
          <span class="soft">{{ t('cards.daysHint') }}</span>
        </p>
        <p class="acts">
          <Button :disabled="busy" :label="t('cards.make', { n: people.length }, people.length)" @click="make" /><button
            class="word"
            @click="router.back()"
          >
            {{ t('parts.cancel') }}
          </button>
        </p>
      </template>
    </template>
    <template v-else>
      <header class="no-print">
        <h1>{{ t('cards.made', { n: made.length }, made.length) }}</h1>
        <p class="callout">{{ t('cards.shownOnce') }}</p>
        <p class="acts">
          <Button v-if="made.length" :label="t('cards.print')" @click="print" /><button
            class="word"
            @click="router.back()"
          >
            {{ t('cards.done') }}
          </button>
        </p>
        <ul v-if="refused.length">
          <li v-for="card in refused" :key="card.person.id" class="clay">
            <strong>{{ card.person.name }}</strong> {{ card.refused }}
          </li>
        </ul>
      </header>
      <div class="cards">
        <article v-for="card in made" :key="card.person.id">
          <h2>{{ card.person.name }}</h2>
          <dl>
            <dt>{{ t('cards.where') }}</dt>
            <dd>{{ address }}</dd>
            <dt>{{ t('cards.login') }}</dt>
            <dd class="num">{{ card.login }}</dd>
            <dt>{{ t('cards.password') }}</dt>
            <dd class="num">{{ card.password }}</dd>
          </dl>
          <p class="soft">
            {{ t('cards.until', { day: day(card.until, zone) })
            }}<template v-if="once"> {{ t('cards.ownSoon') }}</template>
          </p>
        </article>
      </div>
    </template>
  </div>
</template>

<style scoped>
.page,
header {
  display: grid;
  gap: 12px;
  align-content: start;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
}
article {
  border: 1px dashed var(--soft);
  padding: 14px 18px;
  break-inside: avoid;
  background: var(--sheet);
  margin: -1px 0 0 -1px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 3px 14px;
  margin: 8px 0 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.days :deep(input) {
  width: 70px;
}
dd.num {
  font-size: 1.05rem;
  font-weight: 600;
}
@media print {
  .page {
    padding: 0;
  }
  .cards {
    grid-template-columns: 1fr 1fr;
  }
  article {
    border-color: #888;
  }
}
</style>
