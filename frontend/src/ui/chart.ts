import type { EChartsCoreOption } from 'echarts/core'
import { read } from './theme'

export interface Line {
  name: string
  points: [number, number][]
  colour: string
  dashed?: boolean
  axis?: number
  /** Where along the line its name stands, 0 to 1; and on which side. */
  at?: number
  side?: 'top' | 'bottom' | 'left' | 'right'
}

export interface Plot {
  x: string
  y: string
  y2?: string
  /** Where the scale begins; at nought unless said. */
  from?: number
  lines: Line[]
  /** The operating point; its whisker runs where 90 of 100 cases lie, along x or y. */
  ring?: { at: [number, number]; text: string; x?: [number, number] | null; y?: [number, number] | null }
  mark?: { x: number; text: string; colour: string; band?: [number, number] | null }
}

/** Whether the operating point stands so far right that its label must go left of it. */
function atEnd(plot: Plot): boolean {
  const most = Math.max(...plot.lines.flatMap((l) => l.points.map(([x]) => x)))
  return (plot.ring?.at[0] ?? 0) > 0.85 * most
}

function whiskerOf(ring: Plot['ring']): [number, number][] | null {
  if (ring?.x) return ring.x.map((x): [number, number] => [x, ring.at[1]])
  return ring?.y ? ring.y.map((y): [number, number] => [ring.at[0], y]) : null
}

/** One look for all plots: axis names with units, lines labelled at their ends, the operating point a ring. */
export function plotOption(plot: Plot): EChartsCoreOption {
  const ink = read('ink')
  const mute = read('mute')
  const line = read('line')
  const text = { color: mute, fontFamily: "'Barlow Condensed', sans-serif", fontSize: 13 }
  const yAxis = (name: string, right: boolean, from = 0) => ({
    type: 'value', name, nameLocation: 'end', nameTextStyle: { ...text, align: right ? 'right' : 'left' }, min: from, position: right ? 'right' : 'left',
    axisLabel: text, axisLine: { show: false, onZero: false }, axisTick: { show: false }, splitLine: { show: !right, lineStyle: { color: line } },
  })
  return {
    animation: false,
    grid: { left: 8, right: 20, top: 34, bottom: 26, containLabel: true },
    tooltip: {
      trigger: 'axis', backgroundColor: read('card'), borderColor: line, textStyle: { color: ink, fontSize: 13 },
      valueFormatter: (value: unknown) => (typeof value === 'number' ? value.toPrecision(4).replace(/\.?0+$/, '') : String(value)),
    },
    xAxis: {
      type: 'value', name: plot.x, nameLocation: 'middle', nameGap: 26, nameTextStyle: text, axisLabel: { ...text, showMaxLabel: false }, min: 'dataMin', max: 'dataMax',
      axisLine: { lineStyle: { color: mute } }, splitLine: { show: false },
    },
    yAxis: plot.y2 === undefined ? yAxis(plot.y, false, plot.from) : [yAxis(plot.y, false, plot.from), yAxis(plot.y2, true)],
    series: [
      ...plot.lines.map((item) => ({
        type: 'line', name: item.name, data: item.points, showSymbol: false, yAxisIndex: item.axis ?? 0,
        lineStyle: { color: item.colour, width: item.dashed ? 1.5 : 2.2, type: item.dashed ? 'dashed' : 'solid' }, itemStyle: { color: item.colour },
        markArea: item === plot.lines[0] && plot.mark?.band
          ? { silent: true, itemStyle: { color: plot.mark.colour, opacity: 0.14 }, data: [[{ xAxis: plot.mark.band[0] }, { xAxis: plot.mark.band[1] }]] }
          : undefined,
        markLine: item === plot.lines[0] && plot.mark
          ? { silent: true, symbol: 'none', lineStyle: { color: plot.mark.colour, width: 1.5 }, label: { formatter: plot.mark.text, color: plot.mark.colour, fontFamily: "'Barlow', sans-serif", fontSize: 13 }, data: [{ xAxis: plot.mark.x }] }
          : undefined,
      })),
      ...plot.lines.filter((item) => item.points.length).map((item) => ({
        type: 'scatter', name: '', data: [item.points[Math.round((item.at ?? 0.9) * (item.points.length - 1))]], symbolSize: 0, itemStyle: { opacity: 1 }, yAxisIndex: item.axis ?? 0, silent: true, tooltip: { show: false },
        label: { show: true, formatter: item.name, color: item.colour, fontFamily: "'Barlow', sans-serif", fontSize: 13, position: item.side ?? 'top', distance: 8, backgroundColor: read('card'), padding: [0, 3] },
      })),
      ...(whiskerOf(plot.ring)
        ? [{
            type: 'line', name: '90 of 100 cases', data: whiskerOf(plot.ring), symbol: 'rect', symbolSize: plot.ring?.x ? [2, 11] : [11, 2], z: 4, silent: true, tooltip: { show: false },
            lineStyle: { color: ink, width: 2 }, itemStyle: { color: ink },
          }]
        : []),
      ...(plot.ring
        ? [{
            type: 'scatter', name: 'operating point', data: [plot.ring.at], symbolSize: 13, z: 5, tooltip: { show: false },
            itemStyle: { color: read('card'), borderColor: ink, borderWidth: 2.5 },
            label: { show: true, formatter: plot.ring.text, position: atEnd(plot) ? 'left' : 'right', distance: plot.ring.y ? 10 : 6, color: ink, fontWeight: 600, fontSize: 13, fontFamily: "'Barlow', sans-serif", backgroundColor: read('card'), padding: [2, 4] },
          }]
        : []),
    ],
  }
}
