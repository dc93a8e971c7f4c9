<script setup lang="ts">
/** Words and numbers in rows, to be read or printed: nothing in it is worked with. */
defineProps<{ head: string[]; rows: (string | number)[][]; name?: string }>()
</script>

<template>
  <table :aria-label="name">
    <thead>
      <tr>
        <th v-for="(text, place) in head" :key="place" scope="col">{{ text }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, place) in rows" :key="place">
        <td v-for="(text, column) in row" :key="column">{{ text }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
  font-variant-numeric: tabular-nums;
}
th,
td {
  text-align: left;
  border-bottom: 1px solid var(--line);
  padding: 3px 10px 3px 0;
}
th {
  color: var(--soft);
  font-size: 0.88rem;
}
@media print {
  th,
  td {
    color: #000;
    border-color: #999;
    padding: 2pt 6pt 2pt 0;
  }
}
</style>
