import '../../ui/weighing.css';
import './field.css';
import { Button, Checkbox, Select, Switch } from 'antd';
import { useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { materialOf, wateringIn } from '@core/field/material';
import { runState, wasInterrupted } from '@core/runs/run-state';
import { faceOf } from '@core/products/label/face';
import { cautionsUnder } from '@core/season/rules/cautions';
import { leastDaysBetweenN } from '@core/season/rules/dose-ceilings';
import { isRefusal } from '@core/reckoning/refusal';
import { sayDate, sayWeekday } from '@core/words/days';
import { NetworkWord } from '../../offline/network-word';
import { loadOwn } from '../../storage/own-records';
import { readNote } from '../../storage/notes';
import { Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { useKey } from '../../ui/keys';
import { StandingGlyph, WarnGlyph } from '../../ui/glyphs';
import { Loading } from '../../ui/loading';
import { Said, Substances } from '../../ui/substance';
import { fullUnitFor, showAmount } from '../../work/dose-words';
import { densityOf } from '@core/products/as-weighed';
import { amountOut } from '../../work/amount-out';
import { WaterList } from '../../work/water-list';
import { propertyAction } from '../../work/property-action';
import type { Shapes } from '../../work/send';
import { forecastFrom, forecastNote } from '../../work/weather-service';
import { StageFault } from '../../work/stage-fault';
import type { Route } from './+types/field';
import { DayForm } from './day-form';
import { type Answer, fieldAction, type Sent } from './field-action';
import { ForecastPanel, sayWindow } from './forecast-panel';
import { GEAR_NOTE, gearFrom } from './gear';
import { GoBand } from './go-band';
import { JobList, SignedRuns } from './job-list';
import { Running } from './running';
import { type FieldState, useField } from './use-field';
import { TankPanel } from './tank-panel';
import { WaterHere } from './water-here';
import { typedDaysNote } from './typed-days';
import { TypedDaysPanel } from './typed-days-panel';
import { WalkDrawing } from './walk-drawing';
import { GearForm, WalkTable } from './walk-table';
import { GatePanel } from './gate-panel';

const SHAPES: Shapes<Sent> = {
  start: { run: 'record' },
  step: { runId: 'text', step: 'record' },
  sign: { runId: 'text', step: 'record' },
  watered: { runId: 'text', step: 'record' },
  sprinklers: { zoneId: 'text', inPerHour: 'number?' },
  skip: { zoneId: 'text', jobKey: 'text', reason: 'text', at: 'text', by: 'text' },
  gear: { gear: 'record' },
  days: { text: 'text' },
  forecast: { station: 'text', hour: 'text' },
  spreader: { change: 'record' },
};

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  const [operators, spreaders, gear, told, daysText] = await Promise.all([
    loadOwn('operators'),
    loadOwn('spreaders'),
    readNote(GEAR_NOTE),
    readNote(forecastNote(params.propertyId)),
    readNote(typedDaysNote(params.propertyId)),
  ]);
  const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name);
  return {
    operators: operators.sort(byName),
    spreaders: spreaders.sort(byName),
    gear: gearFrom(gear),
    told: forecastFrom(told),
    daysText: daysText ?? '',
  };
}
clientLoader.hydrate = true as const;

export const clientAction = propertyAction<Sent, Answer>(SHAPES, fieldAction);

export function HydrateFallback() {
  return <Loading />;
}

