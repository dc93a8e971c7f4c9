<script setup lang="ts">
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed } from 'vue'
import type { RoleRules, RuleBook } from '@/shared/api'
import { t, tIn } from '@/shared/words'
import { useSlices } from '@/ui/slices'
import { roleTable, type RoleTableRow } from './rules'

/** All roles as one table: permissions down, grouped by what they are for, roles across; differences stand out. */
const props = defineProps<{ roles: RoleRules[]; book: RuleBook }>()
const rows = computed(() =>
  roleTable(
    props.roles,
    props.book.permissions.map(({ code }) => code),
  ),
)
const { some } = useSlices(rows)
const cell = (row: RoleTableRow, role: RoleRules) => row.cells[role.code]!
const print = () => window.print()
</script>

<template>
  <section>
    <p class="no-print top">
      <span class="soft">{{ t('rules.table.more') }}</span>
      <Button size="small" variant="outlined" :label="t('rules.table.print')" @click="print" />
    </p>
    <DataTable
      :value="some"
      data-key="permission"
      size="small"
      scrollable
      scroll-height="70vh"
      row-group-mode="subheader"
      group-rows-by="purpose"
      :table-props="{ 'aria-label': t('rules.parts.table') }"
      :pt="{ tableContainer: { tabindex: 0, role: 'group', 'aria-label': t('rules.parts.table') } }"
    >
      <template #groupheader="{ data }"
        ><strong>{{ tIn('rules.table.purpose', data.purpose) }}</strong></template
      >
      <Column field="purpose" />
      <Column field="permission" frozen class="what" :header="t('rules.permissions')">
        <template #body="{ data }">{{ tIn('may', data.permission) }}</template>
      </Column>
      <Column v-for="role in roles" :key="role.code" :header="role.name" class="role">
        <template #body="{ data }">
          <span :class="[cell(data, role).extent, { differs: cell(data, role).differs }]">{{
            t(`rules.table.${cell(data, role).extent}`)
          }}</span>
        </template>
      </Column>
    </DataTable>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  justify-content: space-between;
  align-items: center;
  padding-bottom: 8px;
}
:deep(.role) {
  min-width: 92px;
  text-align: center;
  vertical-align: bottom;
}
:deep(th.role .p-datatable-column-header-content) {
  justify-content: center;
}
:deep(th) {
  font-size: 0.88rem;
  line-height: 1.15;
}
:deep(.what) {
  min-width: 200px;
  background: var(--paper);
}
:deep(td) {
  padding: 2px 6px;
}
:deep(.p-datatable-row-group-header td) {
  padding: 8px 6px 3px;
  background: var(--hover);
}
.no {
  color: var(--soft);
}
.yes,
.some,
.no {
  display: block;
  padding: 3px 4px;
  border-radius: 3px;
}
.differs {
  font-weight: 700;
  background: var(--brass-pale);
  box-shadow: inset 3px 0 var(--brass);
}
.differs.yes {
  background: var(--mint-pale);
  box-shadow: inset 3px 0 var(--spruce);
}
@media print {
  :deep(.p-datatable-table-container) {
    max-height: none !important;
    overflow: visible !important;
  }
  :deep(th),
  :deep(td) {
    font-size: 8pt;
    color: #000;
    padding: 1pt 3pt;
  }
}
</style>
