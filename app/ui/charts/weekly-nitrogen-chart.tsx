import type { CustomSeriesRenderItemAPI } from 'echarts';
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { Units } from '../format';

echarts.use([CustomChart, LineChart, ScatterChart, GridComponent, MarkLineComponent, AriaComponent, SVGRenderer]);

const INK = {
  loam: '#2A2017',
  loam2: '#54483B',
  rule: '#C4C5B1',
  moss: '#3D5F22',
  given: '#A9BC85',
  sheet: '#FBF9F1',
  paper: '#F2F0E5',
};
const SANS = "'Source Sans 3 Variable', sans-serif";
const WEEKS = 52;
const STEP_LB = 0.05;
/** Lines across the chart, at most. */
const MOST_STEPS = 6;

export interface WeeklyNitrogenChartProps {
  /** What growth asks each week, lb N/1000 ft2. */
  demand: readonly number[];
  /** What each dose makes free each week, lb N/1000 ft2. */
  supply: readonly { date: string; name: string; lb: number; byWeek: readonly number[]; given: boolean }[];
  todayDay?: number;
  /** px kept at the left for the numbers, so that weeks line up with the lanes above. */
  left: number;
  label: string;
  units: Units;
}

/** Slanting lines, as everything that is only planned has them. */
const HATCH = { symbol: 'rect', dashArrayX: [1, 0], dashArrayY: [1, 4], rotation: -Math.PI / 4, color: '#A9BC85' };

/** The steps of a dose on what lies below it: up the weeks in which it feeds, and back along the lower edge. */
export function stepsOf(byWeek: readonly number[], below: readonly number[]): [week: number, lb: number][] {
  const fed = byWeek.flatMap((lb, w) => (lb > 0 && w < WEEKS ? [w] : []));
  const [first, last] = [fed[0], fed.at(-1)];
  if (first === undefined || last === undefined) return [];
  const weeks = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  // a week reaches half a band to either side of its middle
  const edge = (top: boolean) =>
    weeks.flatMap((w): [number, number][] => {
      const lb = (below[w] ?? 0) + (top ? (byWeek[w] ?? 0) : 0);
      return [
        [w - 0.5, lb],
        [w + 0.5, lb],
      ];
    });
  return [...edge(true), ...edge(false).reverse()];
}

/** What lies below each dose of a stack, by the week. */
const belowEach = (supply: WeeklyNitrogenChartProps['supply']): number[][] => {
  const total = new Array<number>(WEEKS).fill(0);
  return supply.map(({ byWeek }) => {
    const below = [...total];
    byWeek.slice(0, WEEKS).forEach((lb, w) => (total[w] = (total[w] ?? 0) + lb));
    return below;
  });
};

/** Where the amount of each dose is written: in the middle of its largest week or the one after, as far as there is room. */
function amountsOf(supply: WeeklyNitrogenChartProps['supply'], top: number, units: Units): [number, number, string][] {
  const below = belowEach(supply);
  return supply.flatMap(({ byWeek, lb }, i): [number, number, string][] => {
    const peak = byWeek.reduce((best, each, w) => (each > (byWeek[best] ?? 0) ? w : best), 0);
    // a step to the right of the edge, where the figure stands free
    const week = Math.min(WEEKS - 1, (byWeek[peak + 1] ?? 0) > 0.6 * (byWeek[peak] ?? 0) ? peak + 1 : peak);
    const here = byWeek[week] ?? 0;
    return here > top * 0.07 ? [[week, (below[i]?.[week] ?? 0) + here / 2, units.rate(lb)]] : [];
  });
}

