import { fieldFileSchema } from '../core/files/field-file';
import { logFileSchema } from '../core/files/log-file';
import type { AnySchema } from 'yup';
import { caseSchema } from '../core/records/case';
import { shelfSchema } from '../core/files/shelf-file';
import { layoutSchema } from '../core/reports/layout-file';
import { formatSchema } from '../core/files/json-schema';
import { PACK_SCHEMAS } from '../core/packs/rule-packs';
import type { Input } from '../core/reckoning/inputs';
import { handbookParts } from '../core/reckoning/handbook';
import { ZONE_CHECKS } from '../core/season/checks/check-plan';
import { PROPERTY_CHECKS } from '../core/season/checks/property-checks';
import { REGISTRY } from '../core/registry';

/** The documents that are made from the code: by path, their whole text. `npm run docs:write` writes them, a test compares. */

const PACK_WORDS: Record<keyof typeof PACK_SCHEMAS, string> = {
  grasses: 'Rows of the grass table; a row replaces the built-in one of the same id.',
  sufficiency: 'Where low, enough and high start, by analyte and extractant; a row replaces the built-in one.',
  'minimum-levels': 'Minimum levels to keep, Mehlich-3 ppm.',
  'base-saturation': 'Shares of CEC aimed at, percent.',
  'lime-fineness': 'How far each sieve class of a lime counts; the first rule of the last pack holds.',
  'local-codes': 'Local rules on closed dates, doses and setbacks. Always check with the authority.',
};

const printed = (json: unknown): string => `${JSON.stringify(json, null, 2)}\n`;

/** Inputs of one reckoning as JSON Schema. */
function inputSchema(input: Input): object {
  switch (input.kind) {
    case 'number':
      return {
        type: input.integer ? 'integer' : 'number',
        description: [input.label, input.unit].filter(Boolean).join(', '),
        ...(input.min === undefined ? {} : { minimum: input.min }),
        ...(input.max === undefined ? {} : { maximum: input.max }),
        ...(input.above === undefined ? {} : { exclusiveMinimum: input.above }),
      };
    case 'choice':
      return { enum: input.options, description: input.label };
    case 'numbers':
      return {
        type: 'array',
        description: `${input.label}, ${input.unit}`,
        minItems: input.leastCount,
        items: { type: 'number', ...(input.min === undefined ? {} : { minimum: input.min }) },
      };
    case 'pairs':
      return {
        type: 'array',
        description: `${input.label}, ${input.unit}`,
        minItems: input.leastCount,
        items: { type: 'array', prefixItems: [{ type: 'number' }, { type: 'number' }], items: false, minItems: 2 },
      };
    case 'amounts':
      return {
        type: 'object',
        description: `${input.label}, ${input.unit}`,
        additionalProperties: { type: 'number', minimum: input.min, maximum: input.max },
      };
  }
}

function reckoningsSchema(): object {
  const each = [...REGISTRY.values()].map((r) => [
    r.id,
    {
      title: r.title,
      type: 'object',
      properties: Object.fromEntries(
        Object.entries(r.inputs as Record<string, Input>).map(([name, input]) => [name, inputSchema(input)]),
      ),
      required: Object.entries(r.inputs as Record<string, Input>)
        .filter(([, i]) => !i.optional)
        .map(([name]) => name),
      additionalProperties: false,
    },
  ]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'ubertas reckon: inputs by reckoning',
    $defs: Object.fromEntries(each),
  };
}

function methodsPage(): string {
  const entries = [...REGISTRY.values()].map(handbookParts);
  const lines = [
    '# Methods',
    '',
    'Made from the registry of reckonings by `npm run docs:write`; a test fails when it drifts. Rates are per 1000 ft2.',
    '',
  ];
  for (const e of entries) {
    lines.push(`## ${e.title}`, '', `\`${e.id}\` gives ${e.unit}`, '', e.about, '');
    lines.push(
      '| input | what | bounds |',
      '|---|---|---|',
      ...e.inputs.map((i) => `| \`${i.name}\`${i.optional ? ' (optional)' : ''} | ${i.label} | ${i.bounds} |`),
      '',
    );
    lines.push('```', ...e.formula, '```', '');
    lines.push(...e.limits.map((l) => `- ${l}`), ...(e.limits.length > 0 ? [''] : []));
    lines.push(`Sources: ${e.sources.map((s) => `${s.cite} (${s.standing})`).join('; ')}.`, '');
    lines.push(`Example: \`${JSON.stringify(e.example.inputs)}\` gives \`${JSON.stringify(e.example.value)}\`.`, '');
  }
  lines.push(
    '# Checks of a season',
    '',
    'Every rule a finished plan is judged by, recomputed from its doses without asking the planner. A check warns or fails; its',
    'sentence names the number and the limit. Rows of `core/season/checks`.',
    '',
    '| check | watches | rule |',
    '|---|---|---|',
    ...[...ZONE_CHECKS, ...PROPERTY_CHECKS].map((row) => `| \`${row.id}\` | ${row.kind} | ${row.rule} |`),
    '',
  );
  return lines.join('\n');
}

/** Every made document by its path. */
export const madeDocs = (): Map<string, string> =>
  new Map([
    ['docs/methods.md', methodsPage()],
    [
      'docs/formats/ubertas-case.schema.json',
      printed(formatSchema('ubertas-case', 'One property with all that a plan needs, version 1.', caseSchema)),
    ],
    [
      'docs/formats/ubertas-log.schema.json',
      printed(
        formatSchema(
          'ubertas-log',
          'Records of the log on their way from browser to browser, version 1.',
          logFileSchema,
        ),
      ),
    ],
    [
      'docs/formats/ubertas-field.schema.json',
      printed(
        formatSchema(
          'ubertas-field',
          'Jobs of some days for a browser that has none of it, version 1.',
          fieldFileSchema,
        ),
      ),
    ],
    [
      'docs/formats/ubertas-shelf.schema.json',
      printed(formatSchema('ubertas-shelf', 'Products of a shelf with their labels, version 1.', shelfSchema)),
    ],
    [
      'docs/formats/ubertas-report-layout.schema.json',
      printed(
        formatSchema(
          'ubertas-report-layout',
          'How the reports of one laboratory are to be read, version 1.',
          layoutSchema as unknown as AnySchema,
        ),
      ),
    ],
    ['docs/formats/reckonings.schema.json', printed(reckoningsSchema())],
    ...Object.entries(PACK_SCHEMAS).map(([kind, schema]): [string, string] => [
      `docs/formats/pack-${kind}.schema.json`,
      printed(
        formatSchema(`ubertas rule pack: ${kind}`, PACK_WORDS[kind as keyof typeof PACK_SCHEMAS], schema as AnySchema),
      ),
    ]),
  ]);
