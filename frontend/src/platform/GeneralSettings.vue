<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { SettingsPreview } from '@/shared/api'
import { t, tIn } from '@/shared/words'
import GlyphMark from '@/ui/GlyphMark.vue'
import { GLYPHS } from '@/ui/glyphs'
import OneOf from '@/ui/OneOf.vue'
import type { PartOfSettings } from './settings'

/** What the platform is called, its mark, and the one colour that pages take from it. */
const props = defineProps<PartOfSettings & { preview?: SettingsPreview }>()
/** To choose from; any other colour is written. */
const COLOURS = ['', '#1d4e89', '#5b3a8c', '#9c2f5b', '#a03c1e', '#7a5200', '#3d6b1f', '#116466', '#454b57'] as const
const accent = computed(() => props.settings.look.accent)
const sample = computed(() => props.preview?.look.light)

/** "#ABC" and "abc" are written out; what is no colour stays and is said. */
function write(text: string) {
  const bare = text.trim().replace(/^#/, '').toLowerCase()
  const full = bare.length === 3 ? [...bare].map((digit) => digit + digit).join('') : bare
  props.edit().look.accent = /^[0-9a-f]{6}$/.test(full) ? '#' + full : text.trim()
}
</script>

<template>
  <div class="field narrow">
    <label for="platform-name">{{ t('platform.name') }}</label>
    <InputText
      id="platform-name"
      :model-value="settings.name"
      :disabled="!mayChange"
      :invalid="wrongAt('name').length > 0"
      maxlength="120"
      aria-describedby="platform-name-hint"
      @update:model-value="edit().name = $event ?? ''"
    />
    <span id="platform-name-hint" class="hint">{{ t('platform.nameHint') }}</span>
    <span v-for="wrong in wrongAt('name')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </div>
  <fieldset :disabled="!mayChange">
    <legend>{{ t('platform.look.mark') }}</legend>
    <div class="choices">
      <OneOf
        v-for="name in ['', ...Object.keys(GLYPHS)]"
        :key="name"
        name="platform-mark"
        :value="name"
        :model-value="settings.look.mark"
        @update:model-value="edit().look.mark = name"
        ><span class="choice"
          ><img v-if="!name" src="/mark.svg" alt="" width="20" height="20" /><GlyphMark v-else :name="name" />{{
            name ? tIn('glyph', name) : t('platform.look.own-mark')
          }}</span
        ></OneOf
      >
    </div>
    <span v-for="wrong in wrongAt('look/mark')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </fieldset>
  <fieldset :disabled="!mayChange">
    <legend>{{ t('platform.look.accent') }}</legend>
    <p class="hint">{{ t('platform.look.accentMore') }}</p>
    <div class="choices">
      <OneOf
        v-for="(colour, index) in COLOURS"
        :key="colour"
        name="platform-accent"
        :value="colour"
        :model-value="accent"
        @update:model-value="edit().look.accent = colour"
        ><span class="choice"
          ><span class="swatch" :style="{ background: colour || '#1f5a4b' }" />{{
            tIn('platform.look.colour', String(index))
          }}</span
        ></OneOf
      >
    </div>
    <div class="field own">
      <label for="platform-accent-own">{{ t('platform.look.own') }}</label>
      <span class="choice">
        <InputText
          id="platform-accent-own"
          size="small"
          class="figures"
          maxlength="9"
          :placeholder="COLOURS[1]"
          :model-value="accent"
          :invalid="wrongAt('look/accent').length > 0"
          @change="write(($event.target as HTMLInputElement).value)"
        />
        <span v-if="sample" class="sample" :style="{ background: sample.accent, color: sample.onAccent }">{{
          t('platform.look.sample')
        }}</span>
        <span v-if="sample" class="sample" :style="{ background: sample.pale, color: sample.accent }">{{
          t('platform.look.sample')
        }}</span>
      </span>
      <span v-for="wrong in wrongAt('look/accent')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
    </div>
  </fieldset>
</template>

<style scoped>
.narrow {
  max-width: 460px;
}
fieldset {
  border: 0;
  margin: 6px 0 0;
  padding: 0;
  min-width: 0;
  display: grid;
  gap: 8px;
}
legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding: 0 0 6px;
}
.choices {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 14px;
}
.choices :deep(.one) {
  align-items: center;
}
.choice {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.swatch {
  width: 18px;
  height: 18px;
  border-radius: 3px;
  border: 1px solid var(--line);
}
.own {
  max-width: 460px;
}
.figures {
  width: 120px;
  font-family: var(--mono);
}
.sample {
  padding: 3px 12px;
  border-radius: 4px;
  font-weight: 600;
  font-size: 0.92rem;
  border: 1px solid var(--line);
}
</style>
