<script setup lang="ts">
/** What is on paper instead of the page, while it is printed. */
</script>

<template>
  <Teleport to="body">
    <div class="paper"><slot /></div>
  </Teleport>
</template>

<style>
.paper {
  display: none;
}
@media print {
  body:has(.paper) > #app {
    display: none;
  }
  .paper {
    display: block;
    color: #000;
    font-size: 10pt;
  }
}
</style>
