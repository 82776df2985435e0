import { LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';

echarts.use([LineChart, GridComponent, MarkLineComponent, AriaComponent, SVGRenderer]);

const INK = { loam: '#2A2017', loam2: '#54483B', rule: '#C4C5B1', moss: '#3D5F22', given: '#C3D0A6' };
const SANS = "'Source Sans 3 Variable', sans-serif";

interface NitrogenChartProps {
  /** What growth has asked for by each day, lb N/1000 ft2. */
  asked: readonly number[];
  /** What has gone down by each day, lb N/1000 ft2. */
  down: readonly number[];
  todayDay?: number;
  /** px kept at the left for the numbers, so that days line up with the lanes above. */
  left: number;
  label: string;
}

/** Nitrogen through the year, summed: what growth asks, and what the doses have put down. */
export default function NitrogenChart({ asked, down, todayDay, left, label }: NitrogenChartProps) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const chart = echarts.init(element, undefined, { renderer: 'svg' });
    // on a phone nothing stands to the left that the days would have to line up with
    const room = element.clientWidth < 700 ? 34 : left;
    const most = Math.max(0.5, ...asked, ...down);
    chart.setOption({
      animation: false,
      aria: { enabled: true, label: { description: label } },
      textStyle: { fontFamily: SANS },
      grid: { left: room, right: 0, top: 14, bottom: 6 },
      xAxis: { type: 'value', min: 0, max: asked.length, show: false },
      yAxis: {
        type: 'value',
        min: 0,
        max: Math.ceil(most * 2) / 2,
        interval: most > 2 ? 1 : 0.5,
        axisLabel: { color: INK.loam2, fontSize: 11.5, formatter: (v: number) => v.toFixed(1) },
        splitLine: { lineStyle: { color: INK.rule } },
      },
      series: [
        {
          type: 'line',
          name: 'put down',
          step: 'end',
          symbol: 'none',
          data: down.map((v, day) => [day, v]),
          lineStyle: { color: INK.moss, width: 1.4 },
          areaStyle: { color: INK.given, opacity: 0.75 },
        },
        {
          type: 'line',
          name: 'asked by growth',
          symbol: 'none',
          data: asked.map((v, day) => [day, v]),
          lineStyle: { color: INK.loam, width: 2.2 },
          ...(todayDay === undefined
            ? {}
            : {
                markLine: {
                  silent: true,
                  symbol: 'none',
                  label: { show: false },
                  lineStyle: { color: INK.moss, width: 2, type: 'solid' },
                  data: [{ xAxis: todayDay }],
                },
              }),
        },
      ],
    });
    const observer = new ResizeObserver(() => chart.resize());
    observer.observe(element);
    return () => {
      observer.disconnect();
      chart.dispose();
    };
  }, [asked, down, todayDay, left, label]);
  return <div ref={box} style={{ height: 190 }} role="img" aria-label={label} />;
}
