<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Door, Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import HelpWord from '@/ui/HelpWord.vue'
import DoorRow from './DoorRow.vue'
import DoorSentence from './DoorSentence.vue'
import { draftOf, firstTerms, KINDS, useDoors, useWaiting, type Draft, type Kind } from './doors'
import InvitePanel from './InvitePanel.vue'
import WaitingList from './WaitingList.vue'

/** Every way into a site, by what changes next; who waits; and a sentence to complete for another door. */
const props = defineProps<{ site: Site }>()
const id = computed(() => props.site.id)
const { platform, roleName } = usePlatform()
const { doors, error, isPending, refetch } = useDoors(id)
const { waiting } = useWaiting(id)
type Group = 'key' | 'invitation' | 'request' | 'preview' | 'brought'
/** Doors by what people do there, and apart from them what others brought; in each, what changes next comes first. */
const GROUPS: Record<Group, Door['kind'][]> = {
  key: ['key'],
  invitation: ['invitation'],
  request: ['request'],
  preview: ['preview'],
  brought: ['staff', 'cohort', 'feed'],
}
const groups = computed(() =>
  (Object.keys(GROUPS) as Group[])
    .map((group) => ({ group, some: doors.value.filter((door) => GROUPS[group].includes(door.kind)) }))
    .filter(({ some }) => some.length),
)
const draft = ref<Draft | null>(null)
const changing = ref('')
const inviting = ref('')
const round = ref(0)
const editor = ref<InstanceType<typeof DoorSentence>[] | InstanceType<typeof DoorSentence>>()

/** Lines that were kept for an invitation while a list was let in. */
const kept = ref(typeof history.state?.invite === 'string' ? history.state.invite : '')
watch(
  doors,
  (all) => {
    if (!kept.value || inviting.value || draft.value) return
    const open = all.find((door) => door.kind === 'invitation' && door.state === 'open')
    if (open) inviting.value = open.id
    else void start('invitation')
  },
  { immediate: true },
)

async function write(first: Draft, door = '') {
  draft.value = first
  changing.value = door
  round.value++
  await nextTick()
  const shown = Array.isArray(editor.value) ? editor.value[0] : editor.value
  shown?.focus()
}
const start = (kind: Kind) => write(firstTerms(kind, props.site))
const change = (door: Door) => (changing.value === door.id && draft.value ? close() : write(draftOf(door), door.id))
function close() {
  draft.value = null
  changing.value = ''
}
function made(door: string) {
  const fresh = !changing.value
  close()
  if (fresh && doors.value.find((each) => each.id === door)?.kind === 'invitation') inviting.value = door
}
</script>

<template>
  <div class="both">
    <div class="page">
      <header>
        <h1>
          <HelpWord term="door">{{ t('doors.title') }}</HelpWord>
        </h1>
        <span class="new"
          >{{ t('doors.new') }}:
          <button
            v-for="kind in KINDS"
            :key="kind"
            class="word"
            :title="t(`doors.kindHint.${kind}`)"
            @click="start(kind)"
          >
            {{ t(`doors.kinds.${kind}`) }}
          </button></span
        >
        <RouterLink :to="{ name: 'arrivals', params: { site: id } }">{{ t('doors.act.watch') }}</RouterLink>
        <RouterLink :to="{ name: 'site-cohorts', params: { site: id } }">{{ t('doors.cohorts') }}</RouterLink>
        <RouterLink :to="{ name: 'renew-keys' }">{{ t('doors.renewAll') }}</RouterLink>
      </header>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <DoorSentence
        v-if="draft && !changing"
        ref="editor"
        :key="round"
        :first="draft"
        :site="site"
        :platform="platform"
        @close="close"
        @made="made"
      />
      <WaitingList :waiting="waiting" :in-line="doors.reduce((sum, door) => sum + door.waiting, 0)" :site="site" />
      <p v-if="isPending" class="skeleton" role="status" :aria-label="t('doors.loading')" />
      <p v-else-if="!doors.some((door) => door.set)" class="soft">{{ t('doors.empty') }}</p>
      <section v-for="{ group, some } in groups" :key="group" :aria-labelledby="'doors-' + group">
        <h2 :id="'doors-' + group">
          <HelpWord v-if="group !== 'brought'" :term="group">{{ t(`doors.groups.${group}`) }}</HelpWord><template
            v-else
            >{{ t(`doors.groups.${group}`) }}</template
          >
        </h2>
        <ul>
          <template v-for="door in some" :key="door.id">
            <DoorRow
              :door="door"
              :site="site"
              :platform="platform"
              :role-name="roleName"
              :on="changing === door.id || inviting === door.id"
              @change="change(door)"
              @copy="write({ ...draftOf(door), name: '' })"
              @invite="inviting = inviting === door.id ? '' : door.id"
            />
            <li v-if="draft && changing === door.id" class="editing">
              <DoorSentence
                ref="editor"
                :key="round"
                :first="draft"
                :door="door"
                :site="site"
                :platform="platform"
                @close="close"
                @made="made"
              />
            </li>
          </template>
        </ul>
      </section>
    </div>
    <InvitePanel
      v-if="inviting && doors.find((door) => door.id === inviting)"
      :key="inviting"
      :door="doors.find((door) => door.id === inviting)!"
      :site="site"
      :first="kept"
      @close="inviting = kept = ''"
    />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  flex: 1;
  min-height: 0;
}
.page {
  flex: 1;
  min-width: 0;
  overflow: auto;
  display: grid;
  gap: 14px;
  align-content: start;
  --docked: 440px;
}
.both {
  --docked: 460px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: baseline;
}
.new {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  margin-right: auto;
  align-items: baseline;
}
section h2 {
  padding-bottom: 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
.editing {
  padding: 0 0 10px;
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
    overflow: auto;
  }
  .page {
    overflow: visible;
  }
}
</style>
