<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { t } from '@/shared/words'
import HelpWord from '@/ui/HelpWord.vue'
import PageParts from '@/ui/PageParts.vue'
import Trouble from '@/ui/Trouble.vue'
import DaysOffSettings from './DaysOffSettings.vue'
import DetailSettings from './DetailSettings.vue'
import DivisionSettings from './DivisionSettings.vue'
import GeneralSettings from './GeneralSettings.vue'
import KindSettings from './KindSettings.vue'
import LabelSettings from './LabelSettings.vue'
import LetterheadSettings from './LetterheadSettings.vue'
import MailSettings from './MailSettings.vue'
import RegistrationSettings from './RegistrationSettings.vue'
import SettingsPreview from './SettingsPreview.vue'
import SettingsVersions from './SettingsVersions.vue'
import StarterSettings from './StarterSettings.vue'
import TermSettings from './TermSettings.vue'
import { PLATFORM_PARTS } from './parts'
import { useSettings } from './settings'

/** What the platform is: its look, divisions, calendar and messages; changed by platform administrators. */
const route = useRoute()
const all = useSettings()
const { book, settings, error, refetch, changed, edit, wrongAt, known } = all
const part = computed(() => PLATFORM_PARTS.find((each) => each === route.params.part) ?? 'divisions')
const common = computed(() => ({
  settings: settings.value!,
  mayChange: book.value?.mayChange ?? false,
  wrongAt,
  edit,
  known,
}))
const parts = computed(() =>
  PLATFORM_PARTS.map((each) => ({
    to: `/platform/${each}`,
    words: t(`platform.parts.${each}`),
    on: each === part.value,
  })),
)
</script>

<template>
  <div class="both">
    <div class="page">
      <h1>
        <HelpWord term="platform">{{ t('platform.title') }}</HelpWord>
      </h1>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="book && settings">
        <p class="soft">{{ t(book.mayChange ? 'platform.more' : 'platform.onlyLook') }}</p>
        <PageParts :label="t('platform.title')" :parts="parts" />

        <GeneralSettings v-if="part === 'general'" v-bind="common" :preview="all.preview.value" />
        <DivisionSettings v-else-if="part === 'divisions'" v-bind="common" />
        <TermSettings v-else-if="part === 'terms'" v-bind="common" />
        <DaysOffSettings v-else-if="part === 'days-off'" v-bind="common" />
        <StarterSettings v-else-if="part === 'starters'" v-bind="common" :sites="book.sites" />
        <LabelSettings v-else-if="part === 'labels'" v-bind="common" />
        <DetailSettings v-else-if="part === 'details'" v-bind="common" />
        <KindSettings v-else-if="part === 'kinds'" v-bind="common" />
        <template v-else-if="part === 'messages'">
          <MailSettings v-bind="common" :password-kept="book.mailPassword" />
          <LetterheadSettings v-bind="common" />
        </template>
        <RegistrationSettings v-else-if="part === 'register'" v-bind="common" />
        <SettingsVersions v-else :may-change="book.mayChange" :version="book.version" @put-back="all.putBack" />
      </template>
      <span v-else class="skeleton" style="display: block; width: 300px; height: 24px" />
    </div>
    <SettingsPreview v-if="changed" :all="all" />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 12px;
  align-content: start;
  max-width: 1100px;
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
  }
}
</style>
