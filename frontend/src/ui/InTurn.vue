<script setup lang="ts">
import { useTurn } from './turn'

/** Draws what is in it a moment after what is around it. */
const now = useTurn()
</script>

<template><slot v-if="now" /></template>
