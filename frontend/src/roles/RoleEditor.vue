<script setup lang="ts">
import type { Permission, RoleRules, RuleBook, Rules } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import LevelRun from './LevelRun.vue'

/**
 * A role being changed: what it is called, what it may, for whom it is and who gives it. Writes on the draft it was
 * given.
 */
const props = defineProps<{ role: RoleRules; rules: Rules; book: RuleBook; wrongAt: (where: string) => string[] }>()
defineEmits<{ done: []; remove: [] }>()
const { platform } = usePlatform()
const KINDS = ['learner', 'staff', 'guardian', 'external'] as const
const at = (field: string) => props.wrongAt(`roles/${props.role.code}/${field}`)
const fresh = !props.book.rules.roles.some((role) => role.code === props.role.code)

function toggle<T>(list: T[], value: T) {
  const index = list.indexOf(value)
  if (index < 0) list.push(value)
  else list.splice(index, 1)
}

function forKind(kind: RoleRules['for'][number]) {
  const { role } = props
  toggle(role.for, kind)
  role.suggestFor = role.suggestFor.filter((each) => role.for.includes(each))
}

/** Whoever may do something may also do what it needs. */
function allow(list: Permission[], permission: Permission) {
  toggle(list, permission)
  if (!list.includes(permission)) return
  for (const needed of props.book.permissions.find((each) => each.code === permission)?.needs ?? [])
    if (!list.includes(needed)) allow(list, needed)
}

function allowAll(permission: Permission) {
  const { role } = props
  allow(role.permissions, permission)
  // What the role may not, none of its bands may; what is new, all of them may, until it is taken from one.
  for (const band of role.bands) {
    band.permissions = band.permissions.filter((each) => role.permissions.includes(each))
    if (role.permissions.includes(permission))
      for (const each of role.permissions)
        if (!band.permissions.includes(each) && each === permission) band.permissions.push(each)
  }
}
/* eslint-disable vue/no-mutating-props -- the draft is made to be written on */
</script>

