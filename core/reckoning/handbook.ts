import type { Reckoning } from './define';
import { explain } from './define';
import { boundsInWords, type Input, type Inputs } from './inputs';
import { isRefusal } from './refusal';

const boundsOf = (input: Input): string => {
  switch (input.kind) {
    case 'number':
      return boundsInWords(input);
    case 'choice':
      return `one of ${input.options.join(', ')}`;
    case 'numbers':
      return `a list of ${input.leastCount} or more${input.unit ? `, ${input.unit}` : ''}${input.min === undefined ? '' : `, each at least ${input.min}`}`;
    case 'pairs':
      return `a list of ${input.leastCount} or more pairs, ${input.unit}`;
    case 'amounts':
      return `named amounts, each ${boundsInWords({ kind: 'number', unit: input.unit, label: '', min: input.min, max: input.max })}`;
  }
};

/** What an entry says, in order: used by `explain` and by the Methods page. */
export function handbookParts({ id, title, about, unit, inputs, formula, sources, limits, example }: Reckoning) {
  const named = Object.entries(inputs as Inputs).map(([name, input]) => ({
    name,
    label: input.label,
    unit: 'unit' in input ? input.unit : '',
    bounds: boundsOf(input),
    optional: input.optional === true,
  }));
  return { id, title, about, unit, inputs: named, formula, sources, limits, example };
}

/** A reckoning as a handbook entry in plain text. */
export function handbookEntry(reckoning: Reckoning): string {
  const part = handbookParts(reckoning);
  const worked = explain(reckoning, part.example.inputs);
  const lines = [
    `${part.title} (${part.id})`,
    '',
    part.about,
    '',
    `Gives: ${part.unit}`,
    '',
    'Inputs',
    ...part.inputs.map((i) => `  ${i.name}: ${i.label}, ${i.bounds}${i.optional ? ' (optional)' : ''}`),
    '',
    'Formula',
    ...part.formula.map((f) => `  ${f}`),
    '',
    'Sources',
    ...part.sources.map((s) => `  ${s.cite} [${s.standing}]`),
    ...(part.limits.length > 0 ? ['', 'Limits', ...part.limits.map((l) => `  ${l}`)] : []),
    '',
    'Example',
    `  ${JSON.stringify(part.example.inputs)}`,
    ...(isRefusal(worked)
      ? []
      : worked.working.map((s) => `  ${s.label}: ${s.substituted} = ${s.value} ${s.unit}`.trimEnd())),
    `  gives ${JSON.stringify(part.example.value)}`,
  ];
  return `${lines.join('\n')}\n`;
}
