<script setup lang="ts">
import { BarChart, LineChart } from 'echarts/charts'
import { AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use, type ComposeOption } from 'echarts/core'
import type { BarSeriesOption, LineSeriesOption } from 'echarts/charts'
import type {
  GridComponentOption,
  LegendComponentOption,
  MarkLineComponentOption,
  TooltipComponentOption,
} from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import { computed, nextTick, shallowRef, watch } from 'vue'
import VChart from 'vue-echarts'
import { dark } from '@/shared/colours'
import { words } from '@/shared/words'
import type { ChartDrawing } from './chart'
import { useTurn } from './turn'

/** The drawing of a `ChartOf`, with the library that draws it. */
const props = defineProps<ChartDrawing>()
const emit = defineEmits<{ pick: [place: number] }>()

use([
  BarChart,
  LineChart,
  AriaComponent,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
  SVGRenderer,
])
type Option = ComposeOption<
  | BarSeriesOption
  | LineSeriesOption
  | GridComponentOption
  | LegendComponentOption
  | MarkLineComponentOption
  | TooltipComponentOption
>

const NAMES = ['ink', 'soft', 'line', 'sheet', 'spruce', 'mint', 'brass', 'clay'] as const
const colours = shallowRef({} as Record<(typeof NAMES)[number], string>)
function readColours() {
  const style = getComputedStyle(document.documentElement)
  colours.value = Object.fromEntries(
    NAMES.map((name) => [name, style.getPropertyValue(`--${name}`).trim() || '#777777']),
  ) as typeof colours.value
}
readColours()
watch(dark, () => nextTick(readColours))

const text = computed(() => ({ color: colours.value.ink, fontFamily: 'Figtree Variable, sans-serif', fontSize: 12 }))
const n = (value: unknown) => words.global.n(Number(value))
const hatch = () => ({
  symbol: 'rect',
  rotation: 0.8,
  dashArrayX: [1, 0],
  dashArrayY: [2, 4],
  color: colours.value.sheet,
})

function markLine() {
  const data = [
    ...(props.marks ?? []).map(({ place, word }) => ({
      xAxis: place,
      name: word,
      label: { position: 'end' as const },
    })),
    ...(props.limit
      ? [{ yAxis: props.limit.at, name: props.limit.word, label: { position: 'insideStartTop' as const } }]
      : []),
  ]
  return {
    silent: true,
    animation: false,
    symbol: 'none',
    lineStyle: { color: colours.value.ink, type: 'dashed' as const, width: 1 },
    label: { ...text.value, formatter: '{b}' },
    data,
  }
}

const option = computed<Option>(() => ({
  animationDuration: 250,
  textStyle: text.value,
  grid: { left: 4, right: 14, top: props.series.length > 1 ? 48 : 24, bottom: 4, containLabel: true },
  tooltip: {
    trigger: 'axis',
    confine: true,
    backgroundColor: colours.value.sheet,
    borderColor: colours.value.line,
    textStyle: text.value,
    valueFormatter: n,
  },
  legend: {
    left: 0,
    top: 0,
    icon: 'roundRect',
    itemWidth: 14,
    itemHeight: 10,
    textStyle: text.value,
    inactiveColor: colours.value.soft,
    selected: Object.fromEntries(props.series.map((each) => [each.name, !each.aside])),
    show: props.series.length > 1,
  },
  xAxis: {
    type: 'category',
    data: props.places,
    boundaryGap: props.series.some(({ as }) => as === 'bars'),
    axisLine: { lineStyle: { color: colours.value.line } },
    axisTick: { show: false },
    axisLabel: { ...text.value, hideOverlap: true },
  },
  yAxis: {
    type: 'value',
    minInterval: 1,
    ...(props.limit ? { max: ({ max }: { max: number }) => Math.max(max, props.limit!.at) } : {}),
    splitLine: { lineStyle: { color: colours.value.line } },
    axisLabel: { ...text.value, formatter: n, showMaxLabel: true },
  },
  series: props.series.map((each, place) => {
    const colour = colours.value[each.colour]
    const common = { name: each.name, data: each.numbers, ...(place ? {} : { markLine: markLine() }) }
    const decal = each.hatched ? hatch() : undefined
    return each.as === 'bars'
      ? { ...common, type: 'bar' as const, itemStyle: { color: colour, decal }, barMaxWidth: 14 }
      : {
          ...common,
          type: 'line' as const,
          step: 'end' as const,
          symbol: 'none',
          stack: each.as === 'area' ? 'all' : undefined,
          itemStyle: { color: colour, decal },
          lineStyle: { color: colour, width: each.as === 'area' ? 1 : 2 },
          areaStyle: each.as === 'area' ? { color: colour, opacity: 0.85 } : undefined,
        }
  }),
}))

/** What draws is made ready in one turn, and draws in the next. */
const ready = useTurn()

const chart = shallowRef<InstanceType<typeof VChart>>()

/** The place under the pointer, wherever on its height one clicks. */
function picked(event: { offsetX?: number; offsetY?: number }) {
  if (!props.pickable || event.offsetX === undefined || event.offsetY === undefined) return
  const at = [event.offsetX, event.offsetY]
  if (!chart.value?.containPixel({ gridIndex: 0 }, at)) return
  const place = (chart.value.convertFromPixel({ gridIndex: 0 }, at) as number[])[0]
  if (place !== undefined && props.places[place] !== undefined) emit('pick', place)
}
</script>

<template>
  <VChart
    ref="chart"
    :class="{ pickable }"
    :option="ready ? option : undefined"
    :update-options="{ notMerge: false }"
    autoresize
    @zr:click="picked"
  />
</template>

<style scoped>
.pickable {
  cursor: pointer;
}
</style>
