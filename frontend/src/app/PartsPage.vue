<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Message from 'primevue/message'
import ProgressBar from 'primevue/progressbar'
import Skeleton from 'primevue/skeleton'
import Tag from 'primevue/tag'
import Textarea from 'primevue/textarea'
import { ref } from 'vue'
import { switchColours } from '@/shared/colours'
import { useColumns } from '@/ui/columns'
import ChartOf from '@/ui/ChartOf.vue'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import DataRows from '@/ui/DataRows.vue'
import DayField from '@/ui/DayField.vue'
import DockedColumn from '@/ui/DockedColumn.vue'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import FindBox from '@/ui/FindBox.vue'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import PlainTable from '@/ui/PlainTable.vue'
import SeatMeter from '@/ui/SeatMeter.vue'
import ShareBar from '@/ui/ShareBar.vue'
import Tick from '@/ui/Tick.vue'
import TimeField from '@/ui/TimeField.vue'

/** Every part in every state, for whoever works on them. It is not in what is served, so that its words stand here. */
const few = ['violin', 'viola', 'cello'] as const
const many = Array.from({ length: 24 }, (_, index) => `Choice ${index + 1}`)
const one = ref<string>('viola')
const none = ref<string>()
const long = ref<string>('Choice 3')
const day = ref('2026-09-07')
const noDay = ref('')
const wrongDay = ref('the day after')
const time = ref('09:30')
const number = ref<number | null>(24)
const ticks = ref<string[]>(['violin'])
const on = ref(true)
const radio = ref<string | null>('cello')
const text = ref('Words')
const found = ref('')
const find = (query: string) => Promise.resolve(many.filter((each) => each.toLowerCase().includes(query.toLowerCase())))

const rows = ['Ada Brook', 'Bo Lind', 'Cem Aydın', 'A very long name that nobody could be called by'].map(
  (name, index) => ({ id: String(index), name, state: index === 2 ? 'Paused' : 'Current' }),
)
const columns = useColumns('parts', () => [
  { key: 'name', label: 'Name', weight: 2, always: true, sortable: true },
  { key: 'state', label: 'State', weight: 1 },
])
const chartDays = Array.from({ length: 12 }, (_, index) => `${index + 1} Sep`)
const chosen = ref(new Set(['1']))
function choose(index: number) {
  const id = rows[index]!.id
  const now = new Set(chosen.value)
  if (!now.delete(id)) now.add(id)
  chosen.value = now
}
</script>

