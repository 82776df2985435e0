import { index, route, type RouteConfig } from '@react-router/dev/routes';

/** The stages of work in the order of the work. */
export default [
  index('routes/home/home.tsx'),
  route('property/:propertyId', 'routes/property/property.tsx', [
    index('routes/property/to-ground.tsx'),
    route('ground', 'routes/ground/ground.tsx'),
    route('sample', 'routes/sample/sample.tsx'),
    route('read', 'routes/read/read.tsx'),
    route('prescribe', 'routes/prescribe/prescribe.tsx'),
    route('prescribe/match', 'routes/match/match.tsx'),
    route('prescribe/bag', 'routes/bag/bag.tsx'),
    route('season', 'routes/season/season.tsx'),
    route('season/climate', 'routes/climate/climate.tsx'),
    route('season/move-here', 'routes/move-here/move-here.tsx'),
    route('field', 'routes/field/field.tsx'),
  ]),
  route('settings', 'routes/settings/settings.tsx'),
  route('settings/tables', 'routes/tables/tables.tsx'),
  route('settings/codes', 'routes/codes/codes.tsx'),
  route('field', 'routes/field-home/field-home.tsx'),
  route('kit', 'routes/kit/kit.tsx'),
  route('shelf', 'routes/shelf/shelf.tsx'),
  route('settle', 'routes/settle/settle.ts'),
  route('reports', 'routes/reports/reports.tsx'),
  route('simulated-laboratory', 'routes/simulated-laboratory/simulated-laboratory.ts'),
  route('simulated-instruments', 'routes/simulated-instruments/simulated-instruments.ts'),
  route('simulated-spreader', 'routes/simulated-spreader/simulated-spreader.ts'),
  route('simulated-scale', 'routes/simulated-scale/simulated-scale.ts'),
  route('simulated-weather', 'routes/simulated-weather/simulated-weather.ts'),
  route('demo-cases', 'routes/demo-cases/demo-cases.ts'),
  route('*', 'routes/not-found/not-found.tsx'),
] satisfies RouteConfig;
