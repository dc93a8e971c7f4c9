<script setup lang="ts">
import vTooltip from 'primevue/tooltip'
import { t, type Term } from '@/shared/words'

/**
 * A word of ours, dotted: what it means is said on it, for the pointer, for keys and for a finger. The same stands in
 * the glossary. Example: `<HelpWord term="unlisted">3 unlisted</HelpWord>`.
 */
defineProps<{
  /** A key under `glossary.terms`. */
  term: Term
}>()
// The library's tooltip goes by the pointer alone, or by the focus alone.
const show = (event: Event) => event.target!.dispatchEvent(new MouseEvent('mouseenter'))
const hide = (event: Event) => event.target!.dispatchEvent(new MouseEvent('mouseleave'))
</script>

<template>
  <span
    v-tooltip.bottom="{ value: t(`glossary.terms.${term}.means`), class: 'means', showDelay: 120 }"
    class="term"
    tabindex="0"
    @focus="show"
    @blur="hide"
    @click="$event.stopImmediatePropagation()"
    ><slot>{{ t(`glossary.terms.${term}.word`) }}</slot></span
  >
</template>

<style>
.term {
  text-decoration: underline dotted var(--soft);
  text-decoration-thickness: 1.5px;
  text-underline-offset: 0.22em;
  cursor: help;
}
.means {
  max-width: 320px;
}
</style>