<template>
  <div class="page parts">
    <h1>Parts</h1>
    <p><Button size="small" variant="outlined" label="Other colours" @click="switchColours" /></p>
    <section>
      <h2>Buttons</h2>
      <p class="acts">
        <Button label="The likely act" />
        <Button label="Another act" variant="outlined" />
        <Button label="A quiet act" variant="text" />
        <Button label="Takes away" severity="danger" />
        <Button label="Not now" disabled />
        <button class="word">A word that does</button>
        <button class="word" disabled>not now</button>
      </p>
    </section>
    <section>
      <h2>One of several</h2>
      <p class="acts">
        <PickOne v-model="one" shown label="Instrument" :options="optionsIn(few, (each) => each)" />
        <PickOne
          v-model="none"
          shown
          label="Nothing yet"
          placeholder="choose"
          :options="optionsIn(few, (each) => each)"
        />
        <PickOne v-model="long" shown label="Long, to filter" :options="optionsIn(many, (each) => each)" />
        <PickOne v-model="one" shown label="Wrong" invalid :options="optionsIn(few, (each) => each)" />
        <PickOne v-model="one" shown label="Not now" disabled :options="optionsIn(few, (each) => each)" />
      </p>
      <p class="acts">
        <OneOf v-for="each in few" :key="each" v-model="radio" name="instrument" :value="each">{{ each }}</OneOf>
      </p>
    </section>
    <section>
      <h2>So or not</h2>
      <p class="acts">
        <Tick v-model="on">Tell them</Tick>
        <Tick v-for="each in few" :key="each" v-model="ticks" :value="each">{{ each }}</Tick>
        <Tick :model-value="false" indeterminate>Some of them</Tick>
        <Tick :model-value="true" disabled>Not now</Tick>
      </p>
    </section>
    <section>
      <h2>Days, hours, numbers, words</h2>
      <p class="acts">
        <DayField v-model="day" shown label="From" />
        <DayField v-model="noDay" shown label="Until" />
        <DayField v-model="wrongDay" shown label="No day" />
        <TimeField v-model="time" label="At" />
        <label>Seats <NumberField v-model="number" /></label>
      </p>
      <p class="acts">
        <InputText v-model="text" size="small" aria-label="A word" />
        <InputText v-model="text" size="small" invalid aria-label="A wrong word" />
        <InputText v-model="text" size="small" disabled aria-label="A word, not now" />
        <Textarea v-model="text" rows="2" aria-label="Several words" />
      </p>
      <FindBox
        label="Find one"
        :find="find"
        :called="(each) => each"
        none="Nothing is called that."
        @pick="found = $event"
      />
      <p class="soft">{{ found || 'Nothing found yet' }}</p>
    </section>
    <section>
      <h2>Tables</h2>
      <p><ColumnsMenu :columns="columns" /></p>
      <DataRows
        opens
        :rows="rows"
        :key-of="(row) => row.id"
        :columns="columns"
        name="People"
        :chosen="chosen"
        :pick-name="(row) => 'Choose ' + row.name"
        all-name="Choose everybody"
        shown="3"
        :sort="{ by: 'name', up: true }"
        @choose="choose"
      >
        <template #cell="{ row, column }">{{ column === 'name' ? row.name : row.state }}</template>
      </DataRows>
      <PlainTable
        name="Numbers"
        :head="['Week', 'Came in']"
        :rows="[
          ['1', 24],
          ['2', 31],
        ]"
      />
    </section>
    <section>
      <h2>Pictures</h2>
      <ChartOf
        pickable
        label="People by day"
        said="31 at most."
        along="Day"
        :places="chartDays"
        :series="[
          { name: 'Current', numbers: chartDays.map((_, at) => 8 + at * 2), as: 'area', colour: 'spruce' },
          { name: 'Paused', numbers: chartDays.map((_, at) => at % 4), as: 'area', colour: 'brass', hatched: true },
          { name: 'Removed', numbers: chartDays.map((_, at) => at), as: 'line', colour: 'ink', aside: true },
        ]"
        :marks="[{ place: 5, word: 'today' }]"
        :limit="{ at: 36, word: '36 seats' }"
      />
      <ChartOf
        label="People by minute"
        said="9 in the last 5 minutes."
        along="Minute"
        :places="chartDays"
        :series="[{ name: 'Came in', numbers: chartDays.map((_, at) => (at * 7) % 10), as: 'bars', colour: 'spruce' }]"
        :height="140"
      />
      <ShareBar
        :shares="[
          { words: '25 could enter', n: 25, colour: 'spruce' },
          { words: '2 are paused', n: 2, colour: 'brass' },
          { words: '1 is blocked', n: 1, colour: 'clay' },
        ]"
      />
    </section>
    <section>
      <h2>A docked column</h2>
      <div class="acts">
        <DockedColumn label="Beside" name="parts" closes><p>As wide as one likes.</p></DockedColumn>
      </div>
    </section>
    <section>
      <h2>What is said</h2>
      <p class="callout">Something wants attention.</p>
      <p class="callout bad">Something went wrong.</p>
      <Message severity="info">Something is so.</Message>
      <p class="acts">
        <Tag value="Current" /> <Tag value="Paused" severity="warn" /> <DoorGlyph state="open" />
        <DoorGlyph state="draft" /> <DoorGlyph state="closed" /> <SeatMeter :held="12" :seats="24" />
        <SeatMeter :held="24" :seats="24" />
      </p>
      <ProgressBar :value="40" aria-label="How far it is" />
      <Skeleton width="60%" height="14px" />
    </section>
  </div>
</template>

<style scoped>
.parts,
section {
  display: grid;
  gap: 12px;
  align-content: start;
}
</style>
