import { InputNumber, Segmented, Select } from 'antd';
import { useId } from 'react';
import { type Choices, PLANNED_FOR, type PlanAim, type PlannedFor, type Product } from '@core/records/case';
import { faceOf } from '@core/products/label/face';
import { choiceKey, type ZoneSeason } from '@core/season/plan/season-plan';
import {
  LATE_SEASON_SCHOOLS,
  POTASSIUM_SCHOOLS,
  type PracticeSchool,
  schoolOf,
} from '@core/season/rules/practice-schools';
import { ChoiceField } from '../../../ui/field';
import { Said } from '../../../ui/substance';

export const AIM_WORDS: Record<PlanAim, string> = {
  balanced: 'Balanced',
  cheapest: 'Cheapest',
  'fewest-trips': 'Fewest trips',
};

/** The aims that a plan was not made for. */
export const otherAims = (aim: PlanAim): PlanAim[] =>
  (Object.keys(AIM_WORDS) as PlanAim[]).filter((each) => each !== aim);

const PURPOSE_WORDS: Record<PlannedFor, string> = {
  N: 'Nitrogen from',
  P2O5: 'Phosphorus from',
  K2O: 'Potassium from',
  lime: 'Lime',
  sulfur: 'Sulfur from',
  gypsum: 'Gypsum',
  iron: 'Iron spray',
  manganese: 'Manganese spray',
};

function SchoolField<Id extends string>({
  label,
  schools,
  chosen,
  onChoose,
}: {
  label: string;
  schools: readonly PracticeSchool<Id>[];
  chosen: Id | undefined;
  onChoose: (id: Id) => void;
}) {
  const id = useId();
  const school = schoolOf(schools, chosen);
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <Select<Id>
        id={id}
        aria-label={label}
        value={school.id}
        options={schools.map((s) => ({
          value: s.id,
          label: s.comparisonOnly ? `${s.title} (never planned)` : s.title,
          disabled: s.comparisonOnly,
        }))}
        onChange={onChoose}
      />
      <p className="small">
        <Said text={school.does} />{' '}
        <i>
          <Said text={school.because} />
        </i>{' '}
        Against: <Said text={school.against} />
      </p>
    </div>
  );
}

export interface PlanOptionsProps {
  choices: Choices | undefined;
  aim: PlanAim;
  zoneSeason: ZoneSeason;
  picked: Readonly<Record<string, string>>;
  onAim: (aim: PlanAim) => void;
  onChoices: (change: Partial<Choices>) => void;
  onProduct: (key: string, productId: string | null) => void;
}

const ANY = 'any';

/** What the planner is asked to respect: its aim, schools of practice, trips, products. */
export function PlanOptions({ choices, aim, zoneSeason, picked, onAim, onChoices, onProduct }: PlanOptionsProps) {
  const id = useId();
  const { shelf, zone } = zoneSeason;
  const label = (p: Product) => `${p.name} ${faceOf(p)}`;
  return (
    <section className="wishes" aria-labelledby={`${id}-h`}>
      <h2 id={`${id}-h`}>Plan options</h2>
      <div className="choices">
        <div className="field">
          <span className="label" id={`${id}-aim`}>
            Best means
          </span>
          <Segmented<PlanAim>
            aria-labelledby={`${id}-aim`}
            value={aim}
            onChange={onAim}
            options={Object.entries(AIM_WORDS).map(([value, words]) => ({ value: value as PlanAim, label: words }))}
          />
        </div>
        <div className="field">
          <label htmlFor={`${id}-trips`}>Most trips in the year</label>
          <InputNumber
            id={`${id}-trips`}
            key={`trips-${choices?.maxTrips}`}
            min={1}
            max={100}
            precision={0}
            placeholder="any"
            defaultValue={choices?.maxTrips}
            onBlur={(event) => {
              const typed = event.target.value.trim();
              const value = typed === '' ? undefined : Math.round(Number(typed));
              if (value !== choices?.maxTrips && (value === undefined || (value >= 1 && value <= 100)))
                onChoices({ maxTrips: value });
            }}
            onPressEnter={(event) => (event.target as HTMLInputElement).blur()}
          />
        </div>
        <div className="field">
          <label htmlFor={`${id}-cost`}>A trip costs, $</label>
          <InputNumber
            id={`${id}-cost`}
            key={`cost-${choices?.tripCost}`}
            min={0}
            max={100000}
            placeholder="0"
            defaultValue={choices?.tripCost}
            onBlur={(event) => {
              const typed = event.target.value.trim();
              const value = typed === '' ? undefined : Number(typed);
              if (value !== choices?.tripCost && (value === undefined || (value >= 0 && value <= 100_000)))
                onChoices({ tripCost: value });
            }}
            onPressEnter={(event) => (event.target as HTMLInputElement).blur()}
          />
        </div>
      </div>
      <div className="choices">
        {zoneSeason.grass.season === 'cool' ? (
          <SchoolField
            label="Late nitrogen of cool-season grass"
            schools={LATE_SEASON_SCHOOLS}
            chosen={choices?.lateSeason}
            onChoose={(lateSeason) => onChoices({ lateSeason })}
          />
        ) : (
          <SchoolField
            label="Potash of warm-season grass"
            schools={POTASSIUM_SCHOOLS}
            chosen={choices?.potassium}
            onChoose={(potassium) => onChoices({ potassium })}
          />
        )}
      </div>
      <div className="choices">
        {PLANNED_FOR.filter((purpose) => shelf[purpose]).map((purpose) => {
          const { options = [], chosen } = shelf[purpose] ?? {};
          const key = choiceKey(zone.id, purpose);
          // the planner weighs every product unless one is named; lime and sulfur are always one
          const free = purpose === 'N' || purpose === 'P2O5' || purpose === 'K2O';
          return (
            <ChoiceField
              key={purpose}
              label={PURPOSE_WORDS[purpose]}
              placeholder="Nothing on the shelf fits"
              value={free ? (picked[key] ?? ANY) : chosen?.id}
              options={[
                ...(free ? [{ value: ANY, label: 'any that fits' }] : []),
                ...options.map((p) => ({ value: p.id, label: label(p) })),
              ]}
              onChange={(productId) => onProduct(key, productId === ANY ? null : productId)}
            />
          );
        })}
      </div>
    </section>
  );
}
