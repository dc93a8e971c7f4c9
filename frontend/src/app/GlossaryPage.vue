<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { ownLocale } from '@/shared/own'

/** What the words mean that are used here, in the order of the alphabet. */
const { t, tm } = useI18n()
const terms = computed(() => {
  const { compare } = new Intl.Collator(ownLocale)
  return Object.keys(tm('glossary.terms') as object)
    .map((term) => ({ term, word: t(`glossary.terms.${term}.word`), means: t(`glossary.terms.${term}.means`) }))
    .toSorted((one, other) => compare(one.word, other.word))
})
</script>

<template>
  <div class="page">
    <h1>{{ t('app.glossary') }}</h1>
    <p class="soft">{{ t('glossary.more') }}</p>
    <dl>
      <div v-for="{ term, word, means } in terms" :id="term" :key="term">
        <dt>{{ word }}</dt>
        <dd>{{ means }}</dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
.page {
  max-width: 860px;
}
dl {
  margin: 12px 0 0;
}
dl div {
  display: grid;
  grid-template-columns: minmax(150px, 210px) 1fr;
  gap: 2px 18px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
@media (max-width: 640px) {
  dl div {
    grid-template-columns: 1fr;
  }
}
</style>
