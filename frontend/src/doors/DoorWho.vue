<script setup lang="ts">
import type { Platform, Site } from '@/shared/api'
import { useDraft } from './doorDraft'

/** Of the sentence of a door: who may come through it, with which key, as what and into which section. */
defineProps<{ site: Site; platform?: Platform; changed: boolean }>()
const { draft, chosenKey, domains, wrong, joins, open, toggle } = useDraft()
</script>

<template>
  <div v-if="open" class="line">
    {{ $t('doors.say.anyone') }}
    {{ draft.divisions.length ? $t('doors.write.from') : '(' + $t('doors.write.everybody') + ')' }}
    <span v-for="code in draft.divisions" :key="code" class="chip"
      >{{ platform?.divisions.find((each) => each.code === code)?.name ?? code }}
      <button
        type="button"
        class="word"
        :aria-label="`− ${code}`"
        @click="draft.divisions = toggle(draft.divisions, code)"
      >
        ×
      </button></span
    >
    <select
      class="plain"
      :aria-label="$t('doors.write.further')"
      :value="''"
      @change="draft.divisions = toggle(draft.divisions, ($event.target as HTMLSelectElement).value)"
    >
      <option value="">{{ $t('doors.write.further') }}</option>
      <option
        v-for="each in platform?.divisions.filter((each) => !draft.divisions.includes(each.code))"
        :key="each.code"
        :value="each.code"
      >
        {{ each.name }}
      </option>
    </select>
    {{ $t('doors.write.levels') }}
    <input v-model="draft.lowest" class="plain tiny" type="number" min="1" max="20" :aria-label="$t('form.lowest')" />
    {{ $t('doors.write.to') }}
    <input v-model="draft.highest" class="plain tiny" type="number" min="1" max="20" :aria-label="$t('form.highest')" />
    {{ $t('doors.write.domains') }}
    <input
      v-model="domains"
      class="plain"
      size="32"
      :placeholder="$t('doors.write.domainsHint')"
      :aria-label="$t('doors.write.domains')"
    />
    <span v-for="field in ['divisions', 'lowest', 'domains']" :key="field" class="clay">{{ wrong(field) }}</span>
  </div>
  <div v-else-if="draft.kind === 'invitation'" class="line">{{ $t('doors.say.invited') }}</div>
  <div v-if="draft.kind === 'key'" class="line">
    {{ $t('doors.write.withKey') }}
    <select v-model="chosenKey" class="plain" :aria-label="$t('doors.write.key')">
      <option :value="false">{{ $t(changed ? 'doors.write.keep' : 'doors.write.made') }}</option>
      <option :value="true">{{ $t('doors.write.chosen') }}</option>
    </select>
    <input
      v-if="chosenKey"
      v-model="draft.key"
      class="plain num"
      size="34"
      maxlength="120"
      :placeholder="$t('doors.write.keyHint')"
      :aria-label="$t('doors.write.key')"
      :aria-invalid="!!wrong('key')"
    />
    <span class="clay">{{ wrong('key') }}</span>
  </div>
  <div v-if="joins" class="line">
    {{ $t('doors.write.may') }}
    <select v-model="draft.role" class="plain" :aria-label="$t('doors.write.may')">
      <option v-for="role in platform?.roles" :key="role.code" :value="role.code">{{ role.name }}</option>
    </select>
    <select v-model="draft.place" class="plain" :aria-label="$t('doors.write.place.fixed')">
      <option
        v-for="place in site.sections.length ? (['none', 'fixed', 'emptiest', 'choice'] as const) : (['none'] as const)"
        :key="place"
        :value="place"
      >
        {{ $t('doors.write.place.' + place) }}
      </option>
    </select>
    <select
      v-if="draft.place === 'fixed'"
      v-model="draft.section"
      class="plain"
      :aria-label="$t('doors.write.place.fixed')"
    >
      <option v-for="section in site.sections" :key="section.id" :value="section.id">{{ section.name }}</option>
    </select>
    <select v-if="open" v-model="draft.approval" class="plain" :aria-label="$t('doors.write.at.yes')">
      <option :value="false">{{ $t('doors.write.at.once') }}</option>
      <option :value="true">{{ $t('doors.write.at.yes') }}</option>
    </select>
    <span v-for="field in ['role', 'place', 'section']" :key="field" class="clay">{{ wrong(field) }}</span>
  </div>
  <div v-else class="line">
    <select v-model="draft.anyone" class="plain" :aria-label="$t('doors.kinds.preview')">
      <option :value="false">{{ $t('doors.write.anyone.no') }}</option>
      <option :value="true">{{ $t('doors.write.anyone.yes') }}</option>
    </select>
    {{ $t('doors.write.look') }}
    <label v-for="each in ['leads', 'sections', 'numbers'] as const" :key="each"
      ><input type="checkbox" :checked="draft.shows.includes(each)" @change="draft.shows = toggle(draft.shows, each)" />
      {{ $t('doors.say.shows.' + each) }}</label
    >
  </div>
</template>

<style scoped>
.chip {
  background: var(--mint-pale);
  padding: 3px 2px 3px 8px;
  border-radius: 3px;
  white-space: nowrap;
}
.chip .word {
  text-decoration: none;
  padding: 0 4px;
}
</style>
