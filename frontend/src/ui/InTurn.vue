<script setup lang="ts">
import { onMounted, onScopeDispose, ref } from 'vue'

/** Draws what is in it a moment after what is around it: clicks and keys are heard in between. */
const now = ref(false)
let turn: ReturnType<typeof setTimeout> | undefined
onMounted(() => (turn = setTimeout(() => (now.value = true))))
onScopeDispose(() => clearTimeout(turn))
</script>

<template><slot v-if="now" /></template>
