import * as echarts from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

echarts.use([SVGRenderer]);

/** Draws a chart into its box and keeps it as wide as that; gives what takes it away again. */
export function drawChart(element: HTMLElement, option: object): () => void {
  const chart = echarts.init(element, undefined, { renderer: 'svg' });
  chart.setOption({ animation: false, ...option } as never);
  const observer = new ResizeObserver(() => chart.resize());
  observer.observe(element);
  return () => {
    observer.disconnect();
    chart.dispose();
  };
}
