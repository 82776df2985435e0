import { Button, Checkbox, Select } from 'antd';
import { type CodeLineId, differences as differencesOf, WHO_WORDS } from '@core/codes/code-lines';
import { codeReview } from '@core/codes/code-review';
import { CODE_SOURCES, type LocalCode } from '@core/records/case';
import { WarnGlyph } from '../../ui/glyphs';
import { Substances } from '../../ui/substance';
import { CodeRow, ShortField } from './code-row';
import { asShipped, type CodeNumber, type CodeNutrient, type TypedCode, type Who } from './typed-code';
import { WateringWeek } from './watering-week';
import { useUnits } from '../../ui/format';

const NUTRIENTS: readonly CodeNutrient[] = ['N', 'P2O5', 'K2O'];
const WHO_OPTIONS = (['anyone', 'licensed', 'homeowner'] as const).map((value) => ({ value, label: WHO_WORDS[value] }));

interface CodeFormProps {
  typed: TypedCode;
  code: LocalCode;
  shipped: LocalCode | undefined;
  faults: Readonly<Record<string, string>>;
  today: string;
  onChange: (over: Partial<TypedCode>) => void;
  /** Which closed span is being typed, for the strip. */
  onTyping: (span: number | undefined) => void;
}

const replaced = <T,>(list: readonly T[], at: number, over: Partial<T>): T[] =>
  list.map((each, i) => (i === at ? { ...each, ...over } : each));
const dropped = <T,>(list: readonly T[], at: number): T[] => list.filter((_, i) => i !== at);

