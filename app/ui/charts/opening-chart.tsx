import { LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useEffect, useRef } from 'react';
import { monotoneCubic } from '@core/field/opening';
import { useUnits } from '../format';
import { drawChart } from './drawn-chart';

echarts.use([LineChart, ScatterChart, GridComponent, MarkLineComponent, AriaComponent]);

const INK = { loam: '#2A2017', loam2: '#54483B', rule: '#C4C5B1', moss: '#3B5F22' };
/** Points that the curve is drawn through. */
const POINTS = 60;

/** What the spreader gave by its opening: catches, the curve through them and nowhere beyond, the wanted rate dashed to its opening. */
export default function OpeningChart({
  catches,
  opening,
  targetLb,
  label,
}: {
  /** By rising opening, those of one opening averaged. */
  catches: readonly { opening: number; rateLb: number }[];
  opening: number | undefined;
  targetLb: number;
  label: string;
}) {
  const units = useUnits();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const rates = catches.map(({ rateLb }) => rateLb);
    const openings = catches.map((each) => each.opening);
    const shown = (lb: number) => units.inShown('product-rate', lb);
    const [low, high] = [rates[0] ?? 0, rates.at(-1) ?? 0];
    const curve = Array.from({ length: POINTS + 1 }, (_, i) => {
      const rate = low + ((high - low) * i) / POINTS;
      return [monotoneCubic(rates, openings, rate), shown(rate)];
    });
    const wanted = shown(targetLb);
    return drawChart(element, {
      aria: { enabled: true, label: { description: label } },
      textStyle: { fontFamily: "'Source Sans 3 Variable', sans-serif" },
      grid: { left: 44, right: 20, top: 14, bottom: 24 },
      xAxis: {
        type: 'value',
        scale: true,
        boundaryGap: ['8%', '8%'],
        axisLabel: { color: INK.loam2, fontSize: 11.5, formatter: (v: number) => units.plain(v, 2) },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        scale: true,
        axisLabel: { color: INK.loam2, fontSize: 11.5, formatter: (v: number) => units.plain(v, 2) },
        splitLine: { lineStyle: { color: INK.rule } },
      },
      series: [
        { type: 'line', data: curve, symbol: 'none', lineStyle: { color: INK.loam, width: 1.6 } },
        {
          type: 'scatter',
          symbolSize: 9,
          data: catches.map((each) => [each.opening, shown(each.rateLb)]),
          itemStyle: { color: INK.loam },
          label: {
            show: true,
            position: 'bottom',
            color: INK.loam,
            fontSize: 12,
            formatter: ({ value }: { value: unknown }) => units.plain((value as [number, number])[1], 2),
          },
        },
        ...(opening === undefined
          ? []
          : [
              {
                type: 'line',
                data: [
                  [openings[0], wanted],
                  [opening, wanted],
                  [opening, shown(low)],
                ],
                symbol: 'none',
                lineStyle: { color: INK.moss, width: 1.6, type: 'dashed' },
              },
            ]),
      ],
    });
  }, [catches, opening, targetLb, label, units]);
  return <div ref={box} className="gatechart" role="img" aria-label={label} />;
}
