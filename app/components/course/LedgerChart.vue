<script setup lang="ts">
import { DAY_MS, fromHundredths } from '#core/units'
import { LineChart } from 'echarts/charts'
import {
  AriaComponent,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { RESILIENT_TOLERANCE } from '#core/catalogue/rules/tolerance'
import { DESK } from '~/theme/colours'
import { halfLifeHours, ledgerCurve, type Poured } from '#core/load/ledger'

const props = defineProps<{ poured: Poured[]; now: number; age: number | null }>()
use([
  LineChart,
  GridComponent,
  TooltipComponent,
  LegendComponent,
  MarkLineComponent,
  AriaComponent,
  SVGRenderer,
])
/** What the chart shows: ten weeks back, and what is left three days on. */
const SHOWN = { before: 70 * DAY_MS, after: 3 * DAY_MS }
const option = computed(() => {
  const half = halfLifeHours(props.age ?? undefined, false)
  const line = (
    region: 'forehead' | 'cheekL',
    name: string,
    color: string,
    type: 'solid' | 'dashed',
  ) => ({
    name,
    type: 'line',
    showSymbol: false,
    color,
    lineStyle: { type, width: 2 },
    data: ledgerCurve(
      props.poured,
      region,
      props.now - SHOWN.before,
      props.now + SHOWN.after,
      6,
      half,
    ).map((point) => [point.at, fromHundredths(point.load)]),
    ...(region === 'forehead'
      ? {
          markLine: {
            symbol: 'none',
            silent: true,
            label: { formatter: 'resilient tolerance', position: 'insideEndTop' },
            lineStyle: { color: DESK.berry },
            data: [{ yAxis: fromHundredths(RESILIENT_TOLERANCE) }],
          },
        }
      : {}),
  })
  return {
    aria: { enabled: true },
    textStyle: { fontFamily: 'Hanken Grotesk Variable, sans-serif' },
    grid: { left: 34, right: 12, top: 30, bottom: 26 },
    legend: { top: 0, textStyle: { color: DESK.ink } },
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => value.toFixed(1) },
    xAxis: { type: 'time', axisLabel: { color: DESK['ink-soft'], hideOverlap: true } },
    yAxis: {
      type: 'value',
      min: 0,
      max: 5.5,
      axisLabel: { color: DESK['ink-soft'], showMaxLabel: false },
    },
    series: [
      line('forehead', 'Forehead', DESK.basin, 'solid'),
      line('cheekL', 'Left cheek', DESK.clay, 'dashed'),
    ],
  }
})
</script>

<template><VChart :option="option" autoresize class="chart" /></template>

<style scoped>
.chart {
  height: 220px;
  width: 100%;
}
</style>
