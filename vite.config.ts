import { reactRouter } from '@react-router/dev/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [reactRouter()],
  resolve: { tsconfigPaths: true },
  worker: { format: 'es' },
  // antd and echarts come in large chunks of their own, loaded by the routes that draw with them
  build: { chunkSizeWarningLimit: 1200 },
  optimizeDeps: {
    // it finds its WebAssembly beside itself
    exclude: ['highs'],
    include: [
      'antd',
      'antd/locale/en_US',
      '@ant-design/cssinjs',
      '@ant-design/icons',
      'yup',
      'dexie',
      'dayjs',
      'dayjs/plugin/utc',
      'konva',
      'react-konva',
      'react-hotkeys-hook',
      'echarts/core',
      'echarts/charts',
      'echarts/components',
      'echarts/renderers',
    ],
  },
});