/** Weighing out, what one wears, and the start; a warning is gone against only with a reason. */
function StartJob({ field }: { field: FieldState }) {
  const units = useUnits();
  const { job, weighOutLb, likelyLb, protection, verdict, lines, start, fault } = field;
  const out = amountOut(units, job && densityOf(job.product), job?.dose.for === 'lime' ? 'lime' : 'product');
  const first = out.field(weighOutLb);
  const [weighed, setWeighed] = useState(first);
  const [worn, setWorn] = useState<readonly string[]>([]);
  const [reason, setReason] = useState('');
  const [notNow, setNotNow] = useState('');
  const startButton = useRef<HTMLButtonElement>(null);
  useKey('go-to-start', () => startButton.current?.focus());
  if (!job) return null;
  const did = out.isLiquid ? 'Measured out' : 'Weighed out';
  const read = out.read(weighed, did, 'weighed');
  const weighedLb = weighed === first ? weighOutLb : isRefusal(read) ? undefined : read;
  const wrong = isRefusal(read)
    ? read.refused
    : weighedLb === undefined || weighedLb <= 0
      ? `Type what was ${did.toLowerCase()}.`
      : undefined;
  const asked = lines.filter(({ standing }) => standing === 'ask').length;
  const dressed = protection.every((each) => worn.includes(each));
  const may = verdict === 'go' || (verdict === 'wait' && reason.trim().length >= 3);
  return (
    <section className="startjob" aria-labelledby="weighout">
      <h2 id="weighout">
        {out.isLiquid ? 'Measure out' : 'Weigh out'}, {job.product.name.toLowerCase()} {faceOf(job.product)}
      </h2>
      <p className="weighout">
        <b>{out.show(weighOutLb)}</b> <span>{out.unit}</span>
        <span className="small">
          {likelyLb === undefined ? 'area as typed, error unknown' : `likely within ${out.say(likelyLb)}`}
        </span>
      </p>
      <p className="small">
        {out.rate(job.dose.rateLb)}, {units.say('area', job.zone.areaSqFt)}
      </p>
      {field.laying.map((says) => (
        <p key={says} className="caution small">
          <Said text={says} />
        </p>
      ))}
      <fieldset>
        <legend>On and at hand</legend>
        {protection.map((each) => (
          <Checkbox
            key={each}
            checked={worn.includes(each)}
            onChange={({ target }) =>
              setWorn((before) => (target.checked ? [...before, each] : before.filter((one) => one !== each)))
            }
          >
            {each}
          </Checkbox>
        ))}
      </fieldset>
      <TextField label={did} unit={out.unit} inputMode="decimal" value={weighed} fault={wrong} onChange={setWeighed} />
      {verdict === 'wait' && <TextField label="Start all the same, because" value={reason} onChange={setReason} />}
      <div className="bigacts">
        {verdict === 'never' ? (
          <p className="fault">
            Nothing goes down now:{' '}
            {lines.filter(({ standing }) => standing === 'never').length === 1
              ? 'the line above is'
              : 'the lines above are'}{' '}
            no matter of taste.
          </p>
        ) : (
          <Button
            ref={startButton}
            type="primary"
            disabled={!may || !dressed || wrong !== undefined || field.sprayFault !== undefined}
            onClick={() =>
              weighedLb !== undefined &&
              void start(job, { weighedLb, ...(verdict === 'wait' ? { override: reason.trim() } : {}) })
            }
          >
            {verdict === 'wait' ? 'Start all the same' : 'Start'}
          </Button>
        )}
        <span className="small">
          {verdict === 'ask' && `answer ${asked} ${asked === 1 ? 'question' : 'questions'} first`}
          {field.sprayFault !== undefined && 'the tank is refused, see there. '}
          {verdict !== 'ask' && verdict !== 'never' && !dressed && 'tick what is on and at hand'}
        </span>
      </div>
      <details className="givingup">
        <summary>Not now</summary>
        <TextField label="Why it is not done" value={notNow} onChange={setNotNow} />
        <Button disabled={notNow.trim().length < 3} onClick={() => void field.skip(job, notNow)}>
          Leave this job out
        </Button>
      </details>
      <Fault>{fault}</Fault>
    </section>
  );
}

