<script setup lang="ts" generic="Row extends object">
import Table from 'ant-design-vue/es/table'
import { computed, onMounted, onUpdated, useTemplateRef } from 'vue'
import { Cell, inOrder, type Column } from './grid'
import { hushSorters } from './mend'

/** Rows under heads that stay in sight, put in order by a press; a row may open to more. */
const props = defineProps<{ label: string; columns: Column<Row>[]; rows: Row[]; id: (row: Row) => string; marked?: (row: Row) => boolean; opened?: string[] }>()
const emit = defineEmits<{ opened: [ids: string[]] }>()
const slots = defineSlots<{ cell(props: { column: Column<Row>; row: Row }): unknown; more(props: { row: Row }): unknown }>()

const columns = computed(() => props.columns.map((column) => ({
  key: column.key,
  title: column.title,
  dataIndex: column.key,
  align: column.right ? ('right' as const) : undefined,
  sorter: column.by ? (a: Row, b: Row) => inOrder(column.by?.(a) ?? null, column.by?.(b) ?? null) : undefined,
  customHeaderCell: () => ({ scope: 'col' }),
  customCell: (row: Row) => ({ scope: column.head ? 'row' : undefined, class: [column.over?.(row) && 'over', column.mute && 'mute', !column.head && 'figure'] }),
  own: column,
})))
const ownOf = (column: unknown) => (column as { own: Column<Row> }).own
const box = useTemplateRef<HTMLElement>('box')
onMounted(() => hushSorters(box.value))
onUpdated(() => hushSorters(box.value))
const COMPONENTS = { body: { cell: Cell } }
</script>

<template>
  <div ref="box" class="scroll" tabindex="0" role="region" :aria-label="label">
    <Table
      class="grid" size="small" :columns="columns as never" :data-source="rows as never" :row-key="(row: unknown) => id(row as Row)" :pagination="false" :components="COMPONENTS as never" :show-sorter-tooltip="false"
      :row-class-name="(row: unknown) => (marked?.(row as Row) ? 'marked' : '')" :expanded-row-keys="opened" :show-expand-column="false"
      @update:expanded-row-keys="(keys: unknown) => emit('opened', keys as string[])"
    >
      <template #bodyCell="{ column, record }">
        <slot name="cell" :column="ownOf(column)" :row="record as Row">{{ ownOf(column).show?.(record as Row) }}</slot>
      </template>
      <template v-if="slots.more" #expandedRowRender="{ record }"><slot name="more" :row="record as Row" /></template>
      <template v-if="rows.length === 0" #emptyText><span class="mute">nothing yet</span></template>
    </Table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
}
.grid :deep(table) {
  font-size: 15px;
}
.grid :deep(th),
.grid :deep(td) {
  text-align: left;
  vertical-align: top;
  background: none;
}
.grid :deep(.ant-table-cell) {
  padding: 5px 10px 5px 0 !important;
}
.grid :deep(.ant-table) {
  background: none;
}
.grid :deep(thead .ant-table-cell) {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--card) !important;
  color: var(--mute);
  font: 500 13px/1.25 var(--labels);
}
.grid :deep(thead .ant-table-cell::before) {
  display: none;
}
.grid :deep(tbody th) {
  font-weight: 400;
  border-bottom: 1px solid var(--line);
}
.grid :deep(td.figure) {
  font: 600 15px/1.3 var(--labels);
}
/* Rather drawn aside by a thumb than broken into a column of words. */
@media (max-width: 720px) {
  .grid :deep(td.figure) {
    white-space: nowrap;
  }
}
.grid :deep(td.mute) {
  color: var(--mute);
}
.grid :deep(td.over) {
  color: var(--over);
}
.grid :deep(.marked th) {
  font-weight: 600;
}
.grid :deep(.ant-table-column-sorters) {
  justify-content: flex-start;
  gap: 4px;
}
.grid :deep(.ant-table-column-title) {
  flex: none;
}
</style>