<template>
  <form class="editor" @submit.prevent="$emit('done')" @keydown.esc="$emit('done')">
    <div class="row">
      <div class="field">
        <label :for="'name-' + role.code">{{ $t('rules.name') }}</label><input
          :id="'name-' + role.code"
          v-model="role.name"
          class="plain"
          maxlength="60"
        /><span v-for="sentence in at('name')" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
      </div>
      <div class="field">
        <label :for="'rank-' + role.code">{{ $t('rules.rank') }}</label><input
          :id="'rank-' + role.code"
          v-model.number="role.rank"
          class="plain short"
          inputmode="numeric"
        /><span class="hint">{{ $t('rules.rankHint') }}</span
        ><span v-for="sentence in at('rank')" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
      </div>
      <div class="field">
        <label :for="'standard-' + role.code">{{ $t('rules.standard') }}</label><select
          :id="'standard-' + role.code"
          v-model="role.standard"
          class="plain"
        >
          <option v-for="each in book.standards" :key="each">{{ each }}</option>
        </select>
      </div>
      <label class="tick"><input v-model="role.listed" type="checkbox" /> {{ $t('rules.listed') }}</label>
      <label v-if="fresh" class="tick"><input v-model="role.takesSeat" type="checkbox" /> {{ $t('rules.seat') }}</label>
    </div>
    <div class="field">
      <label :for="'caution-' + role.code">{{ $t('rules.captionOf') }}</label><input
        :id="'caution-' + role.code"
        class="plain"
        maxlength="200"
        :value="role.caution ?? ''"
        @input="role.caution = ($event.target as HTMLInputElement).value || null"
      /><span class="hint">{{ $t('rules.cautionHint') }}</span
      ><span v-for="sentence in at('caution')" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
    </div>
    <fieldset>
      <legend>{{ $t('rules.permissions') }}</legend>
      <div class="ticks">
        <div v-for="{ code } in book.permissions" :key="code" class="permission">
          <label class="tick"
            ><input type="checkbox" :checked="role.permissions.includes(code)" @change="allowAll(code)" />
            {{ $t('may.' + code) }}</label
          >
          <template v-if="role.permissions.includes(code)">
            <label v-for="band in role.bands" :key="band.name" class="tick soft"
              ><input
                type="checkbox"
                :checked="band.permissions.includes(code)"
                @change="allow(band.permissions, code)"
              />
              {{ band.name.toLowerCase() }}</label
            >
          </template>
        </div>
      </div>
      <p v-for="sentence in [...at('permissions'), ...at('bands')]" :key="sentence" class="clay" role="alert">
        {{ sentence }}
      </p>
    </fieldset>
    <fieldset>
      <legend>{{ $t('rules.whoFor') }}</legend>
      <label v-for="kind in KINDS" :key="kind" class="tick"
        ><input type="checkbox" :checked="role.for.includes(kind)" @change="forKind(kind)" />
        {{ $t('rules.kinds.' + kind) }}</label
      >
      <p class="inline">
        {{ $t('rules.offerTo') }}
        <label v-for="kind in role.for" :key="kind" class="tick"
          ><input type="checkbox" :checked="role.suggestFor.includes(kind)" @change="toggle(role.suggestFor, kind)" />
          {{ $t('rules.kinds.' + kind) }}</label
        >
      </p>
      <p v-if="role.for.includes('learner')" class="inline">
        <label class="tick"
          ><input
            type="checkbox"
            :checked="role.learnersOf !== null"
            @change="role.learnersOf = role.learnersOf ? null : [1, 10]"
          />
          {{ $t('rules.onlyLevels') }}</label
        >
        <template v-if="role.learnersOf"
          ><LevelRun v-model="role.learnersOf" :label="$t('rules.onlyLevels')"
        /></template>
      </p>
      <p v-for="sentence in [...at('for'), ...at('suggestFor')]" :key="sentence" class="clay" role="alert">
        {{ sentence }}
      </p>
    </fieldset>
    <fieldset>
      <legend>{{ $t('rules.givenBy') }}</legend>
      <label
        v-for="each in rules.roles.filter(
          (other) => other.permissions.includes('let-in') || role.givenBy.includes(other.code),
        )"
        :key="each.code"
        class="tick"
        ><input type="checkbox" :checked="role.givenBy.includes(each.code)" @change="toggle(role.givenBy, each.code)" />
        {{ each.name }}</label
      >
      <p v-for="sentence in at('givenBy')" :key="sentence" class="clay" role="alert">{{ sentence }}</p>
    </fieldset>
    <fieldset v-if="role.for.includes('learner')">
      <legend>{{ $t('rules.bands') }}</legend>
      <p class="hint soft">{{ $t('rules.bandsHint') }}</p>
      <div v-for="(band, index) in role.bands" :key="index" class="row band">
        <input v-model="band.name" class="plain" maxlength="40" :aria-label="$t('rules.bandName')" />
        <span
          ><label v-for="each in platform?.divisions" :key="each.code" class="tick"
            ><input
              type="checkbox"
              :checked="band.divisions.includes(each.code)"
              @change="toggle(band.divisions, each.code)"
            />
            {{ each.name }}</label
          ></span
        >
        <label class="tick"
          ><input
            type="checkbox"
            :checked="band.levels !== null"
            @change="band.levels = band.levels ? null : [1, 10]"
          />
          {{ $t('rules.onlyLevels') }}</label
        >
        <LevelRun v-if="band.levels" v-model="band.levels" :label="$t('rules.onlyLevels')" />
        <button type="button" class="word clay" @click="role.bands.splice(index, 1)">
          {{ $t('rules.number.remove') }}
        </button>
      </div>
      <button
        type="button"
        class="word"
        @click="
          role.bands.push({
            name: $t('rules.newBand', { n: role.bands.length + 1 }),
            divisions: [],
            levels: null,
            permissions: [...role.permissions],
          })
        "
      >
        {{ $t('rules.addBand') }}
      </button>
    </fieldset>
    <p v-for="sentence in [...at('listed'), ...at('code'), ...at('lead')]" :key="sentence" class="clay" role="alert">
      {{ sentence }}
    </p>
    <p class="row">
      <button class="word">{{ $t('rules.stop') }}</button><button
        v-if="!role.lead"
        type="button"
        class="word clay"
        @click="$emit('remove')"
      >
        {{ $t('rules.remove') }}
      </button>
    </p>
  </form>
</template>

<style scoped>
.editor {
  border-left: 4px solid var(--brass);
  padding: 6px 14px;
  display: grid;
  gap: 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  align-items: start;
}
.tick {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  margin-right: 16px;
}
.row > .tick {
  margin-top: 26px;
}
.ticks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 3px 18px;
}
.short {
  width: 80px;
}
.inline {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  margin-top: 4px;
}
.band {
  align-items: center;
  margin: 4px 0;
}
.band .tick {
  margin-top: 0;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding: 0 0 4px;
}
.permission .soft {
  display: inline-flex;
  font-size: 0.9rem;
}
</style>
