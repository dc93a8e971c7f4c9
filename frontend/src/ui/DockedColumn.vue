<script setup lang="ts">
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { me } from '@/shared/me'
import { t } from '@/shared/words'

/**
 * A column docked on the right of what it is about, as wide as one likes: its edge is dragged, or moved by the arrows
 * (twice a click gives it back as it was). Remembered for each person on this machine. On a phone it takes the page.
 */
const props = defineProps<{ label: string; name: string; closes?: boolean }>()
defineEmits<{ close: [] }>()
const LEAST = 300
const STEP = 24
const widths = useLocalStorage<Record<string, number>>(`mint-door:docked:${me.value?.id ?? ''}`, {})
const column = ref<HTMLElement>()
const most = () => Math.max(LEAST, Math.round(window.innerWidth * 0.7))
const width = computed(() => widths.value[props.name])
const now = () => column.value?.offsetWidth ?? LEAST
const become = (to: number) =>
  (widths.value = { ...widths.value, [props.name]: Math.round(Math.min(most(), Math.max(LEAST, to))) })

const dragged = ref<{ from: number; width: number } | null>(null)
function grab(event: PointerEvent) {
  dragged.value = { from: event.clientX, width: now() }
  event.preventDefault()
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (dragged.value) become(dragged.value.width + dragged.value.from - event.clientX)
})
useEventListener(window, ['pointerup', 'pointercancel'], () => (dragged.value = null))

function keyed(event: KeyboardEvent) {
  const to = {
    ArrowLeft: now() + STEP,
    ArrowRight: now() - STEP,
    Home: LEAST,
    End: most(),
  }[event.key]
  if (to === undefined) return
  event.preventDefault()
  become(to)
}
function reset() {
  const { [props.name]: _, ...others } = widths.value
  widths.value = others
}
</script>

<template>
  <aside
    ref="column"
    class="docked"
    :class="{ dragged }"
    :style="width ? { '--docked': `${width}px` } : undefined"
    :aria-label="label"
    @keydown.esc.stop="$emit('close')"
  >
    <div
      class="edge no-print"
      role="separator"
      tabindex="0"
      aria-orientation="vertical"
      :aria-label="t('parts.width')"
      :aria-valuenow="width ?? LEAST"
      :aria-valuemin="LEAST"
      :aria-valuemax="most()"
      @pointerdown="grab"
      @keydown="keyed"
      @dblclick="reset"
    />
    <div class="inside">
      <button v-if="closes" class="word shut" @click="$emit('close')">{{ t('parts.close') }}</button>
      <slot />
    </div>
  </aside>
</template>

<style scoped>
.docked {
  width: min(var(--docked, 400px), 70vw);
  flex: none;
  display: flex;
  background: var(--sheet);
}
.dragged {
  user-select: none;
}
.edge {
  flex: none;
  width: 6px;
  background: var(--edge, var(--brass));
  cursor: col-resize;
  touch-action: none;
}
.edge:hover,
.edge:focus-visible,
.dragged .edge {
  background: var(--spruce);
}
.inside {
  flex: 1;
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  display: grid;
  gap: 12px;
  align-content: start;
  position: relative;
}
.shut {
  position: absolute;
  top: 10px;
  right: 14px;
}
@media (max-width: 760px) {
  .docked {
    width: 100%;
  }
  .edge {
    display: none;
  }
}
</style>