/** The options of the chart: demand as a line, what the doses make free stacked week by week, each with its amount. */
export function weeklyNitrogenOptions(
  { demand, supply, todayDay, left, label, units }: WeeklyNitrogenChartProps,
  width: number,
): echarts.EChartsCoreOption {
  const weeks = Array.from({ length: WEEKS }, (_, w) => w);
  const stacked = weeks.map((w) => supply.reduce((sum, s) => sum + (s.byWeek[w] ?? 0), 0));
  const most = Math.max(STEP_LB * 2, ...demand, ...stacked);
  const below = belowEach(supply);
  const step = units.tickStep('nutrient-rate', Math.max(most, STEP_LB * 2), MOST_STEPS);
  const top = Math.ceil(most / step + 0.3) * step;
  return {
    animation: false,
    aria: { enabled: true, label: { description: label } },
    textStyle: { fontFamily: SANS },
    // 52 weeks are a day or two less than the year that the lanes span
    grid: { left, right: Math.round((width - left) / 365), top: 14, bottom: 8 },
    xAxis: { type: 'category', data: weeks, show: false },
    yAxis: {
      type: 'value',
      min: 0,
      max: top,
      interval: step,
      axisLabel: { color: INK.loam2, fontSize: 11.5, formatter: (v: number) => units.rate(v) },
      splitLine: { lineStyle: { color: INK.rule } },
    },
    series: [
      {
        type: 'custom' as const,
        name: 'made free by the doses',
        silent: true,
        z: 2,
        data: supply.map((_, i) => [i]),
        encode: { x: -1, y: -1 },
        renderItem: ({ dataIndex }: { dataIndex: number }, api: CustomSeriesRenderItemAPI) => {
          const dose = supply[dataIndex];
          const band = (api.size?.([1, 0]) as number[] | undefined)?.[0] ?? 0;
          const points = stepsOf(dose?.byWeek ?? [], below[dataIndex] ?? []).map(([week, lb]) => {
            const [x = 0, y = 0] = api.coord([0, lb]);
            return [x + week * band, y];
          });
          return {
            type: 'polygon' as const,
            shape: { points },
            style: {
              fill: dose?.given ? INK.given : INK.sheet,
              stroke: INK.moss,
              lineWidth: 1,
              ...(dose?.given ? {} : { decal: HATCH }),
            },
          };
        },
      },
      {
        type: 'scatter' as const,
        name: 'amounts',
        symbolSize: 0.1,
        silent: true,
        z: 6,
        itemStyle: { color: 'transparent' },
        data: amountsOf(supply, top, units),
        label: {
          show: true,
          formatter: ({ data }: { data: readonly unknown[] }) => String(data[2]),
          color: INK.loam,
          fontWeight: 600,
          fontSize: 12,
          position: 'inside',
          textBorderColor: INK.paper,
          textBorderWidth: 3,
        },
      },
      {
        type: 'line' as const,
        name: 'demand, halo',
        symbol: 'none',
        silent: true,
        smooth: true,
        z: 4,
        data: weeks.map((w) => demand[w] ?? 0),
        lineStyle: { color: INK.paper, width: 5 },
      },
      {
        type: 'line' as const,
        name: 'growth asks',
        symbol: 'none',
        smooth: true,
        z: 5,
        data: weeks.map((w) => demand[w] ?? 0),
        lineStyle: { color: INK.loam, width: 2.2 },
        ...(todayDay === undefined
          ? {}
          : {
              markLine: {
                silent: true,
                symbol: 'none',
                label: { show: false },
                lineStyle: { color: INK.moss, width: 2, type: 'solid' },
                data: [{ xAxis: Math.min(WEEKS - 1, Math.floor(todayDay / 7)) }],
              },
            }),
      },
    ],
  };
}

/** The chart as a picture for print, drawn without a page. */
export function weeklyNitrogenSvg(props: WeeklyNitrogenChartProps, width: number, height: number): string {
  const chart = echarts.init(null, undefined, { renderer: 'svg', ssr: true, width, height });
  chart.setOption(weeklyNitrogenOptions(props, width));
  const svg = chart.renderToSVGString();
  chart.dispose();
  return svg;
}

/** Nitrogen by the week: what growth asks against what each dose makes free. */
export default function WeeklyNitrogenChart(props: WeeklyNitrogenChartProps) {
  const box = useRef<HTMLDivElement>(null);
  const { demand, supply, todayDay, left, label, units } = props;
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const chart = echarts.init(element, undefined, { renderer: 'svg' });
    const draw = () =>
      chart.setOption(
        // on a phone nothing stands to the left that the weeks would have to line up with
        weeklyNitrogenOptions(
          { demand, supply, todayDay, left: element.clientWidth < 700 ? 38 : left, label, units },
          element.clientWidth,
        ),
      );
    draw();
    const observer = new ResizeObserver(() => {
      chart.resize();
      draw();
    });
    observer.observe(element);
    return () => {
      observer.disconnect();
      chart.dispose();
    };
  }, [demand, supply, todayDay, left, label, units]);
  return <div ref={box} style={{ height: 200 }} role="img" aria-label={label} />;
}
