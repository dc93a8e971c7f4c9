<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'

/** The secret address at which other programs fetch one's week: shown once, renewed, taken away. */
const client = useQueryClient()
const KEY = ['calendar-address']
const { data } = useQuery({ queryKey: KEY, queryFn: () => take(api.GET('/me/calendar-address')) })
const address = ref('')
const gone = ref(false)
const copied = ref(false)
async function copy(text: string) {
  await navigator.clipboard.writeText(text)
  copied.value = true
}
const { busy, run } = useBusy()
const make = () =>
  run(async () => {
    const made = await take(api.POST('/me/calendar-address'))
    copied.value = false
    address.value = location.origin + made.path
    gone.value = false
    client.setQueryData(KEY, { ...made, path: null })
  })
const drop = () =>
  run(async () => {
    client.setQueryData(KEY, await take(api.DELETE('/me/calendar-address')))
    address.value = ''
    gone.value = true
  })
</script>

<template>
  <section v-if="data" class="address">
    <h2>{{ t('weeks.address.title') }}</h2>
    <p class="soft">{{ t('weeks.address.more') }}</p>
    <template v-if="address">
      <p role="status">{{ t('weeks.address.made') }}</p>
      <p class="line">
        <InputText :model-value="address" readonly size="small" :aria-label="t('weeks.address.label')" />
        <Button
          size="small"
          :label="t(copied ? 'weeks.address.copied' : 'weeks.address.copy')"
          @click="copy(address)"
        />
      </p>
    </template>
    <p v-else-if="data.madeAt" class="soft">{{ t('weeks.address.renewMore', { day: day(data.madeAt, ownZone) }) }}</p>
    <p v-else-if="gone" role="status">{{ t('weeks.address.gone') }}</p>
    <p class="line">
      <Button
        v-if="!address"
        size="small"
        variant="outlined"
        :disabled="busy"
        :label="t(data.madeAt ? 'weeks.address.renew' : 'weeks.address.make')"
        @click="make"
      />
      <button v-if="data.madeAt" class="word clay" :disabled="busy" @click="drop">{{ t('weeks.address.drop') }}</button>
    </p>
  </section>
</template>

<style scoped>
.address {
  display: grid;
  gap: 6px;
  max-width: 640px;
  border-top: 2px solid var(--brass);
  padding-top: 10px;
}
h2 {
  font-size: 1.1rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.line input {
  flex: 1 1 260px;
}
</style>
