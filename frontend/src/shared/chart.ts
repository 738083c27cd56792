import type { EChartsCoreOption } from 'echarts/core'
import { read } from './theme'

export interface Line {
  name: string
  points: [number, number][]
  colour: string
  dashed?: boolean
  axis?: number
}

export interface Plot {
  x: string
  y: string
  y2?: string
  lines: Line[]
  ring?: { at: [number, number]; text: string }
  mark?: { x: number; text: string; colour: string }
}

/** One look for all plots: axis names with units, lines labelled at their ends, the operating point a ring. */
export function plotOption(plot: Plot): EChartsCoreOption {
  const ink = read('ink')
  const mute = read('mute')
  const line = read('line')
  const text = { color: mute, fontFamily: "'Barlow Condensed', sans-serif", fontSize: 13 }
  const yAxis = (name: string, right: boolean) => ({
    type: 'value', name, nameLocation: 'end', nameTextStyle: { ...text, align: right ? 'right' : 'left' }, min: 0, position: right ? 'right' : 'left',
    axisLabel: text, axisLine: { show: false }, splitLine: { show: !right, lineStyle: { color: line } },
  })
  return {
    animation: false,
    grid: { left: 8, right: 20, top: 34, bottom: 26, containLabel: true },
    tooltip: {
      trigger: 'axis', backgroundColor: read('card'), borderColor: line, textStyle: { color: ink, fontSize: 13 },
      valueFormatter: (value: unknown) => (typeof value === 'number' ? value.toPrecision(4).replace(/\.?0+$/, '') : String(value)),
    },
    xAxis: {
      type: 'value', name: plot.x, nameLocation: 'middle', nameGap: 26, nameTextStyle: text, axisLabel: text, min: 'dataMin', max: 'dataMax',
      axisLine: { lineStyle: { color: mute } }, splitLine: { show: false },
    },
    yAxis: plot.y2 === undefined ? yAxis(plot.y, false) : [yAxis(plot.y, false), yAxis(plot.y2, true)],
    series: [
      ...plot.lines.map((item) => ({
        type: 'line', name: item.name, data: item.points, showSymbol: false, yAxisIndex: item.axis ?? 0,
        lineStyle: { color: item.colour, width: item.dashed ? 1.5 : 2.2, type: item.dashed ? 'dashed' : 'solid' }, itemStyle: { color: item.colour },
        endLabel: { show: true, formatter: item.name, color: item.colour, fontFamily: "'Barlow', sans-serif", fontSize: 13, align: 'right', verticalAlign: 'bottom', distance: -4 },
        labelLayout: { moveOverlap: 'shiftY' },
        markLine: item === plot.lines[0] && plot.mark
          ? { silent: true, symbol: 'none', lineStyle: { color: plot.mark.colour, width: 1.5 }, label: { formatter: plot.mark.text, color: plot.mark.colour }, data: [{ xAxis: plot.mark.x }] }
          : undefined,
      })),
      ...(plot.ring
        ? [{
            type: 'scatter', name: 'operating point', data: [plot.ring.at], symbolSize: 13, z: 5, tooltip: { show: false },
            itemStyle: { color: read('card'), borderColor: ink, borderWidth: 2.5 },
            label: { show: true, formatter: plot.ring.text, position: 'right', color: ink, fontWeight: 600, fontSize: 13, fontFamily: "'Barlow', sans-serif", backgroundColor: read('card'), padding: [2, 4] },
          }]
        : []),
    ],
  }
}
