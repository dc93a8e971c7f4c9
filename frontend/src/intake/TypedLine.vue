<script setup lang="ts">
import type { PastedLine } from '@/shared/api'
import { t } from '@/shared/words'

/** A line as it was typed, each word marked as what it was taken for. */
const props = defineProps<{ marks: PastedLine['marks'] }>()
/** What was not taken for somebody's name, number or address is also said to who does not see how it looks. */
const SAID = ['hint', 'remark', 'ignored']
/** Once, behind the last of several that were taken for the same. */
const isSaid = (place: number) => {
  const { kind } = props.marks[place]!
  return !!kind && SAID.includes(kind) && props.marks.slice(place + 1).find((mark) => mark.kind)?.kind !== kind
}
</script>

<template>
  <span class="line"
    ><template v-for="(mark, place) in marks" :key="place"
      ><span v-if="mark.kind" :class="mark.kind" :title="t(`pasted.mark.${mark.kind}`)"
        >{{ mark.text }}<span v-if="isSaid(place)" class="unseen"> ({{ t(`pasted.mark.${mark.kind}`) }})</span></span
      ><template v-else>{{ mark.text }}</template></template
    ></span
  >
</template>

<style scoped>
.line {
  white-space: pre-wrap;
}
.name {
  color: var(--ink);
  font-weight: 600;
}
.number,
.address {
  font-family: var(--mono);
  font-size: 0.9em;
  background: var(--mint-pale);
  border-radius: 3px;
  padding: 0 3px;
}
.address {
  border-bottom: 1px solid var(--spruce);
}
.hint {
  border-bottom: 2px dotted var(--spruce);
}
.remark {
  font-style: italic;
  color: var(--brass);
}
.ignored {
  text-decoration: line-through;
  text-decoration-thickness: 1px;
}
</style>