/** Field: the day of the work. Jobs of the kept plan, whether this is an hour, how it is walked, and what came back. */
export default function Field({ loaderData: { operators, spreaders, gear, told, daysText } }: Route.ComponentProps) {
  const units = useUnits();
  const { hash } = useLocation();
  const field = useField(gear, operators, spreaders, told, daysText);
  const { jobs, job, plan, today, file, ground, walk, isSprayed } = field;
  const run = job?.run;
  const state = run && runState(run);
  const isUnderWay = state !== undefined && state.standing !== 'signed' && state.standing !== 'given-up';
  const wasLeft = run !== undefined && wasInterrupted(run, field.now);
  /** Before the start, and after a long break, the hour is looked at. */
  const looks = !isUnderWay || wasLeft;
  const doneBefore = (round: number) =>
    typeof walk === 'object'
      ? walk.rounds.slice(0, round).reduce((sum, { stretchesFt }) => sum + stretchesFt.length, 0)
      : 0;
  const round =
    typeof walk === 'object' && state
      ? Math.max(
          0,
          walk.rounds.findLastIndex((_, i) => state.runsDone >= doneBefore(i) && (i === 0 || state.runsDone > 0)),
        )
      : 0;
  const listed = jobs.filter(({ state: stands }) => !['later', 'done', 'skipped'].includes(stands));
  const go = (by: 1 | -1) => {
    const to = listed[listed.findIndex(({ key }) => key === job?.key) + by];
    if (to) field.choose(to.key);
  };
  useKey('job-after', () => go(1), [field]);
  useKey('job-before', () => go(-1), [field]);
  const turns = !isUnderWay && !isSprayed && job !== undefined;
  useKey('turn-left', () => field.turn(-1), [field], turns);
  useKey('turn-right', () => field.turn(1), [field], turns);
  const comes = jobs.find(({ state }) => state === 'later');
  const water = job && wateringIn(job.product);
  if (jobs.length === 0)
    return (
      <div className="field empty">
        <p>
          {plan?.keptOn === undefined
            ? 'There are no jobs yet: a job comes of a plan that was saved. Save the plan first.'
            : 'The saved plan has no doses.'}
        </p>
        <Link to={{ pathname: '../season', hash }} relative="path">
          <Button type="primary" tabIndex={-1}>
            Go to Season
          </Button>
        </Link>
      </div>
    );
  return (
    <div className={field.sun ? 'field is-sun' : 'field'}>
      <div className="pagehead">
        <h1>Field</h1>
        <span className="small">{sayWeekday(today)}</span>
        <span className="sp" />
        <Button size="small" onClick={() => void field.printSheets()}>
          Field sheets (PDF)
        </Button>
        <NetworkWord />
        <label className="sunswitch">
          <Switch size="small" checked={field.sun} onChange={field.setSun} /> Sun
        </label>
        {operators.length > 0 && (
          <Select
            aria-label="Operator"
            placeholder="who works?"
            value={field.operatorId}
            options={operators.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={field.setOperatorId}
            popupMatchSelectWidth={false}
            virtual={false}
          />
        )}
      </div>
      {plan?.keptOn !== undefined && today < plan.keptOn && (
        <p className="caution clockwrong">
          This device says {sayDate(today)}, and the plan was saved on {sayDate(plan.keptOn)}: is its clock right? Jobs,
          rests and closed dates go by it.
        </p>
      )}
      <div className="fieldbody">
        <JobList jobs={jobs} chosen={job?.key} onChoose={field.choose} />
        {!job && (
          <div className="jobsheet">
            <p className="lead nothingdue">
              {comes
                ? `Nothing is due before ${sayWeekday(comes.dose.date)}: ${comes.zone.name}, ${comes.product.name.toLowerCase()}.`
                : 'Every dose of this plan is done.'}
            </p>
          </div>
        )}
        {job && (
          <div className="jobsheet" key={job.key}>
            <h2 className="jobname">
              {job.zone.name}{' '}
              <span className="small">
                {showAmount(job.dose, units)} <Substances text={fullUnitFor(job.dose, units)} />,{' '}
                {sayWeekday(job.dose.date)}
              </span>
            </h2>
            {job.state !== 'done' && looks && (
              <GoBand
                verdict={field.verdict}
                lines={field.lines}
                {...(field.until === undefined ? {} : { until: field.until })}
                {...(field.windows[0] ? { next: sayWindow(field.windows[0]) } : {})}
              />
            )}
            {job.state !== 'done' && looks && (
              <ForecastPanel
                forecast={field.forecast}
                verdicts={field.verdicts}
                windows={field.windows}
                assumed={field.assumed}
                weekEnds={field.weekEnds}
                lastDay={job.lastDay}
                fault={field.forecastFault}
                onGet={field.getForecast}
                onRemind={field.remind}
              >
                <TypedDaysPanel
                  text={field.daysText}
                  fault={field.daysFault}
                  verdicts={field.dayVerdicts}
                  onType={field.typeDays}
                  onSave={field.saveDays}
                  onClear={field.clearDays}
                />
              </ForecastPanel>
            )}
            <div className="jobwork">
              <div>
                {isSprayed && (
                  <TankPanel job={job} typed={field.tank} refused={field.sprayFault} onType={field.setTank} />
                )}
                {isSprayed ? null : typeof walk === 'object' ? (
                  <>
                    <WalkDrawing
                      walk={walk}
                      round={round}
                      done={state ? Math.max(0, state.runsDone - doneBefore(round)) : 0}
                      cutOuts={ground?.cutOuts ?? []}
                      water={ground?.keptClear.region ?? []}
                      name={job.zone.name}
                    />
                    <WalkTable walk={walk} plannedRateLb={job.dose.rateLb} gates={field.gates} />
                  </>
                ) : (
                  <p className="fault">{walk && units.said(walk)}</p>
                )}
                {!isSprayed &&
                  !isUnderWay &&
                  job.state !== 'done' &&
                  field.targets[0] !== undefined &&
                  field.targets[0] > 0 && (
                    <GatePanel
                      key={field.spreader?.id ?? 'new'}
                      spreaders={spreaders}
                      chosen={field.spreader}
                      onChoose={field.chooseSpreader}
                      onSave={field.saveSpreader}
                      onDelete={field.deleteSpreader}
                      gate={field.gates[0]}
                      targetLb={field.targets[0]}
                      stamp={{
                        productId: job.product.id,
                        on: today,
                        swathFt: field.gear.swathFt,
                        ...(field.operator ? { operator: field.operator.name } : {}),
                        ...(job.product.lot ? { lot: job.product.lot } : {}),
                      }}
                      productName={job.product.name}
                    />
                  )}
                {!isSprayed && !isUnderWay && job.state !== 'done' && (
                  <GearForm
                    gear={field.gear}
                    typed={field.lengths}
                    faults={field.gearFaults}
                    onType={field.typeLength}
                    onSchool={field.setSchool}
                    onTurn={field.turn}
                    onSave={field.saveGear}
                  />
                )}
              </div>
              <div>
                {run && isUnderWay ? (
                  <Running
                    key={run.id}
                    run={run}
                    zoneName={job.zone.name}
                    leastDaysBetween={leastDaysBetweenN(job.zone)}
                    substance={job.dose.for === 'sulfur' ? 'S' : job.dose.for}
                    operator={field.operator?.name ?? state?.operator ?? ''}
                    fault={field.fault}
                    onStep={(step) => field.step(run, step)}
                    onSign={() => field.sign(run)}
                    {...(wasLeft
                      ? {
                          anew: {
                            verdict: field.verdict,
                            asked: field.lines.filter(({ standing }) => standing === 'ask').length,
                            hour: field.hour,
                          },
                        }
                      : {})}
                  />
                ) : job.state === 'done' ? (
                  <p className="lead">This job is done.</p>
                ) : job.state === 'skipped' ? (
                  <p className="lead">
                    This job is left out: {job.skippedFor}. Withdraw that in Log, or start it here all the same.
                  </p>
                ) : job.state === 'missed' ? (
                  <p className="lead">
                    The last day for it is over: in Season the plan is found again without it. What still goes down late
                    is started here all the same.
                  </p>
                ) : null}
                {job.state !== 'done' && looks && (
                  <DayForm
                    typed={field.day}
                    faults={field.weatherFaults}
                    material={materialOf(job.product, job.dose.for)}
                    told={field.weatherTold}
                    hints={field.hints}
                    asksDisease={field.lines.some(({ id }) => id === 'sick')}
                    asksLabel={job.product.pesticide === true}
                    onChange={field.setDay}
                  />
                )}
                {job.state !== 'done' && !isUnderWay && <StartJob field={field} />}
              </div>
            </div>
          </div>
        )}
        <aside className="margin">
          {(water || field.waterTasks.length > 0) && <h2>Water in</h2>}
          <WaterList tasks={field.waterTasks} onWatered={field.watered} />
          {water && job && <WaterHere key={job.zone.id} zone={job.zone} water={water} onSave={field.saveSprinklers} />}
          {field.law.length > 0 && (
            <>
              <h2>The law today</h2>
              <ul className="law">
                {field.law.map(({ title, found, standing }) => (
                  <li key={title} className="small">
                    <StandingGlyph standing={standing} />
                    <span>
                      <b>
                        <Said text={title} />
                      </b>
                      : <Said text={found} />
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
          <h2>Cautions</h2>
          <ul className="cautions">
            {cautionsUnder(file.codes ?? []).map((each) => (
              <li key={each} className="small">
                <WarnGlyph /> <Said text={each} />
              </li>
            ))}
          </ul>
          {field.openElsewhere.length > 0 && (
            <>
              <h2>Open, of an earlier plan</h2>
              {field.openElsewhere.map((each) => (
                <Running
                  key={each.id}
                  run={each}
                  zoneName={file.zones.find(({ id }) => id === each.zoneId)?.name ?? each.zoneId}
                  leastDaysBetween={28}
                  substance={each.for === 'sulfur' ? 'S' : each.for}
                  operator={field.operator?.name ?? ''}
                  fault={field.fault}
                  onStep={(step) => field.step(each, step)}
                  onSign={() => field.sign(each)}
                />
              ))}
            </>
          )}
          <SignedRuns runs={file.runs ?? []} zones={file.zones} />
        </aside>
      </div>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Field" />;
}