/** Every line of a code in the order in which it is read, beside what it was copied from. */
export function CodeForm({ typed, code, shipped, faults, today, onChange, onTyping }: CodeFormProps) {
  const units = useUnits();
  const rate = (of: string) => units.heading('nutrient-rate', of);
  const differences = shipped && differencesOf(code, shipped);
  const row = (lines: readonly CodeLineId[], ...fields: string[]) => ({
    lines,
    differences,
    faults: fields.map((field) => faults[field]),
    onAsShipped: shipped ? (of: readonly CodeLineId[]) => onChange(asShipped(typed, shipped, of, units)) : undefined,
  });
  const number = (key: CodeNumber, label: string, before?: string, after?: string) => (
    <ShortField
      label={label}
      before={before}
      after={after}
      value={typed.numbers[key]}
      fault={faults[key]}
      onChange={(text) => onChange({ numbers: { ...typed.numbers, [key]: text } })}
    />
  );
  const tick = (key: 'phosphorusNeedsTest' | 'licenseNeeded' | 'sweepRequired', says: string) => (
    <Checkbox checked={typed[key]} onChange={(event) => onChange({ [key]: event.target.checked })}>
      {says}
    </Checkbox>
  );
  const review = codeReview(code, today);
  const { watering } = typed;
  const byNumber = watering.days.odd !== undefined || watering.days.even !== undefined;
  const water = (over: Partial<TypedCode['watering']>) => onChange({ watering: { ...watering, ...over } });
  return (
    <ol className="codeform">
      <li className="coderow heads" aria-hidden="true">
        <span />
        <b>This code</b>
        <b>{shipped ? 'Shipped' : ''}</b>
        <b>{shipped ? 'Difference' : ''}</b>
      </li>
      <CodeRow title="Binds" {...row(['binds'], 'area')}>
        <Select<Who>
          aria-label="Whom it binds"
          value={typed.who}
          options={WHO_OPTIONS}
          onChange={(who) => onChange({ who })}
          style={{ width: 212 }}
          virtual={false}
        />
        <ShortField
          label="Area"
          before="in"
          wide={150}
          value={typed.area}
          fault={faults.area}
          onChange={(area) => onChange({ area })}
        />
      </CodeRow>
      <CodeRow
        title="Closed"
        {...row(
          ['closed'],
          ...typed.closed.flatMap((_, i) => [`closed[${i}].nutrients`, `closed[${i}].from`, `closed[${i}].to`]),
        )}
      >
        {typed.closed.map((each, i) => (
          <div key={i} className="line">
            {NUTRIENTS.map((nutrient) => (
              <Checkbox
                key={nutrient}
                checked={each.nutrients.includes(nutrient)}
                onChange={({ target }) =>
                  onChange({
                    closed: replaced(typed.closed, i, {
                      nutrients: NUTRIENTS.filter((n) =>
                        n === nutrient ? target.checked : each.nutrients.includes(n),
                      ),
                    }),
                  })
                }
              >
                <Substances text={nutrient} />
              </Checkbox>
            ))}
            <ShortField
              label={`Closed from, ${i + 1}`}
              before="from"
              wide={78}
              value={each.from}
              fault={faults[`closed[${i}].from`]}
              onFocus={() => onTyping(i)}
              onChange={(from) => onChange({ closed: replaced(typed.closed, i, { from }) })}
            />
            <ShortField
              label={`Closed to, ${i + 1}`}
              before="to"
              wide={78}
              value={each.to}
              fault={faults[`closed[${i}].to`]}
              onFocus={() => onTyping(i)}
              onChange={(to) => onChange({ closed: replaced(typed.closed, i, { to }) })}
            />
            <Button
              size="small"
              type="link"
              aria-label={`Delete the closed dates ${i + 1}`}
              onClick={() => {
                onTyping(undefined);
                onChange({ closed: dropped(typed.closed, i) });
              }}
            >
              Delete
            </Button>
          </div>
        ))}
        <Button
          size="small"
          onClick={() => onChange({ closed: [...typed.closed, { nutrients: ['N', 'P2O5'], from: '', to: '' }] })}
        >
          Add closed dates
        </Button>
      </CodeRow>
      <CodeRow
        title={`Caps, ${rate('N')}`}
        {...row(
          ['n-dose', 'n-soluble', 'n-year', 'slow'],
          'maxTotalNPerDose',
          'maxSolubleNPerDose',
          'maxNPerYear',
          'leastSlowPercent',
          ...typed.slow.flatMap((_, i) => [`slow[${i}].from`, `slow[${i}].to`, `slow[${i}].leastSlowPercent`]),
        )}
      >
        <div className="line">
          {number('maxTotalNPerDose', `Most N a dose, ${rate('N')}`, 'a dose')}
          {number('maxSolubleNPerDose', `Most soluble N a dose, ${rate('N')}`, 'soluble')}
          {number('maxNPerYear', `Most N a year, ${rate('N')}`, 'a year')}
          {number('leastSlowPercent', 'Least slow share, %', 'slow at least', '%')}
        </div>
        {typed.slow.map((each, i) => (
          <div key={i} className="line">
            <ShortField
              label={`Slow share, %, ${i + 1}`}
              before="slow at least"
              after="%"
              value={each.leastSlowPercent}
              fault={faults[`slow[${i}].leastSlowPercent`]}
              onChange={(leastSlowPercent) => onChange({ slow: replaced(typed.slow, i, { leastSlowPercent }) })}
            />
            <ShortField
              label={`Slow from, ${i + 1}`}
              before="from"
              wide={78}
              value={each.from}
              fault={faults[`slow[${i}].from`]}
              onChange={(from) => onChange({ slow: replaced(typed.slow, i, { from }) })}
            />
            <ShortField
              label={`Slow to, ${i + 1}`}
              before="to"
              wide={78}
              value={each.to}
              fault={faults[`slow[${i}].to`]}
              onChange={(to) => onChange({ slow: replaced(typed.slow, i, { to }) })}
            />
            <Button
              size="small"
              type="link"
              aria-label={`Delete the slow share ${i + 1}`}
              onClick={() => onChange({ slow: dropped(typed.slow, i) })}
            >
              Delete
            </Button>
          </div>
        ))}
        <Button
          size="small"
          onClick={() => onChange({ slow: [...typed.slow, { from: '', to: '', leastSlowPercent: '' }] })}
        >
          Add a slow share by date
        </Button>
      </CodeRow>
      <CodeRow
        title="Allowed when closed"
        {...row(
          ['allowances'],
          ...typed.allowances.flatMap((_, i) => [
            `allowances[${i}].from`,
            `allowances[${i}].to`,
            `allowances[${i}].maxTotalNPerDose`,
          ]),
        )}
      >
        {typed.allowances.map((each, i) => (
          <div key={i} className="line">
            <ShortField
              label={`Allowed N a dose, ${rate('N')}, ${i + 1}`}
              after={`${units.short('nutrient-rate', 'N')} a dose for`}
              value={each.maxTotalNPerDose}
              fault={faults[`allowances[${i}].maxTotalNPerDose`]}
              onChange={(maxTotalNPerDose) =>
                onChange({ allowances: replaced(typed.allowances, i, { maxTotalNPerDose }) })
              }
            />
            <Select<Who>
              aria-label={`For whom, ${i + 1}`}
              value={each.who}
              options={WHO_OPTIONS}
              style={{ width: 200 }}
              onChange={(who) => onChange({ allowances: replaced(typed.allowances, i, { who }) })}
              virtual={false}
            />
            <ShortField
              label={`Allowed from, ${i + 1}`}
              before="from"
              wide={78}
              value={each.from}
              fault={faults[`allowances[${i}].from`]}
              onChange={(from) => onChange({ allowances: replaced(typed.allowances, i, { from }) })}
            />
            <ShortField
              label={`Allowed to, ${i + 1}`}
              before="to"
              wide={78}
              value={each.to}
              fault={faults[`allowances[${i}].to`]}
              onChange={(to) => onChange({ allowances: replaced(typed.allowances, i, { to }) })}
            />
            <Button
              size="small"
              type="link"
              aria-label={`Delete the allowance ${i + 1}`}
              onClick={() => onChange({ allowances: dropped(typed.allowances, i) })}
            >
              Delete
            </Button>
          </div>
        ))}
        <Button
          size="small"
          onClick={() =>
            onChange({ allowances: [...typed.allowances, { from: '', to: '', who: 'licensed', maxTotalNPerDose: '' }] })
          }
        >
          Add an allowance
        </Button>
      </CodeRow>
      <CodeRow title="Beside water" {...row(['setback'], 'setbackFt')}>
        {number('setbackFt', `Beside water, ${units.unit('length')}`, undefined, `${units.unit('length')} kept clear`)}
      </CodeRow>
      <CodeRow
        title="Phosphorus"
        {...row(
          ['phosphorus', 'test-age', 'p2o5-dose', 'p2o5-year'],
          'testWithinYears',
          'maxP2O5PerDose',
          'maxP2O5PerYear',
        )}
      >
        <div className="line">
          {tick('phosphorusNeedsTest', 'only where a soil test asks for it')}
          {number('testWithinYears', 'Age of the test, years', 'no older than', 'years')}
        </div>
        <div className="line">
          {number(
            'maxP2O5PerDose',
            `Most P2O5 a dose, ${rate('P2O5')}`,
            `${units.short('nutrient-rate', 'P2O5')} a dose`,
          )}
          {number('maxP2O5PerYear', `Most P2O5 a year, ${rate('P2O5')}`, 'a year')}
        </div>
      </CodeRow>
      <CodeRow title="Frozen ground" {...row([])}>
        <span className="small">no feeding, no water: built in, cannot be switched off</span>
      </CodeRow>
      <CodeRow title="Heavy rain" {...row(['heavy-rain'], 'heavyRain.inches', 'heavyRain.hours')}>
        <ShortField
          label={`Heavy rain, ${units.unit('depth')}`}
          value={typed.heavyRain.inches}
          fault={faults['heavyRain.inches']}
          onChange={(inches) => onChange({ heavyRain: { ...typed.heavyRain, inches } })}
        />
        <ShortField
          label="Heavy rain within, hours"
          before={`${units.unit('depth')} within`}
          after="h: no feeding before it"
          value={typed.heavyRain.hours}
          fault={faults['heavyRain.hours']}
          onChange={(hours) => onChange({ heavyRain: { ...typed.heavyRain, hours } })}
        />
      </CodeRow>
      <CodeRow
        title="Watering"
        {...row(
          ['watering'],
          'mostDaysPerWeek',
          'localWatering.mostDaysPerWeek',
          'season.from',
          'season.to',
          ...watering.closedHours.flatMap((_, i) => [
            `closedHours[${i}]`,
            `localWatering.closedHours[${i}].from`,
            `localWatering.closedHours[${i}].to`,
          ]),
        )}
      >
        <div className="watering">
          <div>
            <Checkbox
              checked={byNumber}
              onChange={({ target }) =>
                water({
                  days: target.checked
                    ? { odd: watering.days.all ?? [], even: watering.days.all ?? [] }
                    : watering.days.odd && watering.days.odd.length > 0
                      ? { all: watering.days.odd }
                      : {},
                })
              }
            >
              days by the number of the house
            </Checkbox>
            <WateringWeek watering={watering} onChange={(days) => water({ days })} />
          </div>
          <div className="beside">
            <div className="line">
              <ShortField
                label="Watering season from"
                before="season"
                wide={70}
                value={watering.season.from}
                fault={faults['season.from']}
                onChange={(from) => water({ season: { ...watering.season, from } })}
              />
              <ShortField
                label="Watering season to"
                before="to"
                wide={70}
                value={watering.season.to}
                fault={faults['season.to']}
                onChange={(to) => water({ season: { ...watering.season, to } })}
              />
            </div>
            <div className="line">
              <ShortField
                label="Most watering days a week"
                before="at most"
                after="days a week"
                wide={40}
                value={watering.mostDaysPerWeek}
                fault={faults.mostDaysPerWeek}
                onChange={(mostDaysPerWeek) => water({ mostDaysPerWeek })}
              />
            </div>
            {watering.closedHours.map((each, i) => (
              <div key={i} className="line">
                <ShortField
                  label={`No water from, ${i + 1}`}
                  type="time"
                  before="not"
                  wide={112}
                  value={each.from}
                  onChange={(from) => water({ closedHours: replaced(watering.closedHours, i, { from }) })}
                />
                <ShortField
                  label={`No water to, ${i + 1}`}
                  type="time"
                  before="to"
                  wide={112}
                  value={each.to}
                  onChange={(to) => water({ closedHours: replaced(watering.closedHours, i, { to }) })}
                />
                <Button
                  size="small"
                  type="link"
                  aria-label={`Delete the closed hours ${i + 1}`}
                  onClick={() => water({ closedHours: dropped(watering.closedHours, i) })}
                >
                  Delete
                </Button>
              </div>
            ))}
            <div className="line">
              <Button
                size="small"
                onClick={() => water({ closedHours: [...watering.closedHours, { from: '10:00', to: '18:00' }] })}
              >
                Add closed hours
              </Button>
            </div>
            <div className="line">
              <ShortField
                label="Drought stage"
                before="stage"
                wide={130}
                value={watering.stage}
                onChange={(stage) => water({ stage })}
              />
            </div>
          </div>
        </div>
      </CodeRow>
      <CodeRow title="License, records" {...row(['license', 'sweeping', 'records'], 'recordKeptYears')}>
        <div className="line">
          {tick('licenseNeeded', 'operator’s license')}
          {tick('sweepRequired', 'sweep paving')}
          {number('recordKeptYears', 'Records kept, years', 'keep records', 'years')}
        </div>
      </CodeRow>
      <CodeRow title="Posting" {...row(['posting'], 'posting.hoursBefore', 'posting.hoursAfter')}>
        <ShortField
          label="Signs posted before, hours"
          before="signs"
          after="h before,"
          value={typed.posting.hoursBefore}
          fault={faults['posting.hoursBefore']}
          onChange={(hoursBefore) => onChange({ posting: { ...typed.posting, hoursBefore } })}
        />
        <ShortField
          label="Signs posted after, hours"
          after="h after"
          value={typed.posting.hoursAfter}
          fault={faults['posting.hoursAfter']}
          onChange={(hoursAfter) => onChange({ posting: { ...typed.posting, hoursAfter } })}
        />
      </CodeRow>
      <CodeRow title="Summer" {...row(['summer'], 'summerNote')}>
        <ShortField
          label="What it says of summer"
          wide={420}
          value={typed.summerNote}
          fault={faults.summerNote}
          onChange={(summerNote) => onChange({ summerNote })}
        />
      </CodeRow>
      <CodeRow title="Source" {...row(['source'], 'source.cite', 'source.url')}>
        <div className="line">
          <ShortField
            label="Source"
            wide={300}
            value={typed.source.cite}
            fault={faults['source.cite']}
            onChange={(cite) => onChange({ source: { ...typed.source, cite } })}
          />
          <Select
            aria-label="Kind of source"
            value={typed.source.kind || undefined}
            placeholder="kind"
            allowClear
            style={{ width: 120 }}
            options={CODE_SOURCES.map((value) => ({ value, label: value }))}
            onChange={(kind?: TypedCode['source']['kind']) =>
              onChange({ source: { ...typed.source, kind: kind ?? '' } })
            }
            virtual={false}
          />
        </div>
        <ShortField
          label="Address of the source"
          before="found at"
          wide={366}
          value={typed.source.url}
          fault={faults['source.url']}
          onChange={(url) => onChange({ source: { ...typed.source, url } })}
        />
      </CodeRow>
      <CodeRow title="Checked" {...row([], 'checkedOn', 'checkedBy', 'reviewEveryMonths', 'expiresOn')}>
        <div className="line">
          <ShortField
            label="Checked on"
            type="date"
            wide={136}
            value={typed.checkedOn}
            fault={faults.checkedOn}
            onChange={(checkedOn) => onChange({ checkedOn })}
          />
          <ShortField
            label="Checked by"
            before="by"
            wide={110}
            value={typed.checkedBy}
            fault={faults.checkedBy}
            onChange={(checkedBy) => onChange({ checkedBy })}
          />
          {number('reviewEveryMonths', 'Checked again every, months', 'again every', 'months')}
        </div>
        <div className="line">
          <ShortField
            label="Runs out on"
            type="date"
            before="runs out"
            wide={136}
            value={typed.expiresOn}
            fault={faults.expiresOn}
            onChange={(expiresOn) => onChange({ expiresOn })}
          />
          {review.state !== 'fresh' && (
            <span className="overdue">
              <WarnGlyph /> {review.says}
            </span>
          )}
        </div>
      </CodeRow>
    </ol>
  );
}
