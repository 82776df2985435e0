import type { ReactNode } from 'react';
import type { Figure } from '@core/reckoning/figure';
import type { NutrientPrescription } from '@core/prescription/prescription';
import type { SchoolAnswer, SchooledLine } from '@core/prescription/school-answers';
import { growthRemoval } from '@core/nutrients/removal';
import { nutrientBalance } from '@core/nutrients/balance';
import type { Dose } from '@core/season/plan/dose';
import { levelInWords } from '@core/soil/interpret';
import { Fig } from '../../../ui/fig';
import { ColumnGlyph } from '../../../ui/glyphs';
import { Said, Substances } from '../../../ui/substance';
import { Amount, DoseList, Line, type OwnAsk, OwnButton } from './line';
import { useUnits } from '../../../ui/format';

const placeOf = (level: NutrientPrescription['level']) =>
  level === 'very-low' || level === 'low' ? 'low' : level === 'enough' || level === 'high' ? level : 'none';
const wordOf = (level: NutrientPrescription['level']) => (level === 'not-tested' ? 'not tested' : levelInWords(level));

/** The figure somewhere in another's origins that a reckoning made. */
function within(figure: Figure | undefined, id: string): Figure | undefined {
  if (!figure || figure.reckoning.id === id) return figure;
  for (const origin of Object.values(figure.origins)) {
    const found = within(origin.figure, id);
    if (found?.reckoning.id === id) return found;
  }
  return undefined;
}

const PX_PER_LB = 200;
const WIDEST = 300;

/** A need drawn: solid is short in the soil, open is what growth takes. */
function BalanceStrip({ line, sold }: { line: NutrientPrescription; sold: string }) {
  const units = useUnits();
  const year = line.byRule ?? line.year;
  const balance = within(year, nutrientBalance.id);
  const removal = within(balance, growthRemoval.id);
  if (
    !year ||
    !balance ||
    balance.reckoning.id !== nutrientBalance.id ||
    removal?.reckoning.id !== growthRemoval.id ||
    balance.value <= 0
  )
    return null;
  const oxide = within(year, 'nutrient.oxide');
  const uncapped = oxide?.value ?? balance.value;
  const factor = uncapped / balance.value;
  const takes = units.rounded('nutrient-rate', Math.min(uncapped, removal.value * factor));
  const total = units.rounded('nutrient-rate', uncapped);
  // printed sums must add: the soil's share is what is left of the printed total
  const soil = total - takes;
  if (soil < -1e-9) return null;
  const scale = Math.min(PX_PER_LB, WIDEST / Math.max(total, 0.01));
  return (
    <p className="strip">
      <svg width={Math.max(4, total * scale + 1)} height="12" aria-hidden="true">
        <rect x="0.5" y="0.5" width={Math.max(0, total * scale)} height="11" fill="var(--sheet)" stroke="var(--loam)" />
        <rect x="0.5" y="0.5" width={Math.max(0, soil * scale)} height="11" fill="var(--loam-2)" stroke="var(--loam)" />
      </svg>
      <span>
        <b>{units.rate(soil)}</b> short in the soil, <b>{units.rate(takes)}</b> growth takes,{' '}
        <Substances text={units.short('nutrient-rate', sold)} />
        {uncapped - year.value > 0.005 && <>; held to {units.rate(year.value)}</>}
      </span>
    </p>
  );
}

interface NutrientLineProps {
  at: number;
  name: string;
  line: NutrientPrescription;
  schooled: SchooledLine;
  sold: string;
  /** Word for the doses that bring it, where it has none of its own. */
  rides?: string;
  /** What other doses bring of it. */
  along?: string;
  doses: readonly Dose[];
  answers: readonly SchoolAnswer[];
  caution?: string;
  /** The laboratory’s own figure beside ours. */
  advice?: ReactNode;
  onAsk: (ask: OwnAsk) => void;
}

/** P, K, Mg or S: the need, its doses, where it comes from, and what the other schools would give. */
export function NutrientLine({
  at,
  name,
  line,
  schooled,
  sold,
  rides,
  along,
  doses,
  answers,
  caution,
  advice,
  onAsk,
}: NutrientLineProps) {
  const units = useUnits();
  const given = line.year && line.yearLb > 0;
  const substance = sold.replace(', combined', '');
  const ask: OwnAsk = {
    line: schooled,
    name: name.toLowerCase(),
    unit: units.heading('nutrient-rate', substance),
    quantity: 'nutrient-rate',
    rule: (line.byRule ?? line.year)?.value,
    own: line.own,
  };
  return (
    <Line
      at={at}
      name={name}
      own={line.own}
      verdict={
        <>
          <ColumnGlyph place={placeOf(line.level)} /> <span className="cap">{wordOf(line.level)}</span>
        </>
      }
      figure={
        <>
          {given && line.year ? (
            <Amount figure={line.year} substance={substance} own={line.own} byRule={line.byRule} />
          ) : (
            <>
              <b className={line.own ? 'mine' : 'none'}>
                {line.level === 'not-tested' || line.level === 'unreadable' ? '—' : 'none'}
              </b>
              {line.own && line.byRule && (
                <p className="was">
                  <s>
                    <Fig figure={line.byRule} show={units.rate} />
                  </s>{' '}
                  by the rule
                </p>
              )}
              <p>
                {line.level === 'not-tested' ? (
                  'not on a report'
                ) : line.level === 'unreadable' ? (
                  'cannot be judged'
                ) : (
                  <Substances text={`0 ${units.short('nutrient-rate', substance)}`} />
                )}
              </p>
            </>
          )}
          {line.level !== 'not-tested' && <OwnButton ask={ask} onAsk={onAsk} />}
        </>
      }
      doses={
        <DoseList
          doses={doses}
          none={given && !along ? rides : doses.length === 0 && along ? '' : 'no dose'}
          after={along}
        />
      }
      others={answers.map(({ school, prescription, hasRule }) => (
        <span key={school}>
          {!hasRule(schooled) ? (
            'no rule'
          ) : prescription[schooled].year && prescription[schooled].yearLb > 0 ? (
            <Fig figure={prescription[schooled].year} show={units.rate} />
          ) : (
            '0'
          )}
        </span>
      ))}
    >
      <BalanceStrip line={line} sold={substance} />
      <p>
        <Said text={line.says} />
      </p>
      {advice}
      {caution && (
        <p className="caution small">
          <span>
            <b>Caution</b> <Said text={caution} />
          </span>
        </p>
      )}
    </Line>
  );
}
