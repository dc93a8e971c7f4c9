<script setup lang="ts">
import { computed } from 'vue'
import { t } from '@/shared/words'
import PlainTable from '@/ui/PlainTable.vue'
import { listed, type SitePlan } from './plans'

/** The sections of a plan in numbers: places, who is there, who wishes to be, and who is put there. */
const props = defineProps<{ plan: SitePlan }>()
const used = computed(() => props.plan.sections.filter((section) => section.used))
const asks = computed(() => props.plan.plan?.wishesUntil != null)
const made = computed(() => props.plan.plan?.outcome != null)
/** How many sections have at least, those with as many in one sentence. */
const sizes = computed(() => {
  const names = new Map<number, string[]>()
  for (const { name, least } of used.value) if (least) names.set(least, [...(names.get(least) ?? []), name])
  return [...names].map(([n, all]) =>
    all.length > 1 && all.length === used.value.length
      ? t('plans.conditions.leastEach', { least: n })
      : t('plans.conditions.least', { names: listed(all), least: n }, all.length),
  )
})
const conditions = computed(() => {
  const asked = props.plan.plan
  if (!asked) return ''
  const groups = (all: { name: string }[][]) => all.map((group) => group.map(({ name }) => name).join(' + ')).join(', ')
  return [
    asked.together.length ? t('plans.conditions.together', { names: groups(asked.together) }) : '',
    asked.apart.length ? t('plans.conditions.apart', { names: groups(asked.apart) }) : '',
    ...asked.balances.map(({ by, label, tolerance }) =>
      t('plans.conditions.alike', { by: by === 'label' ? label : t(`plans.form.by.${by}`), n: tolerance }),
    ),
    ...sizes.value,
  ]
    .filter(Boolean)
    .join(' ')
})
const head = computed(() => [
  t('plans.table.section'),
  t('plans.table.places'),
  t('plans.table.now'),
  ...(asks.value ? [t('plans.table.first'), t('plans.table.wished')] : []),
  ...(made.value ? [t('plans.table.after')] : []),
])
const rows = computed(() =>
  used.value.map((section) => [
    section.name,
    section.places ?? section.seats ?? t('plans.form.noLimit'),
    section.now,
    ...(asks.value ? [section.first, section.wished] : []),
    ...(made.value ? [section.after ?? 0] : []),
  ]),
)
const who = computed(() =>
  [
    t('plans.learners', { n: props.plan.learners }, props.plan.learners),
    t('plans.without', { n: props.plan.without }, props.plan.without),
    t(`plans.who.${props.plan.plan?.moves ?? 'nobody'}`),
  ].join(' '),
)
</script>

<template>
  <section :aria-label="t('plans.table.name')">
    <p>{{ who }}</p>
    <div class="wide"><PlainTable :head="head" :rows="rows" :name="t('plans.table.name')" /></div>
    <p v-if="conditions" class="soft">{{ conditions }}</p>
    <p v-if="plan.plan?.moves !== 'nobody' && plan.plan?.stays.length" class="soft">
      {{ t('plans.staying', { names: plan.plan.stays.map(({ name }) => name).join(', ') }) }}
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
.wide {
  max-width: 760px;
  overflow-x: auto;
}
</style>
