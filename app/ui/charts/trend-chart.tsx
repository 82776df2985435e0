import { LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkAreaComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useEffect, useRef } from 'react';
import type { Trend } from '@core/soil/trend';
import { significant } from '@core/words/numbers';
import { drawChart } from './drawn-chart';

echarts.use([LineChart, ScatterChart, GridComponent, MarkAreaComponent, AriaComponent]);

const INK = { loam: '#2A2017', loam2: '#54483B', rule: '#C4C5B1', wash: '#E1E9CF', paper: '#F2F0E5' };

/** 1, 2 or 5 times a power of ten, at least the step asked for. */
function roundStep(wanted: number): number {
  const ten = 10 ** Math.floor(Math.log10(wanted));
  return ([1, 2, 5].find((f) => f * ten >= wanted - 1e-12) ?? 10) * ten;
}

interface TrendChartProps {
  trend: Trend;
  /** Where enough lies, or the grass's window for pH. */
  band?: { from: number; to: number };
  label: string;
}

/** An analyte over the years: filled where reports compare with the latest, open where method or depth differ. */
export default function TrendChart({ trend, band, label }: TrendChartProps) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const point = ({ on, value, comparable }: Trend['points'][number]) => ({
      value: [Date.parse(on), value],
      itemStyle: comparable ? { color: INK.loam } : { color: INK.paper, borderColor: INK.loam, borderWidth: 1.4 },
    });
    const values = [...trend.points.map((p) => p.value), ...(band ? [band.from, band.to] : [])];
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const step = roundStep((high - low || Math.abs(high) || 1) / 3);
    return drawChart(element, {
      aria: { enabled: true, label: { description: label } },
      textStyle: { fontFamily: "'Source Sans 3 Variable', sans-serif" },
      grid: { left: 40, right: 34, top: 16, bottom: 24 },
      xAxis: {
        type: 'time',
        axisLabel: { color: INK.loam2, fontSize: 11.5, formatter: '{yyyy}' },
        splitNumber: 4,
        minInterval: 300 * 86_400_000,
      },
      yAxis: {
        type: 'value',
        min: Math.floor(low / step - 0.2) * step,
        max: Math.ceil(high / step + 0.2) * step,
        interval: step,
        axisLabel: { color: INK.loam2, fontSize: 11.5, formatter: (v: number) => String(significant(v, 4)) },
        splitLine: { lineStyle: { color: INK.rule } },
      },
      series: [
        {
          type: 'line',
          data: trend.points.filter((p) => p.comparable).map((p) => [Date.parse(p.on), p.value]),
          symbol: 'none',
          lineStyle: { color: INK.loam, width: 1.6 },
          ...(band
            ? {
                markArea: {
                  silent: true,
                  itemStyle: { color: INK.wash },
                  data: [[{ yAxis: band.from }, { yAxis: band.to }]],
                },
              }
            : {}),
        },
        {
          type: 'scatter',
          symbolSize: 9,
          data: trend.points.map(point),
          label: {
            show: true,
            position: 'top',
            color: INK.loam,
            fontSize: 12,
            formatter: ({ value }: { value: unknown }) => String(significant((value as [number, number])[1], 3)),
          },
        },
      ],
    });
  }, [trend, band, label]);
  return <div ref={box} style={{ height: 170 }} role="img" aria-label={label} />;
}
